import fc from 'fast-check';
import { ringArea } from './area';
import { box, disc, turned } from './fixtures';
import { convexHull, convexity, fittingBox } from './hull';
import { cross, sub, type Point } from './point';

const coordinate = fc.integer({ min: -20_000, max: 20_000 }).map((v) => v / 1000);
const cloud = fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 3, maxLength: 30 });
test('a hull turns one way only and has every point on or inside it', () => {
  fc.assert(
    fc.property(cloud, (points) => {
      const hull = convexHull(points);
      if (hull.length < 3) return;
      const at = (i: number): Point => hull[i % hull.length]!;
      hull.forEach((p, i) => expect(cross(sub(at(i + 1), p), sub(at(i + 2), at(i + 1)))).toBeGreaterThan(0));
      for (const q of points) hull.forEach((p, i) => expect(cross(sub(at(i + 1), p), sub(q, p))).toBeGreaterThan(-1e-9));
      expect(ringArea(hull)).toBeGreaterThan(0);
    }),
    { seed: 1, numRuns: 100 },
  );
});

test('the fitting box of a rectangle is the rectangle, turned any way', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 179 }), fc.double({ min: 1.2, max: 6, noNaN: true }), (deg, ratio) => {
      const { along, longMm, wideMm } = fittingBox(convexHull(turned(box(0, 0, 10 * ratio, 10), deg)));
      expect(longMm).toBeCloseTo(10 * ratio, 6);
      expect(wideMm).toBeCloseTo(10, 6);
      const axis = turned([{ x: 1, y: 0 }], deg)[0]!;
      expect(Math.abs(cross(along, axis))).toBeLessThan(1e-6);
    }),
  );
});

test('a square, a disc and an upright hexagon stand straight', () => {
  for (const shape of [box(0, 0, 8), turned(disc(5, 0, 64), 1.3)]) expect(fittingBox(convexHull(shape)).along.y).toBeCloseTo(1, 6);
});

test('what has a bay is less than convex', () => {
  expect(convexity(box(0, 0, 4, 3))).toBeCloseTo(1, 9);
  const bay = [{ x: 0, y: 0 }, { x: 10, y: 0 }, { x: 10, y: 10 }, { x: 5, y: 5 }, { x: 0, y: 10 }]; // prettier-ignore
  expect(convexity(bay)).toBeCloseTo(0.75, 9);
});
