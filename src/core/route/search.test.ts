import fc from 'fast-check';
import { allows, constraintsOf, type Constraints } from './constraints';
import { CoverGrid } from './coverGrid';
import { EXACT_PIECES, optimalOrder } from './exact';
import type { RouteItem } from './item';
import { at, box, item, NONE } from './itemFixtures';
import { objectiveOf, type Objective } from './objectives';
import { budgetOf, searchOrder } from './search';
import { paceAt } from './seconds';
import { evaluate, type EvaluateOptions } from './startsAndEnds';

const pace = paceAt(750);
const plain: EvaluateOptions = { pace, clean: false, fine: false };
const NO_AIM = objectiveOf('stops', []);

const MADE = fc.record({
  x: fc.integer({ min: 0, max: 12 }),
  y: fc.integer({ min: 0, max: 3 }),
  w: fc.constantFrom(1, 2, 2, 6),
  thread: fc.constantFrom('a', 'a', 'b'),
});
/** Blocks on a raster of 2.5 mm, begun at either side: some touch, some lie on others, some lie under what comes later. */
const itemsOf = (made: readonly { x: number; y: number; w: number; thread: string }[]): RouteItem[] =>
  made.map(({ x, y, w, thread }) => {
    const area = box(x * 2.5, y * 2.5, w * 2.4, 2.4);
    const [left, right] = [at(x * 2.5, y * 2.5 + 1.2), at(x * 2.5 + w * 2.4, y * 2.5 + 1.2)];
    return item(area, { thread, candidates: [{ start: left, end: right }, { start: right, end: left }, { start: left, end: left }] }); // prettier-ignore
  });

function* orders(n: number, so: number[] = []): Generator<number[]> {
  if (so.length === n) yield so;
  for (let i = 0; i < n; i++) if (!so.includes(i)) yield* orders(n, [...so, i]);
}
const given = (items: readonly RouteItem[]): number[] => items.map((_, i) => i);
/** The least that any allowed order costs, each judged by itself. */
function leastOf(items: readonly RouteItem[], constraints: Constraints, options: EvaluateOptions, aim: Objective): number {
  const ground = new CoverGrid(items);
  let least = Infinity;
  for (const order of orders(items.length))
    if (allows(constraints, order)) least = Math.min(least, evaluate(ground, items, order, options).seconds + aim.penalty(order));
  return least;
}
const costOf = (items: readonly RouteItem[], order: readonly number[], options: EvaluateOptions, aim: Objective): number =>
  evaluate(new CoverGrid(items), items, order, options).seconds + aim.penalty(order);

describe('the exact order', () => {
  it('costs what the best of all allowed orders costs', () => {
    fc.assert(
      fc.property(fc.array(MADE, { minLength: 1, maxLength: 5 }), (made) => {
        const items = itemsOf(made);
        const constraints = constraintsOf(items);
        const found = optimalOrder(items, constraints, plain);
        expect(found.order.slice().sort((a, b) => a - b)).toEqual(given(items));
        expect(allows(constraints, found.order)).toBe(true);
        expect(found.seconds).toBeCloseTo(leastOf(items, constraints, plain, NO_AIM), 6);
        expect(costOf(items, found.order, plain, NO_AIM)).toBeCloseTo(found.seconds, 6);
      }),
      { seed: 31, numRuns: 60 },
    );
  });

  it('knows where a piece would rather begin', () => {
    fc.assert(
      fc.property(fc.array(MADE, { minLength: 2, maxLength: 4 }), fc.integer({ min: 0, max: 9 }), (made, wish) => {
        const items = itemsOf(made);
        const preference = (i: number, position: number, { start }: { start: { x: number } }): number =>
          ((i + wish) % 3) * 0.7 + (position % 2) * 0.3 + (start.x > 10 ? 1.5 : 0);
        const options = { ...plain, preference };
        const constraints = constraintsOf(items);
        const found = optimalOrder(items, constraints, options);
        expect(found.seconds).toBeCloseTo(leastOf(items, constraints, options, NO_AIM), 6);
      }),
      { seed: 32, numRuns: 30 },
    );
  });
});

