import { StitchBuffer } from './buffer';
import { turnsToAndFro } from './fans';
import { Role } from './roles';

/** A zigzag whose rows have the given directions, degrees, one after the other. */
const zigzag = (directions: number[], role: number = Role.cover) => {
  const out = new StitchBuffer();
  directions.forEach((deg, i) => {
    const [x, y] = [i * 0.4, 0];
    const a = (deg * Math.PI) / 180;
    const side = i % 2 ? 1 : -1;
    out.push(x + 3 * side * Math.cos(a), y + 3 * side * Math.sin(a), role);
  });
  return out.columns();
};
const rows = (n: number, at: (i: number) => number): number[] => Array.from({ length: n }, (_, i) => at(i));

test('straight rows and rows round a bend turn one way only', () => {
  expect(turnsToAndFro(zigzag(rows(40, () => 90)))).toBeLessThan(8);
  expect(turnsToAndFro(zigzag(rows(60, (i) => 90 + i)))).toBeLessThan(8);
});

test('rows that swing over and back turn to and fro', () => {
  expect(turnsToAndFro(zigzag(rows(60, (i) => 90 + (i < 30 ? i : 60 - i))))).toBeGreaterThan(40);
});

test('underlay and travel do not count', () => {
  expect(
    turnsToAndFro(
      zigzag(
        rows(60, (i) => 90 + (i < 30 ? i : 60 - i)),
        Role.underlay,
      ),
    ),
  ).toBe(0);
});
