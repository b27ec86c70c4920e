import fc from 'fast-check';
import { labelPlaces } from './labelPlaces';

const POINTS = fc.array(fc.record({ x: fc.double({ min: -50, max: 50, noNaN: true }), y: fc.double({ min: -50, max: 50, noNaN: true }) }), {
  maxLength: 80,
});

test('labels never cover each other, whatever they name', () => {
  fc.assert(
    fc.property(POINTS, fc.double({ min: 0.5, max: 20, noNaN: true }), (anchors, size) => {
      const places = labelPlaces(anchors, size);
      expect(places).toHaveLength(anchors.length);
      places.forEach((p, i) => places.slice(i + 1).forEach((q) => expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeGreaterThanOrEqual(size)));
    }),
    { seed: 5, numRuns: 60 },
  );
});

test('a label with room about it stands where it belongs; of two in one place the second gives way a little', () => {
  const far = [0, 30, 60].map((x) => ({ x, y: 0 }));
  expect(labelPlaces(far, 18)).toEqual(far);
  const [first, second] = labelPlaces([far[0]!, far[0]!], 18);
  expect(first).toEqual(far[0]);
  expect(Math.hypot(second!.x, second!.y)).toBeLessThanOrEqual(2 * 18);
});

test('hundreds in one place find room', () => {
  const places = labelPlaces(
    Array.from({ length: 300 }, () => ({ x: 1, y: 2 })),
    10,
  );
  expect(Math.max(...places.map((p) => Math.hypot(p.x - 1, p.y - 2)))).toBeLessThan(200);
});

test('what is to be reached by hand is not covered', () => {
  fc.assert(
    fc.property(POINTS, POINTS, (anchors, grips) => {
      for (const p of labelPlaces(anchors, 6, grips))
        for (const g of grips) expect(Math.hypot(p.x - g.x, p.y - g.y)).toBeGreaterThanOrEqual(6);
    }),
    { seed: 6, numRuns: 40 },
  );
});
