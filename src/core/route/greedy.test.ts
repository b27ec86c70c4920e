import fc from 'fast-check';
import { allows, constraintsOf, type Constraints } from './constraints';
import { greedy } from './greedy';
import type { RouteItem } from './item';
import { box, item } from './itemFixtures';
import { objectiveOf, type Objective } from './objectives';

const NO_AIM = objectiveOf('stops', []);
const FREE = (n: number): Constraints => ({ before: Array.from({ length: n }, () => []), forces: () => false });
const blocks = (...places: [x: number, thread: string][]): RouteItem[] => places.map(([x, thread]) => item(box(x, 0, 4, 2), { thread }));
const first = (items: readonly RouteItem[], over: Partial<Parameters<typeof greedy>[1]> = {}): number[] =>
  greedy(items, { aim: NO_AIM, constraints: FREE(items.length), byThread: true, ...over });

describe('a first order', () => {
  it('begins with the first and goes on to the nearest', () => {
    expect(first(blocks([0, 'a'], [60, 'a'], [20, 'a'], [40, 'a']))).toEqual([0, 2, 3, 1]);
    expect(first([])).toEqual([]);
  });

  it('stays with a thread, or does not', () => {
    const items = blocks([0, 'a'], [10, 'b'], [20, 'a'], [30, 'b']);
    expect(first(items)).toEqual([0, 2, 1, 3]);
    expect(first(items, { byThread: false })).toEqual([0, 1, 2, 3]);
  });

  it('goes on with the thread of which most may be sewn, even if a little farther', () => {
    // After the only piece of a, both others are some millimetres away; of b three are ready, of c one.
    const items = blocks([0, 'a'], [13, 'b'], [-12, 'c'], [17, 'b'], [21, 'b']);
    expect(first(items)).toEqual([0, 1, 3, 4, 2]);
    // Those that must wait do not count.
    const wait: Constraints = { before: [[], [], [], [2], [2]], forces: () => false };
    expect(first(items, { constraints: wait })).toEqual([0, 2, 1, 3, 4]);
  });

  it('takes followers before all others, whatever their thread, and a smaller key before a nearer piece of the same thread', () => {
    const items = blocks([0, 'a'], [10, 'a'], [90, 'b']);
    const followed: Objective = { ...NO_AIM, followers: (i) => (i === 0 ? [2] : []) };
    expect(first(items, { aim: followed })).toEqual([0, 2, 1]);
    const keyed: Objective = { ...NO_AIM, key: (i) => [2, 1, 0][i]! };
    expect(first(items, { aim: keyed, byThread: false })).toEqual([2, 1, 0]);
    expect(first(items, { aim: keyed, byThread: true })).toEqual([2, 1, 0]);
    expect(first(blocks([0, 'b'], [10, 'a'], [90, 'b']), { aim: keyed, byThread: true })).toEqual([2, 0, 1]);
  });

  it('holds every piece once and keeps what must come before what', () => {
    const MADE = fc.record({
      x: fc.integer({ min: 0, max: 30 }),
      w: fc.integer({ min: 2, max: 20 }),
      thread: fc.constantFrom('a', 'b', 'c'),
    });
    fc.assert(
      fc.property(fc.array(MADE, { minLength: 1, maxLength: 9 }), fc.boolean(), (made, byThread) => {
        const items = made.map(({ x, w, thread }) => item(box(x, 0, w, 2), { thread }));
        const constraints = constraintsOf(items);
        const order = greedy(items, { aim: NO_AIM, constraints, byThread });
        expect(order.slice().sort((a, b) => a - b)).toEqual(items.map((_, i) => i));
        expect(allows(constraints, order)).toBe(true);
      }),
      { seed: 71, numRuns: 100 },
    );
  });
});
