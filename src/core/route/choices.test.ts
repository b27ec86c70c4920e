import { distance, type Area, type Point } from '../geometry/point';
import { choicesOf, ownChoices } from './choices';
import type { RouteItem } from './item';
import { at, box, item } from './itemFixtures';
import { firstOrder } from './order';
import { preferenceFor } from './policy';
import { jobOf } from '../pieces/fixtures';

const [left, right] = [at(0, 5), at(20, 5)];
const square = box(0, 0, 20, 10);
const field = (over: Partial<RouteItem> = {}): RouteItem =>
  item(square, { rim: square, candidates: [{ start: left, end: right }, { start: right, end: left }], ...over }); // prettier-ignore
/** A piece that begins and ends in one place. */
const dotAt = (p: Point, thread = 't'): RouteItem => item([], { thread, candidates: [{ start: p, end: p }] });
const pairs = (c: ReturnType<typeof ownChoices>): [Point, Point][] => c.options.map((o) => [o.start, o.end]);

describe('own places', () => {
  it('are listed once each, and every pair knows its places', () => {
    const c = ownChoices(field());
    expect(c.starts).toEqual([left, right]);
    expect(c.ends).toEqual([right, left]);
    c.options.forEach((o, i) => {
      expect(c.starts[c.startOf[i]!]).toBe(o.start);
      expect(c.ends[c.endOf[i]!]).toBe(o.end);
    });
  });

  it('give way to pinned ones, and nothing has a place of its own', () => {
    const pin = at(7, 0);
    expect(pairs(ownChoices(field({ pinnedStart: pin })))).toEqual([[pin, right], [pin, left]]); // prettier-ignore
    expect(pairs(ownChoices(field({ pinnedEnd: pin })))).toEqual([[left, pin], [right, pin]]); // prettier-ignore
    expect(pairs(ownChoices(item([])))).toEqual([[at(0), at(0)]]);
  });

  it('are worked out once', () => {
    const one = field();
    expect(ownChoices(one)).toBe(ownChoices(one));
  });
});

describe('places beside neighbours', () => {
  const at3 = (before: RouteItem, one: RouteItem, after: RouteItem, fine = true) => choicesOf([before, one, after], [0, 1, 2], 1, fine);

  it('are on the rim where it comes nearest to where the neighbours end and begin', () => {
    const c = at3(dotAt(at(8, -3)), field(), dotAt(at(12, 14)));
    expect(c.starts).toContainEqual(at(8, 0));
    expect(c.ends).toContainEqual(at(12, 10));
    expect(pairs(c)).toContainEqual([at(8, 0), at(12, 10)]);
    expect(c.starts).not.toContainEqual(at(12, 10));
  });

  it('only when fine, only of the same thread, only within reach', () => {
    const [before, after] = [dotAt(at(8, -3)), dotAt(at(12, 14))];
    const one = field();
    expect(at3(before, one, after, false)).toBe(ownChoices(one));
    expect(at3(dotAt(at(8, -3), 'u'), one, dotAt(at(12, 14), 'u'))).toBe(ownChoices(one));
    expect(at3(dotAt(at(8, -8.9)), one, dotAt(at(99, 99))).starts).toHaveLength(3);
    expect(at3(dotAt(at(8, -9.1)), one, dotAt(at(99, 99)))).toBe(ownChoices(one));
    const without = field({ rim: null });
    expect(at3(before, without, after)).toBe(ownChoices(without));
  });

  it('three of many neighbours’ places are enough: the nearest', () => {
    const many = item([], { candidates: [6, 2, 8, 4, 1].map((d) => ({ start: at(d, -d), end: at(d, -d) })) });
    const { starts } = at3(many, field(), dotAt(at(99, 99)));
    expect(starts.slice(2)).toEqual([at(1, 0), at(2, 0), at(4, 0)]);
  });

  it('a piece does not end where it begins, unless a pin says so', () => {
    const c = at3(dotAt(at(8, -3)), field(), dotAt(at(8.3, -3)));
    expect(pairs(c).every(([start, end]) => distance(start, end) > 0.5)).toBe(true);
    const pinned = at3(dotAt(at(8, -3)), field({ pinnedEnd: at(8, 0) }), dotAt(at(99, 99)));
    expect(pairs(pinned)).toContainEqual([at(8, 0), at(8, 0)]);
    expect(pinned.ends).toEqual([at(8, 0)]);
    expect(at3(dotAt(at(8, -3)), field({ pinnedStart: at(3, 0) }), dotAt(at(9, -3))).starts).toEqual([at(3, 0)]);
  });

  it('inner rims count too', () => {
    const holed: Area = [...square, ...box(8, 4, 4, 2)];
    const { starts } = at3(dotAt(at(10, 5.5)), field({ rim: holed }), dotAt(at(99, 99)));
    expect(starts).toContainEqual(at(10, 6));
  });
});

