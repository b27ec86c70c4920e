import fc from 'fast-check';
import { areaOf, clean, intersect, offset, subtract, unite } from '../geometry/area';
import { box, disc, turned } from '../geometry/fixtures';
import type { Area, Point } from '../geometry/point';
import { tucked } from './tucks';

const area = (...rings: Point[][]): Area => unite(...rings.map((r) => clean([r], 'nonzero')));
/** What is seen of an area runs on by this. */
const tuckOf = (own: Area, cover: Area): Area => {
  const visible = subtract(own, cover);
  return subtract(tucked(visible, { visible, cover }), visible);
};
const runs = { seed: 9, numRuns: 60 };

describe('what runs on under a neighbour', () => {
  test('of a column that meets an edge at any angle is as wide as it and straight', () => {
    const cases = fc.record({
      w: fc.double({ min: 1, max: 7, noNaN: true }),
      lean: fc.integer({ min: -40, max: 40 }),
      turn: fc.integer({ min: 0, max: 359 }),
    });
    fc.assert(
      fc.property(cases, ({ w, lean, turn }) => {
        const column = area(turned(turned(box(-30, -w / 2, 60, w), lean), turn));
        const cover = area(turned(box(0, -60, 60, 120), turn));
        const tuck = tuckOf(column, cover);
        // No horn beside the column; one millimetre beyond the farther side of the slanting edge, with a square end.
        expect(areaOf(subtract(tuck, offset(column, 0.05)))).toBeLessThan(0.05);
        const wedge = (w * w * Math.tan((Math.abs(lean) * Math.PI) / 180)) / 2;
        expect(Math.abs(areaOf(tuck) - w - wedge)).toBeLessThan(0.12 * (w + wedge) + 0.1);
      }),
      runs,
    );
  });

  test('of an area beside another laps the whole edge, no farther than its ends', () => {
    const cases = fc.record({
      h: fc.double({ min: 5, max: 40, noNaN: true }),
      turn: fc.integer({ min: 0, max: 359 }),
      gap: fc.constantFrom(0, 0.02, -3),
    });
    fc.assert(
      fc.property(cases, ({ h, turn, gap }) => {
        const own = area(turned(box(-20, -h / 2, 20, h), turn));
        const cover = area(turned(box(gap, -50, 30, 100), turn));
        const tuck = tuckOf(own, cover);
        expect(areaOf(tuck)).toBeGreaterThan(0.93 * h);
        expect(areaOf(tuck)).toBeLessThan(1.1 * h + 0.1);
        expect(areaOf(subtract(tuck, area(turned(box(-20, -h / 2 - 0.05, 40, h + 0.1), turn))))).toBeLessThan(0.05);
      }),
      runs,
    );
  });

  test('round a disc that lies on it, and where a disc bites into it', () => {
    fc.assert(
      fc.property(fc.double({ min: 6, max: 20, noNaN: true }), (r) => {
        const own = area(box(-40, -40, 80, 80));
        const ring = Math.PI * (r * r - (r - 1) ** 2);
        expect(Math.abs(areaOf(tuckOf(own, area(disc(r)))) / ring - 1)).toBeLessThan(0.05);
        expect(Math.abs(areaOf(tuckOf(own, area(disc(r, 40)))) / (ring / 2) - 1)).toBeLessThan(0.15);
      }),
      { seed: 2, numRuns: 20 },
    );
  });

  test('is nothing along the side of a sliver, nor under what is too thin to hide it', () => {
    const own = area(box(-20, 0.3, 40, 0.6));
    expect(areaOf(tuckOf(own, area(box(-40, 0.9, 80, 20))))).toBe(0);
    expect(areaOf(tuckOf(area(box(-20, -10, 20, 20)), area(box(0, -10, 0.5, 20))))).toBe(0);
  });

  test('stays under its cover', () => {
    const cover = area(box(0, -10, 3, 20));
    const own = area(box(-20, -8, 20, 16));
    expect(areaOf(subtract(tuckOf(own, cover), offset(cover, 0.1)))).toBeLessThan(0.01);
    expect(areaOf(intersect(tuckOf(own, cover), cover))).toBeGreaterThan(14);
  });
});
