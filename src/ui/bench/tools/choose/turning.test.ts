import fc from 'fast-check';
import { apply } from '@/core/geometry/path';
import type { Bounds, Point } from '@/core/geometry/point';
import { CORNERS, scaled, shaping, SIDES, TURN, turned } from './turning';

const at = fc.double({ min: -150, max: 150, noNaN: true });
const size = fc.double({ min: 2, max: 200, noNaN: true });
const boxes = fc
  .record({ minX: at, minY: at, w: size, h: size })
  .map(({ minX, minY, w, h }): Bounds => ({ minX, minY, maxX: minX + w, maxY: minY + h }));
const mid = (b: Bounds): Point => ({ x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 });
const corner = (b: Bounds, across: number, down: number): Point => ({
  x: across > 0 ? b.maxX : b.minX,
  y: down > 0 ? b.maxY : b.minY,
});

test('whatever a grip does, the middle stays where it is', () => {
  fc.assert(
    fc.property(boxes, fc.constantFrom(TURN, ...CORNERS, ...SIDES), at, at, fc.boolean(), (b, grip, dx, dy, even) => {
      const m = mid(b);
      const from = { x: m.x + 3, y: m.y - 40 };
      const p = apply(shaping(grip, b, from, { x: from.x + dx, y: from.y + dy }, even).map, m);
      expect(Math.hypot(p.x - m.x, p.y - m.y)).toBeLessThan(1e-6);
    }),
  );
});

test('a corner drawn along its diagonal is followed exactly, and keeps the shape', () => {
  fc.assert(
    fc.property(boxes, fc.constantFrom(...CORNERS), fc.double({ min: 0.5, max: 3, noNaN: true }), (b, grip, k) => {
      const [m, c] = [mid(b), corner(b, grip.across, grip.down)];
      const to = { x: m.x + (c.x - m.x) * k, y: m.y + (c.y - m.y) * k };
      const as = shaping(grip, b, c, to, false);
      const p = apply(as.map, c);
      expect(Math.hypot(p.x - to.x, p.y - to.y)).toBeLessThan(1e-6);
      expect(as.across).toBe(as.down);
    }),
  );
});

test('a side follows the pointer, the other way is left alone', () => {
  const b = { minX: -20, minY: -10, maxX: 20, maxY: 10 };
  const wide = shaping(SIDES[0]!, b, { x: 22, y: 0 }, { x: 32, y: 5 }, false);
  expect([wide.across, wide.down]).toEqual([1.5, 1]);
  expect(apply(wide.map, { x: 20, y: 10 })).toEqual({ x: 30, y: 10 });
});

test('the knob turns as far as the hand went round, by steps of 15 degrees with Shift', () => {
  const b = { minX: 0, minY: 0, maxX: 40, maxY: 20 };
  const [m, top] = [mid(b), { x: 20, y: -10 }];
  fc.assert(
    fc.property(fc.integer({ min: -170, max: 170 }), fc.double({ min: 0.5, max: 4, noNaN: true }), (degrees, reach) => {
      const to = apply(turned(b, degrees).map, top);
      const far = { x: m.x + (to.x - m.x) * reach, y: m.y + (to.y - m.y) * reach };
      expect(shaping(TURN, b, top, far, false).degrees).toBe(degrees);
      const even = shaping(TURN, b, top, far, true).degrees;
      expect(even % 15).toBeCloseTo(0, 12);
      expect(Math.abs(even - degrees)).toBeLessThanOrEqual(7.5);
    }),
  );
});

test('no side gets smaller than a stitch, nor twenty times as large', () => {
  const b = { minX: 0, minY: 0, maxX: 40, maxY: 20 };
  for (const [across, down] of [
    [-3, -3],
    [0, 1],
    [1, 0.0001],
    [90, 90],
  ] as const) {
    const as = scaled(b, across, down);
    expect(Math.min(40 * as.across, 20 * as.down)).toBeGreaterThan(0.24);
    expect(Math.max(as.across, as.down)).toBeLessThanOrEqual(20);
  }
});
