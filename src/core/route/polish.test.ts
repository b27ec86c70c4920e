import { at, box, item } from './itemFixtures';
import { byClusters, clustersOf, runsOf } from './clusters';
import { constraintsOf } from './constraints';
import { CoverGrid } from './coverGrid';
import { optimalStretches } from './exact';
import type { RouteItem } from './item';
import { polish, stretchesFor, stretchesOf } from './polish';
import { evaluate, type EvaluateOptions } from './startsAndEnds';
import { random } from '../units/random';

const OPTIONS: EvaluateOptions = { pace: { stitch: 0.08, mm: 0.03, trim: 6, change: 10 }, clean: false, fine: false };

/** A piece that may be sewn from either of its narrow ends to the other. */
function bar(x: number, y: number, w: number, h: number, thread = 't'): RouteItem {
  const [a, b] = w > h ? [at(x, y + h / 2), at(x + w, y + h / 2)] : [at(x + w / 2, y), at(x + w / 2, y + h)];
  const candidates = [
    { start: a, end: b },
    { start: b, end: a },
  ];
  return item(box(x, y, w, h), { thread, candidates, column: true });
}

function jobOf(n: number, next: () => number): RouteItem[] {
  return Array.from({ length: n }, () => {
    const [x, y, long] = [Math.round(40 * next()), Math.round(30 * next()), 4 + Math.round(8 * next())];
    const thread = next() < 0.75 ? 't' : 'u';
    return next() < 0.5 ? bar(x, y, long, 2, thread) : bar(x, y, 2, long, thread);
  });
}
const given = (items: readonly RouteItem[]): number[] => items.map((_, i) => i);
function* permutations(list: readonly number[]): Generator<number[]> {
  if (list.length < 2) yield list.slice();
  for (const i of list) for (const rest of permutations(list.filter((j) => j !== i))) yield [i, ...rest];
}
const keeps = (order: readonly number[], { before }: ReturnType<typeof constraintsOf>): boolean =>
  order.every((i, k) => before[i]!.every((j) => order.indexOf(j) < k));

describe('a stretch of an order', () => {
  it('is put in the best order of all, what is around it left as it is', () => {
    const next = random(12);
    for (let run = 0; run < 25; run++) {
      const items = jobOf(7, next);
      const constraints = constraintsOf(items);
      const ground = new CoverGrid(items);
      const from = Math.floor(3 * next());
      const order = given(items);
      const stretch = { before: order.slice(0, from), pieces: order.slice(from, from + 4), after: order.slice(from + 4) };
      let best = Infinity;
      for (const pieces of permutations(stretch.pieces)) {
        const whole = [...stretch.before, ...pieces, ...stretch.after];
        if (keeps(whole, constraints)) best = Math.min(best, evaluate(ground, items, whole, OPTIONS).seconds);
      }
      const { orders: found, asIs } = optimalStretches(ground, items, stretch, constraints, OPTIONS);
      if (from === 0) expect(asIs + OPTIONS.pace.trim).toBeCloseTo(evaluate(ground, items, order, OPTIONS).seconds, 6);
      const costs = found.map(({ pieces }) => {
        const whole = [...stretch.before, ...pieces, ...stretch.after];
        expect(keeps(whole, constraints)).toBe(true);
        return evaluate(ground, items, whole, OPTIONS).seconds;
      });
      expect(Math.min(...costs)).toBeCloseTo(best, 6);
      // Without anything before it the first is the best.
      if (from === 0) expect(costs[0]).toBeCloseTo(best, 6);
    }
  });
});

