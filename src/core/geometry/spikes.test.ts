import fc from 'fast-check';
import { areaOf, clean, contains, intersect, ringArea, unite } from './area';
import type { Ring } from './point';
import { withoutSpikes } from './spikes';

const at = (...pairs: [number, number][]): Ring => pairs.map(([x, y]) => ({ x, y }));
/** Few places on a small lattice: rings full of repeated points, straight runs and ways back. */
const crooked = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 })), { minLength: 3, maxLength: 12 })
  .map((pairs) => at(...pairs));

test('what runs back over itself goes, wherever in the ring it stands', () => {
  const square = at([0, 0], [4, 0], [4, 4], [0, 4]);
  const spiked = at([0, 0], [4, 0], [9, 0], [7, 0], [4, 0], [4, 4], [0, 4], [0, 9], [0, 6]);
  for (let turn = 0; turn < spiked.length; turn++) {
    const [ring] = withoutSpikes([[...spiked.slice(turn), ...spiked.slice(0, turn)]], 10_000);
    expect(new Set(ring!.map((p) => `${p.x} ${p.y}`))).toEqual(new Set(square.map((p) => `${p.x} ${p.y}`)));
  }
  expect(withoutSpikes([at([0, 0], [5, 5], [2, 2], [8, 8])], 10_000)).toEqual([]);
  expect(withoutSpikes([at([1, 1], [1, 1], [1, 1])], 10_000)).toEqual([]);
});

test('nothing else changes: the area, and what lies in it', () => {
  fc.assert(
    fc.property(crooked, (ring) => {
      const [made = []] = withoutSpikes([ring], 10_000);
      expect(ringArea(made)).toBeCloseTo(ringArea(ring), 9);
      for (let x = 0.1371; x < 4; x += 0.5119)
        for (let y = 0.2914; y < 4; y += 0.5023) expect(contains([made], { x, y })).toBe(contains([ring], { x, y }));
    }),
    { seed: 71, numRuns: 300 },
  );
});

test('outlines over which the clipping library never came to an end are clipped', () => {
  // A triangle with a level spike that has a node on it.
  const spike = at([0, 0], [0, 15], [5, 0], [10, 0], [15, 0]);
  for (const rule of ['evenodd', 'nonzero'] as const) expect(areaOf(clean([spike], rule))).toBeCloseTo(37.5, 6);
  expect(areaOf(unite([spike], [at([0, 0], [1, 0], [1, -4])]))).toBeCloseTo(37.5 + 2, 6);
  expect(areaOf(intersect([spike], [at([-9, 0], [20, 0], [20, 1], [-9, 1])]))).toBeGreaterThan(4);
});

test('any outlines are resolved, however they run over themselves', () => {
  fc.assert(
    fc.property(fc.array(crooked, { minLength: 1, maxLength: 3 }), (rings) => {
      const area = clean(rings, 'evenodd');
      for (let x = 0.1371; x < 4; x += 0.7119)
        for (let y = 0.2914; y < 4; y += 0.7023) expect(contains(area, { x, y })).toBe(contains(rings, { x, y }));
    }),
    { seed: 72, numRuns: 500 },
  );
});
