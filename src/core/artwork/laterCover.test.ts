import fc from 'fast-check';
import { areaOf, clean, cropped, intersect, subtract, unite } from '../geometry/area';
import { boundsOf, type Area } from '../geometry/point';
import { Cover } from './laterCover';
import type { PlacedItem } from './place';

const HEXES = ['#111111', '#222222', '#333333'];
const shape = fc.record({
  x: fc.integer({ min: 0, max: 60 }),
  y: fc.integer({ min: 0, max: 60 }),
  w: fc.integer({ min: 2, max: 25 }),
  h: fc.integer({ min: 2, max: 25 }),
  hex: fc.constantFrom(...HEXES),
  opaque: fc.boolean(),
  stroke: fc.boolean(),
});

const placed = (s: { x: number; y: number; w: number; h: number; hex: string; opaque: boolean; stroke: boolean }): PlacedItem => ({
  name: '',
  hex: s.hex,
  opaque: s.opaque,
  alpha: s.opaque ? 1 : 0.5,
  element: 0,
  // An octagon, so that edges lie askew too.
  area: clean(
    [
      [
        [2, 0],
        [s.w, 0],
        [s.w + 2, 3],
        [s.w, s.h],
        [2, s.h + 2],
        [0, 3],
      ].map(([dx, dy]) => ({ x: s.x + dx!, y: s.y + dy! })),
    ],
    'nonzero',
  ),
  path: [],
  rule: 'nonzero',
  clipped: true,
  ...(s.stroke ? { stroke: { lines: [], widthMm: 1, cap: 'butt' as const, join: 'miter' as const } } : {}),
});

test('what covers an item is what all later opaque ones unite to, but for a stroke’s own colour', () => {
  fc.assert(
    fc.property(fc.array(shape, { minLength: 1, maxLength: 24 }), shape, (later, first) => {
      const item = placed(first);
      const above = later.map(placed);
      const cover = new Cover();
      for (const a of [...above].reverse()) cover.add(a);
      const box = boundsOf(item.area);
      const own: Area = cropped(cover.over(item), box, 0);
      const hiding = above.filter((a) => a.opaque && !(item.stroke && a.hex === item.hex));
      const direct = cropped(unite(...hiding.map((a) => a.area)), box, 0);
      const apart = areaOf(subtract(own, direct)) + areaOf(subtract(direct, own)) * (direct.length > 0 ? 1 : 0);
      expect(own.length === 0 ? areaOf(direct) : apart).toBeLessThan(0.5);
      expect(Math.abs(areaOf(intersect(own, item.area)) - areaOf(intersect(direct, item.area)))).toBeLessThan(0.5);
    }),
    { numRuns: 150, seed: 2, endOnFailure: true },
  );
});