const AIM = fc.constantFrom('registration' as const, 'stops' as const, 'cap' as const, 'sections' as const);
const search = (items: readonly RouteItem[], policy: Parameters<typeof objectiveOf>[0], evaluateBy = plain) => {
  const [constraints, aim, told] = [constraintsOf(items), objectiveOf(policy, items), [] as number[]];
  const order = searchOrder(items, { evaluate: evaluateBy, aim, constraints, progress: (done) => told.push(done) });
  return { constraints, aim, order, told };
};

describe('the order that is found', () => {
  it('of a few pieces is the best there is, whatever the aim', () => {
    fc.assert(
      fc.property(fc.array(MADE, { minLength: 2, maxLength: 5 }), AIM, (made, policy) => {
        const items = itemsOf(made);
        const { constraints, aim, order } = search(items, policy);
        expect(allows(constraints, order)).toBe(true);
        expect(costOf(items, order, plain, aim)).toBeCloseTo(leastOf(items, constraints, plain, aim), 6);
      }),
      { seed: 33, numRuns: 25 },
    );
  });

  it('of more pieces is allowed, never worse than the given one, and tells how far it is', () => {
    fc.assert(
      fc.property(fc.array(MADE, { minLength: EXACT_PIECES + 1, maxLength: 13 }), AIM, fc.boolean(), (made, policy, fine) => {
        const items = itemsOf(made).map((i, k) => (k % 4 === 0 ? { ...i, rim: box(i.box.minX, i.box.minY, 5, 2.4) } : i));
        const by = { ...plain, fine };
        const { constraints, aim, order, told } = search(items, policy, by);
        expect(order.slice().sort((a, b) => a - b)).toEqual(given(items));
        expect(allows(constraints, order)).toBe(true);
        expect(costOf(items, order, by, aim)).toBeLessThanOrEqual(costOf(items, given(items), by, aim) + 1e-6);
        expect(told.every((v, k) => v >= 0 && v <= 1 && (k === 0 || v >= told[k - 1]! - 1e-9))).toBe(true);
        expect(told[told.length - 1]).toBe(0.95);
      }),
      { seed: 34, numRuns: 3 },
    );
  });

  it('keeps the given order where nothing is better', () => {
    // Nothing hides anything, so that the row costs the same from either end.
    const row = itemsOf(Array.from({ length: 6 }, (_, x) => ({ x, y: 0, w: 1, thread: 'a' }))).map((i) => ({ ...i, hides: NONE }));
    expect(search(row, 'stops').order).toEqual([0, 1, 2, 3, 4, 5]);
    expect(search(row.slice(0, 1), 'stops').order).toEqual([0]);
    expect(search([], 'stops').order).toEqual([]);
  });

  it('of a long row shuffled is the row again, from either end, and cut once', () => {
    const columns = [7, 2, 11, 0, 9, 4, 13, 5, 1, 12, 3, 8, 10, 6];
    const items = itemsOf(columns.map((x) => ({ x, y: 0, w: 1, thread: 'a' })));
    const { order } = search(items, 'stops');
    const walked = order.map((i) => columns[i]!);
    const ahead = [...columns].sort((a, b) => a - b);
    expect([ahead, ahead.slice().reverse()]).toContainEqual(walked);
    expect(evaluate(new CoverGrid(items), items, order, plain).trims).toBe(1);
  });

  it('of two threads in turn changes the thread once', () => {
    const items = itemsOf(Array.from({ length: 12 }, (_, i) => ({ x: i % 6, y: 2 * (i % 2), w: 1, thread: i % 2 ? 'a' : 'b' })));
    const { order } = search(items, 'stops');
    expect(evaluate(new CoverGrid(items), items, order, plain).changes).toBe(1);
  });

  it('is judged more often where judging is cheap', () => {
    expect([2, 10].map(budgetOf)).toEqual([800, 800]);
    expect(budgetOf(11)).toBeGreaterThan(500);
    expect(budgetOf(11)).toBeLessThan(600);
    expect(budgetOf(100)).toBe(60);
    expect(budgetOf(1000)).toBe(20);
  });

  it('is given up when whoever waits for it gives up', () => {
    const items = itemsOf(Array.from({ length: 12 }, (_, i) => ({ x: (5 * i) % 12, y: 0, w: 1, thread: 'a' })));
    const giveUp = (done: number): void => {
      if (done > 0.3) throw new Error('given up');
    };
    expect(() => searchOrder(items, { evaluate: plain, aim: NO_AIM, constraints: constraintsOf(items), progress: giveUp })).toThrow(
      'given up',
    );
  });
});
