import { areaOf, contains } from '../geometry/area';
import { outlineOf } from '../geometry/outline';
import { dataToRings } from '../geometry/path';
import { boundsOf } from '../geometry/point';
import { piece } from '../pieces/fixtures';
import { random } from '../units/random';
import { boxOf } from './arrange';
import { cutPiece } from './cut';

const SQUARE = 'M0,0 H20 V20 H0 Z';
const size = (data: string): number => areaOf(outlineOf(data).area);

test('a cut through an area gives two parts that together are what it was', () => {
  const [a, b] = cutPiece(piece('fill', { area: SQUARE, slants: ['M2,2 L8,4', 'M2,18 L8,16'] }), { x: -5, y: 8 }, { x: 25, y: 8 })!;
  expect([size(a.area!), size(b.area!)].sort((p, q) => p - q).map((v) => Math.round(v))).toEqual([160, 240]);
  expect(a.slants).toHaveLength(1);
  expect(b.slants).toHaveLength(1);
});

test('lines and columns are cut where the cut crosses them, and nowhere else', () => {
  const run = cutPiece(piece('run', { line: 'M0,0 H10' }), { x: 4, y: -1 }, { x: 4, y: 1 })!;
  expect(run.map((p) => boundsOf(dataToRings(p.line!)).maxX)).toEqual([4, 10]);
  const column = cutPiece(piece('satin', { sides: ['M0,0 H30', 'M0,5 H30'] }), { x: 10, y: -2 }, { x: 20, y: 7 })!;
  expect(boxOf(column[0]).maxX).toBeGreaterThan(15);
  expect(boxOf(column[1]).minX).toBeLessThan(15);
  expect(cutPiece(piece('run', { line: 'M0,0 H10' }), { x: 4, y: 3 }, { x: 4, y: 5 })).toBeNull();
  expect(cutPiece(piece('fill', { area: SQUARE }), { x: 30, y: 0 }, { x: 30, y: 9 })).toBeNull();
});

test('what only the prolongation of a cut meets is not cut', () => {
  const square = piece('fill', { area: SQUARE });
  expect(cutPiece(square, { x: 30, y: 10 }, { x: 40, y: 10 })).toBeNull();
  expect(cutPiece(square, { x: -5, y: 10 }, { x: 12, y: 10 })).toBeNull();
  expect(cutPiece(square, { x: 60, y: 60 }, { x: 70, y: 70 })).toBeNull();
});

test('a cut through one arm of a U leaves the other arm whole', () => {
  const u = piece('fill', { area: 'M0,0 h6 v14 h8 v-14 h6 v20 h-20 Z' });
  const [one, other] = cutPiece(u, { x: -2, y: 5 }, { x: 8, y: 5 })!;
  const [small, large] = [one, other].sort((a, b) => size(a.area!) - size(b.area!));
  expect(size(small!.area!)).toBeCloseTo(30, 0);
  expect(outlineOf(large!.area!).parts).toHaveLength(1);
  expect(contains(outlineOf(large!.area!).area, { x: 17, y: 2 })).toBe(true);
});

test('cuts of any shape at any place lose nothing and let nothing overlap', () => {
  const roll = random(5);
  let parted = 0;
  for (let n = 0; n < 120; n++) {
    const points = Array.from({ length: 7 }, (_, i) => {
      const [angle, r] = [(2 * Math.PI * i) / 7, 4 + 10 * roll()];
      return `${(r * Math.cos(angle)).toFixed(2)},${(r * Math.sin(angle)).toFixed(2)}`;
    });
    const area = `M${points.join(' L')} Z`;
    const place = () => ({ x: 40 * roll() - 20, y: 40 * roll() - 20 });
    const [a, b] = [place(), place()];
    const cut = cutPiece(piece('fill', { area }), a, b);
    if (!cut) continue;
    parted++;
    const [one, other] = cut.map((p) => outlineOf(p.area!).area) as [ReturnType<typeof dataToRings>, ReturnType<typeof dataToRings>];
    expect(areaOf(one) + areaOf(other)).toBeCloseTo(size(area), 0);
    for (let k = 0; k < 40; k++) {
      const p = place();
      if (contains(outlineOf(area).area, p)) expect(contains(one, p) || contains(other, p)).toBe(true);
      expect(contains(one, p) && contains(other, p)).toBe(false);
    }
  }
  expect(parted).toBeGreaterThan(20);
});
