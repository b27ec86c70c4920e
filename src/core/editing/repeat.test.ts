import { piece } from '../pieces/fixtures';
import { areaOf } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { repeatedAsOne } from './repeat';
import { turnedAbout } from './transform';

const around = (times: number) => Array.from({ length: times - 1 }, (_, k) => turnedAbout({ x: 0, y: 0 }, (360 / times) * (k + 1)));
const sizes = (pieces: { area?: string }[]) => pieces.map((p) => areaOf(dataToRings(p.area!)));

test('petals that meet in the middle become one flower', () => {
  const petal = piece('fill', { area: 'M-1,0 L0,-12 L1,0 Z' });
  const made = repeatedAsOne(petal, around(4));
  expect(made).toHaveLength(1);
  expect(made[0]!.id).toBe('p1');
  // Four triangles of 12 mm² about a middle square of side √2 counted once more: 48 less the overlaps.
  expect(sizes(made)[0]).toBeLessThan(48);
  expect(sizes(made)[0]).toBeGreaterThan(44);
});

test('dots that do not touch stay apart, each at its own size', () => {
  const dot = piece('fill', { area: 'M8,-1 H10 V1 H8 Z' });
  const made = repeatedAsOne(dot, around(6));
  expect(made).toHaveLength(6);
  for (const size of sizes(made)) expect(size).toBeCloseTo(4, 1);
  expect(made.filter((p) => p.id !== '')).toHaveLength(1);
});

test('lines are copied, not strung together', () => {
  const line = piece('run', { line: 'M2,0 L8,0' });
  expect(repeatedAsOne(line, around(3)).map((p) => p.line !== undefined)).toEqual([true, true, true]);
});
