import fc from 'fast-check';
import type { Subpath } from '../../geometry/path';
import { distance, type Point } from '../../geometry/point';
import { squared } from './squared';

const free = { place: () => false, shape: () => false };
const polygon = (...points: Point[]): Subpath => ({
  start: points[0]!,
  segments: [...points.slice(1), points[0]!].map((to) => ({ to })),
  closed: true,
});
const turned = (p: Point, angle: number): Point => ({
  x: p.x * Math.cos(angle) - p.y * Math.sin(angle),
  y: p.x * Math.sin(angle) + p.y * Math.cos(angle),
});
const cornersOf = ({ segments }: Subpath): Point[] => segments.map((s) => s.to);
/** Angle from a side to the next, degrees. */
const angles = (shape: Subpath): number[] => {
  const at = cornersOf(shape);
  return at.map((p, i) => {
    const [a, b] = [at[(i + at.length - 1) % at.length]!, at[(i + 1) % at.length]!];
    const turn = Math.atan2(b.y - p.y, b.x - p.x) - Math.atan2(p.y - a.y, p.x - a.x);
    return ((turn * 180) / Math.PI + 720) % 360;
  });
};
const off = (angle: number, unit: number): number => Math.abs(angle - Math.round(angle / unit) * unit);

const side = fc.double({ min: 40, max: 300, noNaN: true });
const wobble = fc.double({ min: -0.04, max: 0.04, noNaN: true });

test('rectangles turned by any angle and measured roughly become exact, and their corners move hardly', () => {
  fc.assert(
    fc.property(
      side,
      side,
      fc.double({ min: 0, max: Math.PI, noNaN: true }),
      fc.array(wobble, { minLength: 8, maxLength: 8 }),
      (w, h, angle, by) => {
        const drawn = [
          { x: 0, y: 0 },
          { x: w, y: 0 },
          { x: w, y: h },
          { x: 0, y: h },
        ].map((p, i) => {
          const q = turned(p, angle);
          return { x: q.x + by[2 * i]!, y: q.y + by[2 * i + 1]! };
        });
        const { shapes } = squared([polygon(...drawn)], 0.12, free);
        for (const a of angles(shapes[0]!)) expect(off(a, 90)).toBeLessThan(1e-3);
        const moved = cornersOf(shapes[0]!).map((p, i) => distance(p, drawn[(i + 1) % 4]!));
        expect(Math.max(...moved)).toBeLessThan(0.12);
      },
    ),
    { seed: 5 },
  );
});

test('what is a degree and more from square is meant, and stays as it is', () => {
  fc.assert(
    fc.property(side, fc.double({ min: 1.2, max: 20, noNaN: true }), (w, degrees) => {
      const skew = Math.tan((degrees * Math.PI) / 180) * w;
      const drawn = polygon({ x: 0, y: 0 }, { x: w, y: 0 }, { x: w + skew, y: w }, { x: 0, y: w });
      const { shapes, count } = squared([drawn], 0.12, free);
      expect(count).toBe(0);
      cornersOf(shapes[0]!).forEach((p, i) => expect(distance(p, cornersOf(drawn)[i]!)).toBeLessThan(1e-6));
    }),
    { seed: 5 },
  );
});

test('nearly level sides become level, apart shapes parallel, shared ends stay shared', () => {
  const shared = { x: 100, y: 50.04 };
  const [left, right] = [
    polygon({ x: 0, y: 0 }, { x: 100.03, y: 0.05 }, shared, { x: 0, y: 50 }),
    polygon({ x: 100.03, y: 0.05 }, { x: 180, y: 60 }, shared),
  ];
  const apart = polygon({ x: 400, y: 0 }, { x: 480.02, y: 59.95 }, { x: 420, y: 200 });
  const { shapes, count } = squared([left, right, apart], 0.12, free);
  const [a, b] = [cornersOf(shapes[0]!), cornersOf(shapes[1]!)];
  expect(off(angles(shapes[0]!)[0]!, 90)).toBeLessThan(1e-3);
  expect(a[0]!.y - shapes[0]!.start.y).toBeCloseTo(0, 4);
  expect(a[1]).toEqual(b[1]);
  const slope = (p: Point, q: Point): number => Math.atan2(q.y - p.y, q.x - p.x);
  expect(slope(shapes[1]!.start, b[0]!)).toBeCloseTo(slope(shapes[2]!.start, cornersOf(shapes[2]!)[0]!), 6);
  expect(count).toBeGreaterThanOrEqual(4);
});

test('ends that are fixed stay, and a curve goes on from its side as before', () => {
  const rim = squared([polygon({ x: 0, y: 0 }, { x: 100, y: 0.1 }, { x: 100, y: 80 }, { x: 0, y: 80 })], 0.12, {
    ...free,
    place: (p) => p.x === 0,
  });
  expect(rim.shapes[0]!.start).toEqual({ x: 0, y: 0 });
  expect(cornersOf(rim.shapes[0]!)[0]!.y).toBeCloseTo(0, 4);
  const tongue: Subpath = {
    start: { x: 0, y: 0 },
    segments: [
      { to: { x: 100, y: 0.1 } },
      { c1: { x: 130, y: 0.13 }, c2: { x: 130, y: 60 }, to: { x: 100, y: 60 } },
      { to: { x: 0, y: 60 } },
      { to: { x: 0, y: 0 } },
    ],
    closed: true,
  };
  const [line, curve] = squared([tongue], 0.12, free).shapes[0]!.segments;
  expect(curve!.c1!.y).toBeCloseTo(line!.to.y, 4);
  expect(distance(curve!.c1!, line!.to)).toBeCloseTo(30, 1);
});
