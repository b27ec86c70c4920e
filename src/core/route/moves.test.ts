import fc from 'fast-check';
import { random } from '../units/random';
import type { Constraints } from './constraints';
import { moveSome, perturb, singleMoves } from './moves';

const FREE: Constraints = { before: [], forces: () => false };
/** Each pair: the first must come before the second. */
const forced = (...pairs: [number, number][]): Constraints => ({
  before: [],
  forces: (a, b) => pairs.some(([first, second]) => first === a && second === b),
});
const row = (n: number): number[] => Array.from({ length: n }, (_, i) => i);
const sorted = (order: readonly number[]): number[] => order.slice().sort((a, b) => a - b);
const ORDER = fc.integer({ min: 2, max: 9 }).chain((n) => fc.shuffledSubarray(row(n), { minLength: n, maxLength: n }));

/** Whether an order is another one with one stretch of it put elsewhere, as it was or turned round. */
function oneStretchMoved(before: readonly number[], after: readonly number[]): boolean {
  for (let length = 1; length <= 4; length++) {
    for (let from = 0; from + length <= before.length; from++) {
      const rest = [...before.slice(0, from), ...before.slice(from + length)];
      for (const stretch of [before.slice(from, from + length), before.slice(from, from + length).reverse()]) {
        for (let to = 0; to <= rest.length; to++) {
          if ([...rest.slice(0, to), ...stretch, ...rest.slice(to)].join() === after.join()) return true;
        }
      }
    }
  }
  return false;
}

describe('a move of some pieces', () => {
  it('puts one stretch elsewhere and keeps every piece', () => {
    fc.assert(
      fc.property(ORDER, fc.integer(), (order, seed) => {
        const moved = moveSome(order, random(seed), FREE)!;
        expect(sorted(moved)).toEqual(sorted(order));
        expect(oneStretchMoved(order, moved)).toBe(true);
      }),
      { seed: 51, numRuns: 300 },
    );
  });

  it('can put any piece anywhere, turn stretches round and leave them as they are', () => {
    const next = random(1);
    const seen = new Set(Array.from({ length: 4000 }, () => moveSome(row(5), next, FREE)!.join()));
    for (const order of singleMoves(row(5))) expect(seen).toContain(order.join());
    // The first two to the end, as they are and turned round; the last three to the front.
    for (const order of ['2,3,4,0,1', '2,3,4,1,0', '4,3,2,0,1', '1,0,2,3,4', '3,2,1,0,4']) expect(seen).toContain(order);
  });

  it('moves no more than four at a time, and singles most often', () => {
    const next = random(2);
    let singles = 0;
    for (let t = 0; t < 1000; t++) {
      const moved = moveSome(row(12), next, FREE)!;
      const shifted = moved.filter((item, k) => item !== k).length;
      if (shifted === 0 || singleMoves(row(12)).some((o) => o.join() === moved.join())) singles++;
    }
    // Two numbers below 1 multiplied are below a quarter in 60 of 100 cases.
    expect(singles).toBeGreaterThan(550);
    expect(singles).toBeLessThan(750);
  });

  it('is none when it would put a piece before what must precede it, and is one in every other case', () => {
    fc.assert(
      fc.property(ORDER, fc.integer(), fc.nat(8), fc.nat(8), (order, seed, a, b) => {
        const [i, j] = [Math.min(a, b) % order.length, Math.max(a, b) % order.length];
        fc.pre(i < j);
        const pair: [number, number] = [order[i]!, order[j]!];
        const moved = moveSome(order, random(seed), forced(pair));
        const anyway = moveSome(order, random(seed), FREE)!;
        const kept = anyway.indexOf(pair[0]) < anyway.indexOf(pair[1]);
        expect(moved).toEqual(kept ? anyway : null);
      }),
      { seed: 52, numRuns: 400 },
    );
  });
});

describe('every single move', () => {
  it('is each order in which one piece stands elsewhere, and no other', () => {
    fc.assert(
      fc.property(ORDER, (order) => {
        const n = order.length;
        const found = singleMoves(order).map((o) => o.join());
        const wanted = new Set<string>();
        for (const item of order) {
          const rest = order.filter((o) => o !== item);
          for (let to = 0; to < n; to++) {
            const moved = [...rest.slice(0, to), item, ...rest.slice(to)].join();
            if (moved !== order.join() && to < n - 1) wanted.add(moved);
          }
        }
        // A neighbour pair exchanged puts the first of them last too; nothing else reaches the very end.
        for (const moved of wanted) expect(found).toContain(moved);
        expect(found).not.toContain(order.join());
        expect(found.length).toBeLessThanOrEqual(n * (n - 1));
      }),
      { seed: 53, numRuns: 60 },
    );
  });
});

describe('a few moves at once', () => {
  it('keep every piece, differ from time to time, and go farther than a single move', () => {
    const next = random(3);
    const outcomes = Array.from({ length: 300 }, () => perturb(row(7), next));
    for (const order of outcomes) expect(sorted(order)).toEqual(row(7));
    expect(new Set(outcomes.map(String)).size).toBeGreaterThan(200);
    const near = new Set([row(7), ...singleMoves(row(7))].map(String));
    expect(outcomes.filter((o) => near.has(String(o))).length).toBeLessThan(120);
  });

  it('are two to four, and leave the order that they start from alone', () => {
    const before = row(30);
    const next = random(4);
    const least = Array.from({ length: 400 }, () => {
      const moved = perturb(before, next);
      // What stays in order: the longest rising stretch. Each move takes at most one piece out of it.
      return 30 - longestRising(moved);
    });
    expect(Math.max(...least)).toBe(4);
    for (const k of [2, 3, 4]) expect(least.filter((l) => l === k).length).toBeGreaterThan(60);
    expect(before).toEqual(row(30));
  });
});

function longestRising(list: readonly number[]): number {
  const best = list.map(() => 1);
  list.forEach((v, i) => {
    for (let j = 0; j < i; j++) if (list[j]! < v) best[i] = Math.max(best[i]!, best[j]! + 1);
  });
  return Math.max(...best);
}
