import { boundsOf } from './point';
import { areaOf } from './area';
import { parsePath } from './path';
import { strokeOf } from './stroke';

const shape = { widthMm: 2, cap: 'butt', join: 'miter', miterLimit: 4 } as const;
const painted = (d: string, over: Partial<Parameters<typeof strokeOf>[1]> = {}) => strokeOf(parsePath(d)[0]!, { ...shape, ...over });

test('a corner of the drawn line is mitred', () => {
  const box = boundsOf(painted('M0,0 L10,0 L10,10'));
  expect(box.maxX).toBeCloseTo(11, 3);
  expect(box.minY).toBeCloseTo(-1, 3);
  expect(areaOf(painted('M0,0 L10,0 L10,10'))).toBeCloseTo(40, 2);
});

test('a hairpin inside a curve turns round: nothing is painted farther from the line than half its width', () => {
  // Both control points far beyond: the curve comes to x = 7.5 and doubles back within a fraction of a millimetre.
  const box = boundsOf(painted('M0,0 C10,0.3 10,-0.3 0,0'));
  expect(box.maxX).toBeLessThan(7.5 + 1.02);
  expect(box.maxX).toBeGreaterThan(7.5 + 0.95);
});

test('a line with a hairpin and a corner has the round turn and the mitre, each where it belongs', () => {
  const box = boundsOf(painted('M0,0 C10,0.3 10,-0.3 0,-0.1 L0,-12'));
  expect(box.maxX).toBeLessThan(8.53);
  expect(box.minX).toBeCloseTo(-1, 1);
  expect(box.minY).toBeCloseTo(-12, 3);
});

test('caps stay at the ends when a line is joined from stretches', () => {
  const d = 'M0,0 L0,-12 L3,-12 C13,-11.7 13,-12.3 3,-12.4';
  const [butt, square, round] = (['butt', 'square', 'round'] as const).map((cap) => boundsOf(painted(d, { cap })));
  expect(butt!.maxY).toBeCloseTo(0, 3);
  expect(square!.maxY).toBeCloseTo(1, 2);
  expect(round!.maxY).toBeCloseTo(1, 1);
});

test('a closed line with one corner keeps that corner sharp', () => {
  const drop = 'M0,0 L3,5 C3.2,6 -3.2,6 -3,5 Z';
  const box = boundsOf(painted(drop));
  // Half angle at the tip is atan(3/5): the mitre reaches 1/sin of it.
  expect(box.minY).toBeCloseTo(-1 / Math.sin(Math.atan(3 / 5)), 1);
});
