import fc from 'fast-check';
import { EdgeIndex, edgesOfArea, edgesOfLines } from './edgeIndex';
import { segmentsMeet } from './intersect';
import type { Point } from './point';
import { UnionFind } from './unionFind';

const coordinate = fc.integer({ min: -50, max: 50 });
const place = fc.record({ x: coordinate, y: coordinate });

/** Places without order: no three of them lie on a line. */
function* spread(seed: number): Generator<Point> {
  const part = (n: number): number => Math.abs((Math.sin(n) * 43758.5453) % 1);
  for (let n = seed; ; n++) yield { x: 100 * part(n * 12.9898) - 50, y: 100 * part(n * 78.233) - 50 };
}
const take = (from: Generator<Point>, n: number): Point[] => Array.from({ length: n }, () => from.next().value as Point);

test('two segments meet where both run', () => {
  expect(segmentsMeet({ x: 0, y: 0 }, { x: 4, y: 4 }, { x: 0, y: 4 }, { x: 4, y: 0 })).toEqual({ x: 2, y: 2 });
  expect(segmentsMeet({ x: 0, y: 0 }, { x: 1, y: 1 }, { x: 0, y: 4 }, { x: 4, y: 0 })).toBeNull();
  expect(segmentsMeet({ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 0, y: 1 }, { x: 4, y: 1 })).toBeNull();
  expect(segmentsMeet({ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 4, y: 0 }, { x: 4, y: 3 })).toEqual({ x: 4, y: 0 });
});

test('a meeting place lies on both segments, whichever is named first', () => {
  const off = (p: Point, a: Point, b: Point): number =>
    Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / (Math.hypot(b.x - a.x, b.y - a.y) || 1);
  fc.assert(
    fc.property(place, place, place, place, (a, b, c, d) => {
      const met = segmentsMeet(a, b, c, d);
      expect(segmentsMeet(c, d, a, b) === null).toBe(met === null);
      if (met) expect(Math.max(off(met, a, b), off(met, c, d))).toBeLessThan(1e-9);
    }),
    { seed: 1, numRuns: 400 },
  );
});

test('the index finds what looking at every edge finds', () => {
  for (let seed = 1; seed < 300; seed++) {
    const places = spread(seed * 17);
    const [ring, [a, b]] = [take(places, 3 + (seed % 10)), take(places, 2) as [Point, Point]];
    const every = edgesOfArea([ring]).filter(([p, q]) => segmentsMeet(a, b, p, q));
    const found = new EdgeIndex(edgesOfArea([ring])).meets(a, b).filter((t) => t >= 0 && t <= 1);
    expect(found).toHaveLength(every.length);
  }
  expect(new EdgeIndex([]).meets({ x: 0, y: 0 }, { x: 1, y: 1 })).toEqual([]);
  expect(
    edgesOfLines([
      [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 1, y: 1 },
      ],
    ]),
  ).toHaveLength(2);
});

test('sets that were joined have one root, others have their own', () => {
  const sets = new UnionFind(6);
  expect([sets.join(0, 1), sets.join(2, 3), sets.join(1, 3), sets.join(0, 2)]).toEqual([true, true, true, false]);
  expect(new Set([0, 1, 2, 3].map((i) => sets.root(i))).size).toBe(1);
  expect(sets.root(0)).toBe(3);
  expect(new Set([sets.root(0), sets.root(4), sets.root(5)]).size).toBe(3);
});
