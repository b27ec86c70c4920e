import { distance } from '../geometry/point';
import { recipeOf } from '../cloth/recipes';
import { tiesFor } from '../pieces/rules/tieSettings';
import { isTied, tieIn, tieOff, type Tie } from './ties';

const at = { x: 10, y: 5 };
const usual: Tie = { shape: 'line', lengthMm: 0.7, count: 3 };

test('a tie-in lies between its penetration and the next, three stitches long', () => {
  const points = tieIn(at, { x: 20, y: 5 }, usual);
  expect(points).toHaveLength(3);
  for (const p of points) {
    expect(p.y).toBe(5);
    expect(p.x).toBeGreaterThanOrEqual(10);
    expect(p.x).toBeLessThanOrEqual(10.7 + 1e-9);
  }
});

test('beside a short stitch the tie comes back, so that the stitch after it is not shorter still', () => {
  const points = tieIn(at, { x: 10.8, y: 5 }, usual);
  expect(points[points.length - 1]).toEqual(at);
});

test('a tie-off goes back over what was sewn', () => {
  for (const p of tieOff(at, { x: 10, y: 1 }, usual)) {
    expect(p.x).toBe(10);
    expect(p.y).toBeLessThanOrEqual(5);
    expect(distance(p, at)).toBeLessThanOrEqual(0.7 + 1e-9);
  }
});

test('two penetrations in one place are still locked', () => {
  expect(tieOff(at, at, usual).some((p) => distance(p, at) > 0.2)).toBe(true);
});

test('a cross has strokes on both diagonals and comes back to go on', () => {
  const points = tieIn(at, { x: 20, y: 5 }, { shape: 'cross', lengthMm: 0.8, count: 4 });
  const tips = points.slice(0, 4);
  expect(new Set(tips.map((p) => `${Math.sign(p.x - at.x)}${Math.sign(p.y - at.y)}`)).size).toBe(4);
  expect(points[points.length - 1]).toEqual(at);
  for (let i = 1; i < points.length; i++) expect(distance(points[i]!, points[i - 1]!)).toBeGreaterThanOrEqual(0.3);
});

test('count and length are as asked', () => {
  const points = tieOff(at, { x: 0, y: 5 }, { shape: 'line', lengthMm: 1, count: 5 });
  expect(points).toHaveLength(5);
  expect(Math.max(...points.map((p) => distance(p, at)))).toBeCloseTo(1, 9);
});

test('thin columns get fewer tie stitches, broad ones more, and a hand outranks both', () => {
  const pique = recipeOf('pique');
  const thin = tiesFor({}, 1.1, pique);
  const broad = tiesFor({}, 7, pique);
  expect(thin.tieCount.value).toBeLessThan(broad.tieCount.value);
  expect(thin.tieLength.value).toBeLessThan(broad.tieLength.value);
  expect(tiesFor({ tieCount: 6 }, 7, pique).tieCount).toMatchObject({ value: 6, from: 'hand' });
});

test('ties that are there are seen; a zigzag and a bean are none', () => {
  const x = (...values: number[]) => values.map((v) => ({ x: v, y: 0 }));
  expect(isTied(x(0, 0.7, 0, 0.7))).toBe(true);
  expect(isTied(x(0, 2.5, 0, 2.5))).toBe(false);
  expect(
    isTied([
      { x: 0, y: 0 },
      { x: 1, y: 0.2 },
      { x: 0, y: 0.4 },
      { x: 1, y: 0.6 },
    ]),
  ).toBe(false);
});
