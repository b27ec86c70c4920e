import fc from 'fast-check';
import { areaOf, clean, components, intersect, subtract, unite } from '../../geometry/area';
import { box, disc, polar, turned } from '../../geometry/fixtures';
import { medialAxis } from '../../geometry/medial';
import type { Area, Point } from '../../geometry/point';
import { divide } from './divide';

const LIMIT = 9;
const shape = (...rings: Point[][]): Area => unite(...rings.map((r) => clean([r], 'nonzero')));
const taken = (area: Area) => divide(area, medialAxis(area), LIMIT);

const angle = fc.integer({ min: 0, max: 89 });
const runs = { seed: 11, numRuns: 40 };

/** Bars that stick out of something broad, all alike. */
const expectLimbs = (area: Area, count: number, mm2: number): void => {
  const parts = taken(area);
  expect(parts?.limbs).toHaveLength(count);
  expect(parts!.bodies).toHaveLength(1);
  for (const limb of parts!.limbs) expect(Math.abs(areaOf(limb) - mm2)).toBeLessThan(0.12 * mm2);
};

describe('an area is taken apart into limbs and bodies', () => {
  test('the stem of a disc, turned any way', () => {
    const cases = fc.record({
      r: fc.double({ min: 9, max: 20, noNaN: true }),
      w: fc.double({ min: 1.5, max: 7, noNaN: true }),
      deg: angle,
    });
    fc.assert(
      fc.property(cases, ({ r, w, deg }) => {
        const length = 4 * w;
        const mouth = Math.sqrt(r * r - (w * w) / 4);
        const area = shape(disc(r), turned(box(0, -w / 2, mouth + length, w), deg));
        // One millimetre of tuck belongs to the limb.
        expectLimbs(area, 1, w * (length + 1));
      }),
      runs,
    );
  });

  test('the teeth of a comb, those at its ends too', () => {
    const cases = fc.record({ teeth: fc.integer({ min: 2, max: 7 }), w: fc.double({ min: 1.5, max: 5, noNaN: true }), deg: angle });
    fc.assert(
      fc.property(cases, ({ teeth, w, deg }) => {
        const length = 5 * w;
        const rings = Array.from({ length: teeth }, (_, i) => box(i * 2.5 * w, 0, w, length));
        const back = box(0, -14, (teeth - 1) * 2.5 * w + w, 14.001);
        if (back[1]!.x < 12) return;
        expectLimbs(shape(...[...rings, back].map((r) => turned(r, deg))), teeth, w * (length + 1));
      }),
      runs,
    );
  });

  test('the arms of a star with a middle that they cannot share', () => {
    const cases = fc.record({ arms: fc.integer({ min: 5, max: 9 }), inner: fc.double({ min: 5, max: 7, noNaN: true }), deg: angle });
    fc.assert(
      fc.property(cases, ({ arms, inner, deg }) => {
        const neck = 2 * inner * Math.sin(Math.PI / arms);
        const outer = inner * Math.cos(Math.PI / arms) + 2.2 * neck;
        const ring = Array.from({ length: 2 * arms }, (_, i) => polar(i % 2 ? inner : outer, deg + (180 * i) / arms));
        const parts = taken(shape(ring));
        expect(parts?.limbs).toHaveLength(arms);
        expect(parts!.bodies).toHaveLength(1);
        const middle = 0.5 * arms * inner * inner * Math.sin((2 * Math.PI) / arms);
        expect(Math.abs(areaOf(parts!.bodies[0]!) / middle - 1)).toBeLessThan(0.12);
      }),
      runs,
    );
  });

  test('the spokes between the hub and the broad rim of a wheel', () => {
    fc.assert(
      fc.property(fc.record({ spokes: fc.integer({ min: 3, max: 8 }), deg: angle }), ({ spokes, deg }) => {
        const rim = subtract([disc(40)], [disc(28)]);
        const bars = Array.from({ length: spokes }, (_, i) => turned(box(0, -1.5, 30, 3), deg + (360 * i) / spokes));
        const parts = taken(unite(rim, shape(disc(9), ...bars)));
        expect(parts?.limbs).toHaveLength(spokes);
        expect(parts!.bodies).toHaveLength(2);
      }),
      { seed: 3, numRuns: 15 },
    );
  });

  test('where bars of one width cross or meet nothing is a body', () => {
    const cases = fc.record({
      w: fc.double({ min: 1.5, max: 8, noNaN: true }),
      arms: fc.constantFrom([0, 90, 180, 270], [0, 90, 180]),
      deg: angle,
    });
    fc.assert(
      fc.property(cases, ({ w, arms, deg }) => {
        expect(taken(shape(...arms.map((a) => turned(box(-w / 2, -w / 2, 6 * w, w), a + deg))))).toBeNull();
      }),
      runs,
    );
  });

  test('what tapers, bulges or has mere corners stays whole', () => {
    const wholes: Area[] = [
      shape(box(0, 0, 40, 25)),
      shape(box(0, 0, 60, 6)),
      shape(disc(15)),
      shape(disc(3)),
      shape([polar(20, 0), polar(20, 120), polar(20, 240)]),
      shape([{ x: 0, y: -22 }, { x: 60, y: 0 }, { x: 0, y: 22 }]), // prettier-ignore
      // A carrot, and an egg of two discs.
      shape([{ x: 0, y: -10 }, { x: 70, y: 0 }, { x: 0, y: 10 }]), // prettier-ignore
      shape(disc(12), disc(9, 8)),
      // A step that is wider than long.
      shape(box(0, 0, 30, 20), box(5, 19, 8, 6)),
    ];
    for (const area of wholes) expect(taken(area)).toBeNull();
  });

  test('parts cover the whole, and overlap by the tuck only', () => {
    const cases = fc.record({ w: fc.double({ min: 1.5, max: 6, noNaN: true }), lean: fc.integer({ min: -35, max: 35 }), deg: angle });
    fc.assert(
      fc.property(cases, ({ w, lean, deg }) => {
        const area = shape(turned(box(-20, -12, 40, 24), deg), turned(box(0, -w / 2, 24 + 5 * w, w), deg + 90 + lean));
        const parts = taken(area)!;
        const all = [...parts.limbs, ...parts.bodies];
        expect(areaOf(subtract(area, unite(...all)))).toBeLessThan(0.05);
        expect(areaOf(subtract(unite(...all), area))).toBeLessThan(0.05);
        const [limb, body] = [parts.limbs[0]!, parts.bodies[0]!];
        expect(components(limb)).toHaveLength(1);
        const tuck = areaOf(intersect(limb, body));
        expect(tuck).toBeGreaterThan(0.7 * w);
        expect(tuck).toBeLessThan(1.5 * w);
      }),
      runs,
    );
  });
});