describe('the first order', () => {
  const painted = (x: number, y: number, side = 8) => box(x, y, side);

  it('begins with the thread that can be finished in one go', () => {
    // One u lies on the t below it, the other t is free: t is finished first, though u comes earlier.
    const items = [
      { thread: 'u', painted: painted(0, 0) },
      { thread: 't', painted: painted(50, 0) },
      { thread: 't', painted: painted(70, 0) },
      { thread: 'u', painted: painted(52, 2, 4) },
    ];
    expect(firstOrder(items)).toEqual([1, 2, 0, 3]);
  });

  it('goes on with the nearest of the same thread', () => {
    const items = [0, 60, 20, 40].map((x) => ({ thread: 't', painted: painted(x, 0) }));
    expect(firstOrder(items)).toEqual([0, 2, 3, 1]);
    const upright = [0, 60, 20, 40].map((y) => ({ thread: 't', painted: painted(0, y) }));
    expect(firstOrder(upright)).toEqual([0, 2, 3, 1]);
  });

  it('pieces of one thread keep their drawn order where one lies on the other', () => {
    const items = [
      { thread: 't', painted: painted(30, 0) },
      { thread: 't', painted: painted(2, 2) },
      { thread: 't', painted: painted(0, 0) },
    ];
    expect(firstOrder(items)).toEqual([0, 1, 2]);
  });

  it('a touch is not lying on one another', () => {
    const items = [
      { thread: 't', painted: painted(0, 0) },
      { thread: 'u', painted: painted(7.995, 0) },
      { thread: 't', painted: painted(20, 0) },
    ];
    expect(firstOrder(items)).toEqual([0, 2, 1]);
    items[1]!.painted = painted(7.99, 0);
    expect(firstOrder(items)).toEqual([0, 2, 1]);
  });
});

describe('where people and caps want pieces to begin', () => {
  const job = (policy: 'cap' | 'stops', areaStart?: 'low' | 'opposite') => {
    const made = jobOf([]);
    return { ...made, settings: { ...made.settings, policy, ...(areaStart ? { areaStart } : {}) } } as typeof made;
  };
  const large = field({ areaMm2: 400 });
  const cost = (of: ReturnType<typeof job>, one: RouteItem, position: number, startY: number, endY: number): number =>
    preferenceFor([one], of).preference!(0, position, { start: at(0, startY), end: at(0, endY) });

  it('low for large areas; high is three seconds worse, in the middle half of it', () => {
    const low = job('stops', 'low');
    expect(cost(low, large, 0, 10, 0)).toBe(0);
    expect(cost(low, large, 1, 0, 10)).toBe(3);
    expect(cost(low, large, 0, 5, 0)).toBe(1.5);
    expect(cost(low, field({ areaMm2: 399 }), 0, 0, 0)).toBe(0);
    expect(cost(low, field({ areaMm2: 400, rim: null }), 0, 0, 0)).toBe(0);
  });

  it('low and high in turn where each is to begin opposite the one before', () => {
    const turns = job('stops', 'opposite');
    expect([0, 1, 2].map((position) => cost(turns, large, position, 10, 0))).toEqual([0, 3, 0]);
    expect([0, 1, 2].map((position) => cost(turns, large, position, 0, 0))).toEqual([3, 0, 3]);
  });

  it('on caps from low to high, by half as much for each', () => {
    const cap = job('cap');
    expect(cost(cap, large, 0, 10, 0)).toBe(0);
    expect(cost(cap, large, 0, 0, 10)).toBe(3);
    expect(cost(cap, large, 0, 10, 10)).toBe(1.5);
    expect(cost(cap, large, 0, 0, 0)).toBe(1.5);
  });

  it('nowhere in particular, else', () => {
    expect(preferenceFor([large], job('stops'))).toEqual({});
  });
});
