import type { Constraints } from './constraints';
import { localSearch, refine, type Cost } from './improve';

const n = 9;
const given = [4, 1, 7, 2, 8, 5, 0, 6, 3];
const FREE: Constraints = { before: given.map(() => []), forces: () => false };
/** 8 before everything. */
const LAST_FIRST: Constraints = { before: given.map((_, i) => (i === 8 ? [] : [8])), forces: (a, b) => a === 8 && b !== 8 };
/** Least where the pieces stand in rising order. */
const disorder: Cost = (order) => order.reduce((sum, item, k) => sum + (item - k) ** 2, 0);
const counted = (cost: Cost): { cost: Cost; asked: () => number } => {
  let times = 0;
  return { cost: (order) => (times++, cost(order)), asked: () => times };
};
const rising = Array.from({ length: n }, (_, i) => i);
const quiet = { constraints: FREE, budget: 5000, progress: () => undefined };

describe('local search', () => {
  it('finds the least of a simple cost, the same with the same seed', () => {
    expect(localSearch(given, disorder, FREE, 1)).toEqual(rising);
    expect(localSearch(given, () => 0, FREE, 7)).toEqual(localSearch(given, () => 0, FREE, 7));
    expect(localSearch(given, () => 0, FREE, 7)).not.toEqual(localSearch(given, () => 0, FREE, 8));
  });

  it('keeps what must come before what, and never gets worse', () => {
    const order = localSearch([8, ...given.filter((i) => i !== 8)], disorder, LAST_FIRST, 2);
    expect(order).toEqual([8, 0, 1, 2, 3, 4, 5, 6, 7]);
    const rugged: Cost = (o) => disorder(o) % 7;
    for (let seed = 0; seed < 10; seed++) expect(rugged(localSearch(given, rugged, FREE, seed))).toBeLessThanOrEqual(rugged(given));
  });

  it('tries 150 moves for each pair of a few pieces, and at least 400 of many', () => {
    const few = counted(disorder);
    localSearch([2, 0, 1], few.cost, FREE, 3);
    expect(few.asked()).toBe(1 + 150 * 9);
    const many = counted(() => 0);
    const all = Array.from({ length: 120 }, (_, i) => i);
    localSearch(all, many.cost, { before: all.map(() => []), forces: () => false }, 3);
    expect(many.asked()).toBe(1 + 400);
    const some = counted(() => 0);
    const fifty = all.slice(0, 50);
    localSearch(fifty, some.cost, FREE, 3);
    expect(some.asked()).toBe(1 + 1200);
  });

  it('goes on from an order that is as good', () => {
    expect(localSearch(given, () => 5, FREE, 4)).not.toEqual(given);
  });
});

describe('refining', () => {
  it('finds the least of a simple cost', () => {
    expect(refine(given, disorder, quiet)).toEqual(rising);
  });

  it('judges no more orders than it may, and the given one', () => {
    for (const budget of [0, 1, 7, 40]) {
      const judged = counted(disorder);
      const order = refine(given, judged.cost, { ...quiet, budget });
      expect(judged.asked()).toBe(budget + 1);
      expect(disorder(order)).toBeLessThanOrEqual(disorder(given));
      expect(given).toEqual([4, 1, 7, 2, 8, 5, 0, 6, 3]);
    }
  });

  it('tells what share is spent, every twenty judgements, and can be stopped there', () => {
    const told: number[] = [];
    // Nothing is ever better, so that all single moves are tried and then others.
    refine(given, () => 1, { ...quiet, budget: 200, progress: (done) => told.push(done) });
    expect(told).toEqual([0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1].map((v) => expect.closeTo(v, 9) as number));
    const stop = (): void => {
      throw new Error('stopped');
    };
    expect(() => refine(given, disorder, { ...quiet, progress: stop })).toThrow('stopped');
  });

  it('never judges what is not allowed', () => {
    const start = [8, 3, 1, 2, 0, 5, 4, 7, 6];
    const order = refine(
      start,
      (o) => {
        expect(o[0]).toBe(8);
        return disorder(o);
      },
      { ...quiet, constraints: LAST_FIRST },
    );
    expect(order).toEqual([8, 0, 1, 2, 3, 4, 5, 6, 7]);
  });

  it('takes nothing that is only as good', () => {
    expect(refine(given, () => 3, { ...quiet, budget: 300 })).toEqual(given);
  });

  it('gets out of a dead end that no single move leaves', () => {
    // Two pieces have to move at once: each move by itself makes it worse.
    const trap: Cost = (o) => (o.join() === '1,0,2,3,5,4' ? 0 : o.join() === '0,1,2,3,4,5' ? 1 : 2);
    const six: Constraints = { before: Array.from({ length: 6 }, () => []), forces: () => false };
    expect(refine([0, 1, 2, 3, 4, 5], trap, { ...quiet, constraints: six, budget: 20_000 })).toEqual([1, 0, 2, 3, 5, 4]);
  });

  it('moves stretches when there are many pieces', () => {
    const twelve = Array.from({ length: 12 }, (_, i) => i);
    const free: Constraints = { before: twelve.map(() => []), forces: () => false };
    const away: Cost = (o) => (o.join() === '4,5,6,0,1,2,3,7,8,9,10,11' || o.join() === '3,4,5,6,0,1,2,7,8,9,10,11' ? 0 : 1);
    const order = refine(twelve, away, { ...quiet, constraints: free, budget: 30_000 });
    expect(away(order)).toBe(0);
    // With eleven already, no single moves are tried one after the other.
    const judged: string[] = [];
    refine(twelve.slice(0, 11), (o) => (judged.push(o.join()), 1), { ...quiet, constraints: free, budget: 10 });
    const ten: string[] = [];
    refine(twelve.slice(0, 10), (o) => (ten.push(o.join()), 1), { ...quiet, constraints: free, budget: 10 });
    expect(ten[1]).toBe('1,0,2,3,4,5,6,7,8,9');
    expect(judged[1]).not.toBe('1,0,2,3,4,5,6,7,8,9,10');
  });
});
