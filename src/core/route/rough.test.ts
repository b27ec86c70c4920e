import fc from 'fast-check';
import type { RouteItem } from './item';
import { at, box, item, NONE } from './itemFixtures';
import { boxGap, roughCost } from './rough';
import { paceAt } from './seconds';

const pace = paceAt(600);
/** A block that is sewn from its left to its right, 2 mm high. */
const block = (x: number, w: number, over: Partial<RouteItem> = {}): RouteItem =>
  item(box(x, 0, w, 2), { candidates: [{ start: at(x, 1), end: at(x + w, 1) }], ...over });

describe('the gap between two boxes', () => {
  it('is the distance of their nearest points', () => {
    const side = fc.integer({ min: 1, max: 9 });
    const place = fc.tuple(fc.integer({ min: -20, max: 20 }), fc.integer({ min: -20, max: 20 }), side, side);
    fc.assert(
      fc.property(place, place, (a, b) => {
        const [p, q] = [a, b].map(([x, y, w, h]) => item(box(x, y, w, h)));
        let least = Infinity;
        // Boxes on whole millimetres: their nearest points are too.
        for (let x = a[0]; x <= a[0] + a[2]; x++)
          for (let y = a[1]; y <= a[1] + a[3]; y++)
            for (let u = b[0]; u <= b[0] + b[2]; u++)
              for (let v = b[1]; v <= b[1] + b[3]; v++) least = Math.min(least, Math.hypot(x - u, y - v));
        expect(boxGap(p!, q!)).toBeCloseTo(least, 9);
      }),
      { seed: 61, numRuns: 60 },
    );
  });
});

describe('what an order costs, roughly', () => {
  const cost = (items: readonly RouteItem[], order = items.map((_, i) => i)): number => roughCost(items, pace)(order);

  it('is nothing for one piece', () => {
    expect(cost([block(0, 4)])).toBe(0);
  });

  it('of touching pieces is the way between them; of pieces apart a cut and a little for the way', () => {
    expect(cost([block(0, 4), block(4.5, 4)])).toBeCloseTo(0.5 * pace.mm, 6);
    expect(cost([block(0, 4), block(24, 4)])).toBeCloseTo(pace.trim + 0.2, 6);
    expect(cost([block(0, 4), block(404, 4)])).toBeCloseTo(pace.trim + 1, 6);
    // The other way round the needle has the length of both to go.
    expect(cost([block(0, 4), block(24, 4)], [1, 0])).toBeCloseTo(pace.trim + 0.28, 6);
  });

  it('of another thread is a change and a cut, however near', () => {
    expect(cost([block(0, 4), block(4, 4, { thread: 'u' })])).toBeCloseTo(pace.change + pace.trim, 9);
  });

  it('takes the nearest of the ends and starts that are offered', () => {
    const either = (x: number): RouteItem => ({ ...block(x, 4), candidates: [{ start: at(x + 4, 1), end: at(x, 1) }, { start: at(x, 1), end: at(x + 4, 1) }] }); // prettier-ignore
    expect(cost([either(0), either(24)], [1, 0])).toBeCloseTo(pace.trim + 0.2, 6);
  });

  it('from or to anywhere on a rim is the gap of the boxes and half a millimetre', () => {
    const rim = box(24, 0, 4, 2);
    // From the end of one to the start of the other it would be 28 mm.
    expect(cost([block(24, 4, { rim }), block(0, 4)])).toBeCloseTo(pace.trim + 0.205, 6);
    expect(cost([block(24, 4), block(0, 4, { rim: box(0, 0, 4, 2) })])).toBeCloseTo(pace.trim + 0.205, 6);
    expect(cost([block(0, 4), block(24, 4, { rim })])).toBeCloseTo(pace.trim + 0.2, 6);
    expect(cost([block(0, 4), block(4.25, 4, { rim, candidates: [{ start: at(30, 1), end: at(30, 1) }] })])).toBeCloseTo(0.75 * pace.mm, 6);
    expect(cost([block(0, 4), block(4.25, 4, { rim })])).toBeCloseTo(0.25 * pace.mm, 6);
  });

  it('is a way without a cut when what comes next hides it, or something later lies over both', () => {
    const [left, right] = [block(0, 4), block(24, 4)];
    const over = item(box(-5, 0, 40, 2), { candidates: [{ start: at(0, 1), end: at(0, 1) }] });
    const way = 20 * pace.mm;
    expect(cost([left, right, over])).toBeCloseTo(way + 28 * pace.mm, 6);
    // Sewn before, it hides nothing.
    expect(cost([left, right, over], [2, 0, 1])).toBeCloseTo(0 + pace.trim + 0.2, 6);
    // What comes next hides the way to it.
    expect(cost([left, right, over], [0, 2, 1])).toBeCloseTo(4 * pace.mm + 24 * pace.mm, 6);
    const open = { ...over, hides: NONE };
    expect(cost([left, right, open])).toBeCloseTo(2 * pace.trim + 0.2 + 0.28, 6);
    // Over only one of them it joins nothing.
    const half = item(box(-5, 0, 10, 2), { candidates: [{ start: at(28, 1), end: at(28, 1) }] });
    expect(cost([left, right, half])).toBeCloseTo(pace.trim + 0.2, 6);
  });

  it('of an order is the sum of its steps, and the same when asked again', () => {
    const items = [block(0, 4), block(4, 4), block(30, 4), block(34, 4, { thread: 'u' })];
    const asked = roughCost(items, pace);
    const steps = 0 + (pace.trim + 0.22) + (pace.change + pace.trim);
    expect(asked([0, 1, 2, 3])).toBeCloseTo(steps, 6);
    expect(asked([3, 2, 1, 0])).toBeGreaterThan(steps);
    expect(asked([0, 1, 2, 3])).toBeCloseTo(steps, 6);
  });
});