describe('a polished order', () => {
  it('is never worse, keeps what lies on what, and no two neighbours of one thread are better the other way round', () => {
    const next = random(5);
    for (let run = 0; run < 20; run++) {
      const items = jobOf(8, next);
      const constraints = constraintsOf(items);
      const ground = new CoverGrid(items);
      const judge = (order: readonly number[]): number => evaluate(ground, items, order, OPTIONS).seconds;
      const order = polish(ground, items, given(items), judge, {
        clusters: clustersOf(items),
        constraints,
        evaluate: OPTIONS,
        progress: () => undefined,
      });
      expect(order.slice().sort((a, b) => a - b)).toEqual(given(items));
      expect(keeps(order, constraints)).toBe(true);
      expect(judge(order)).toBeLessThanOrEqual(judge(given(items)) + 1e-9);
      order.slice(1).forEach((i, k) => {
        const swapped = order.slice();
        [swapped[k], swapped[k + 1]] = [i, order[k]!];
        if (items[i]!.thread === items[order[k]!]!.thread && keeps(swapped, constraints)) {
          expect(judge(swapped)).toBeGreaterThanOrEqual(judge(order) - 1e-6);
        }
      });
    }
  });

  it('tells how far it is and is given up when whoever waits gives up', () => {
    const items = jobOf(10, random(3));
    const told: number[] = [];
    const run = (progress: (done: number) => void): unknown =>
      polish(new CoverGrid(items), items, given(items), () => 1, {
        clusters: clustersOf(items),
        constraints: constraintsOf(items),
        evaluate: OPTIONS,
        progress,
      });
    run((done) => told.push(done));
    expect(told.length).toBeGreaterThan(2);
    told.forEach((d, i) => expect(d).toBeGreaterThanOrEqual(i === 0 ? 0 : told[i - 1]!));
    expect(told.at(-1)).toBeLessThanOrEqual(1);
    const stop = (): never => {
      throw new Error('given up');
    };
    expect(() => run(stop)).toThrow('given up');
  });
});

describe('the stretches that are tried', () => {
  const one = (n: number, thread = 't'): string[] => Array.from({ length: n }, () => thread);
  const upTo = (n: number): number[] => Array.from({ length: n }, (_, i) => i);

  it('are runs of what hangs together that can be ordered exactly, and windows over each thread', () => {
    // Clusters of 3, 1 and 2 pieces, all of one thread.
    expect(stretchesOf(one(6), upTo(6), [0, 0, 0, 3, 4, 4])).toEqual([[0, 3], [4, 6], [0, 5], [2, 6], [4, 6]]); // prettier-ignore
    // Nine that hang together are too many; eight are not.
    expect(
      stretchesOf(
        one(9),
        upTo(9),
        upTo(9).map(() => 0),
      ),
    ).not.toContainEqual([0, 9]);
    expect(
      stretchesOf(
        one(8),
        upTo(8),
        upTo(8).map(() => 0),
      )[0],
    ).toEqual([0, 8]);
  });

  it('never reach from thread to thread, and follow the order', () => {
    const threads = ['a', 'b', 'a', 'b', 'a', 'a'];
    const order = [1, 3, 0, 2, 4, 5];
    expect(stretchesOf(threads, order, upTo(6))).toEqual([[0, 2], [2, 6], [4, 6]]); // prettier-ignore
    expect(stretchesOf(threads, upTo(6), upTo(6))).toEqual([[4, 6]]);
    // Clusters are looked for in the order, not by number.
    expect(stretchesOf(threads, order, [7, 1, 7, 1, 4, 5])).toEqual([[0, 2], [2, 4], [0, 2], [2, 6], [4, 6]]); // prettier-ignore
    expect(stretchesOf(['a'], [0], [0])).toEqual([]);
  });

  it('are fewer where an order takes longer to judge', () => {
    expect(stretchesFor(2)).toBe(120);
    expect(stretchesFor(100)).toBeGreaterThan(10);
    expect(stretchesFor(100)).toBeLessThan(30);
    expect(stretchesFor(300)).toBeLessThan(stretchesFor(100));
    expect(stretchesFor(300)).toBeGreaterThan(0);
  });
});

