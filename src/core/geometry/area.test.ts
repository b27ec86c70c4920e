import fc from 'fast-check';
import { roughOffset, areaOf, clean, components, contains, cutLines, offset, strokeArea, subtract, unite } from './area';
import type { Point } from './point';

const square = (x: number, y: number, side: number): Point[] => [
  { x, y },
  { x: x + side, y },
  { x: x + side, y: y + side },
  { x, y: y + side },
];

test('a bow tie keeps both its wings under both rules', () => {
  const bow = [
    { x: 0, y: 0 },
    { x: 10, y: 10 },
    { x: 10, y: 0 },
    { x: 0, y: 10 },
  ];
  expect(areaOf(clean([bow], 'nonzero'))).toBeCloseTo(50, 3);
  expect(areaOf(clean([bow], 'evenodd'))).toBeCloseTo(50, 3);
});

test('fill rules differ where one outline lies in another of the same turn', () => {
  const rings = [square(0, 0, 10), square(2, 2, 4)];
  expect(areaOf(clean(rings, 'nonzero'))).toBeCloseTo(100, 3);
  expect(areaOf(clean(rings, 'evenodd'))).toBeCloseTo(84, 3);
});

test('parts: an island in a hole is a part of its own, largest first', () => {
  const parts = components(clean([square(0, 0, 20), square(2, 2, 16), square(8, 8, 4)], 'evenodd'));
  expect(parts.map((p) => Math.round(areaOf(p)))).toEqual([144, 16]);
  expect(parts[0]).toHaveLength(2);
});

test('growing a square by 1 adds its sides and round corners', () => {
  expect(areaOf(offset([square(0, 0, 10)], 1))).toBeCloseTo(100 + 40 + Math.PI, 1);
  expect(areaOf(offset([square(0, 0, 10)], -1))).toBeCloseTo(64, 3);
  expect(offset([square(0, 0, 1)], -1)).toEqual([]);
});

test('strokes: caps add what they say', () => {
  const line = [
    [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
    ],
  ];
  const shape = { widthMm: 2, join: 'miter' as const, miterLimit: 4 };
  expect(areaOf(strokeArea(line, false, { ...shape, cap: 'butt' }))).toBeCloseTo(20, 3);
  expect(areaOf(strokeArea(line, false, { ...shape, cap: 'square' }))).toBeCloseTo(24, 3);
  expect(areaOf(strokeArea(line, false, { ...shape, cap: 'round' }))).toBeCloseTo(20 + Math.PI, 1);
});

test('lines are cut where an area hides them', () => {
  const left = cutLines(
    [
      [
        { x: -5, y: 5 },
        { x: 15, y: 5 },
      ],
    ],
    [square(0, 0, 10)],
  );
  const lengths = left.map((l) => Math.abs(l[0]!.x - l[l.length - 1]!.x)).sort();
  expect(lengths).toEqual([5, 5]);
});

test('union and difference of any two squares add up', () => {
  const box = fc.record({ x: fc.integer({ min: -8, max: 8 }), y: fc.integer({ min: -8, max: 8 }), side: fc.integer({ min: 1, max: 9 }) });
  fc.assert(
    fc.property(box, box, (a, b) => {
      const [p, q] = [[square(a.x, a.y, a.side)], [square(b.x, b.y, b.side)]];
      expect(areaOf(unite(p, q))).toBeCloseTo(areaOf(q) + areaOf(subtract(p, q)), 3);
    }),
    { seed: 11 },
  );
});

test('a point in a hole is outside', () => {
  const ring = clean([square(0, 0, 10), square(3, 3, 4)], 'evenodd');
  expect(contains(ring, { x: 1, y: 1 })).toBe(true);
  expect(contains(ring, { x: 5, y: 5 })).toBe(false);
});

test('crumbs beside an area do not turn its offset inside out', () => {
  const square = [{ x: 0, y: 0 }, { x: 10, y: 0 }, { x: 10, y: 10 }, { x: 0, y: 10 }]; // prettier-ignore
  const crumbs = [0.01, 0.02, 0.05].map((w) => [{ x: 2, y: 12 }, { x: 2 + w, y: 12 + w }, { x: 2.3, y: 12.02 }]); // prettier-ignore
  for (const crumb of [...crumbs, ...crumbs.map((c) => c.slice().reverse())]) {
    expect(areaOf(roughOffset([crumb, square], -1))).toBeCloseTo(64, 0);
    expect(areaOf(roughOffset([square, crumb], 1))).toBeGreaterThan(140);
  }
});