describe('polishing', () => {
  const options = (items: RouteItem[], told: number[] = []) => ({
    clusters: clustersOf(items),
    constraints: constraintsOf(items),
    evaluate: OPTIONS,
    progress: (done: number) => void told.push(done),
  });

  it('ends when its stretches are spent, each of which it tries once', () => {
    // A row whose neighbours change places: many of its stretches look better by themselves, and whoever judges finds none better.
    const items = Array.from({ length: 60 }, (_, i) => bar((i ^ 1) * 2.2, 0, 2, 8));
    const told: number[] = [];
    const judged = new Set<string>();
    const start = given(items);
    const order = polish(new CoverGrid(items), items, start, (o) => (judged.add(o.join()), o.join() === start.join() ? 1 : 2), options(items, told)); // prettier-ignore
    expect(order).toEqual(start);
    expect(told.length).toBe(Math.min(stretchesFor(60), stretchesOf(one60, start, start).length));
    expect(told.at(-1)).toBeCloseTo(told.length / stretchesFor(60), 9);
    expect(judged.size).toBeGreaterThan(5);
  });
  const one60 = Array.from({ length: 60 }, () => 't');

  it('leaves an order for none that is judged the same', () => {
    const items = Array.from({ length: 8 }, (_, i) => bar((i ^ 1) * 2.2, 0, 2, 8));
    const start = given(items);
    expect(polish(new CoverGrid(items), items, start, () => 1, options(items))).toEqual(start);
    expect(start).toEqual(given(items));
  });

  it('goes on from what it found until its stretches are spent', () => {
    // Every order is judged better than all before it.
    const items = Array.from({ length: 40 }, (_, i) => bar((i ^ 1) * 2.2, 0, 2, 8));
    const told: number[] = [];
    let cost = 1e6;
    const order = polish(new CoverGrid(items), items, given(items), () => cost--, options(items, told));
    expect(order).not.toEqual(given(items));
    expect(told.length).toBeGreaterThan(
      stretchesOf(
        Array.from({ length: 40 }, () => 't'),
        given(items),
        given(items),
      ).length,
    );
    expect(told.length).toBeLessThanOrEqual(stretchesFor(40));
    expect(told.at(-1)).toBeLessThanOrEqual(1);
  });
});

describe('what hangs together', () => {
  const cross = (x: number): RouteItem[] => [bar(x, 4, 10, 2), bar(x + 4, 0, 2, 10)];

  it('overlaps in one thread', () => {
    const items = [...cross(0), ...cross(20), bar(0, 4, 10, 2, 'u')];
    const [a, b, c, d, e] = clustersOf(items);
    expect([a === b, c === d, a === c, a === e]).toEqual([true, true, false, false]);
  });

  it('is sewn together, the nearest next, within the stretch of its thread', () => {
    const items = [...cross(0), ...cross(40), ...cross(20)];
    const mixed = [0, 2, 4, 1, 3, 5];
    expect(byClusters(items, mixed, clustersOf(items), constraintsOf(items))).toEqual([0, 1, 4, 5, 2, 3]);
    const between = [...cross(0), bar(60, 0, 4, 8, 'u'), ...cross(20)];
    const order = byClusters(between, [3, 0, 4, 2, 1], clustersOf(between), { before: between.map(() => []), forces: () => false });
    // The last bar is sewn after the other thread: it stays there.
    expect(order.slice(3)).toEqual([2, 1]);
  });

  it('is left as it is where it must be sewn by turns', () => {
    const items = [bar(0, 4, 10, 2), bar(20, 4, 10, 2), bar(4, 0, 2, 10), bar(24, 0, 2, 10)];
    const before = [[], [], [1], [0]];
    expect(byClusters(items, [0, 1, 2, 3], clustersOf(items), { before, forces: () => false })).toEqual([0, 1, 2, 3]);
  });

  it('comes in runs', () => {
    expect(runsOf([3, 5, 4, 8, 7], (i) => i % 2)).toEqual([[3, 5], [4, 8], [7]]);
    expect(runsOf([], (i) => i)).toEqual([]);
  });
});
