import fc from 'fast-check';
import { threadBlocks } from './threadBlocks';

interface Case {
  threads: string[];
  before: number[][];
}

/** A few pieces of up to four threads, some of which must come before later ones. */
const cases = fc
  .array(fc.record({ thread: fc.constantFrom('a', 'b', 'c', 'd'), under: fc.array(fc.nat(8), { maxLength: 3 }) }), {
    minLength: 1,
    maxLength: 9,
  })
  .map((list): Case => ({ threads: list.map((l) => l.thread), before: list.map((l, i) => [...new Set(l.under.filter((j) => j < i))]) }));

/** Fewest blocks over every order that is allowed, by trying all of them. */
function fewestOf({ threads, before }: Case): number {
  const known = new Map<string, number>();
  const rest = (done: number, thread: string): number => {
    if (done === (1 << threads.length) - 1) return 0;
    const key = `${done} ${thread}`;
    const old = known.get(key);
    if (old !== undefined) return old;
    let best = Infinity;
    threads.forEach((t, i) => {
      if (done & (1 << i) || !before[i]!.every((j) => done & (1 << j))) return;
      best = Math.min(best, rest(done | (1 << i), t) + (t === thread ? 0 : 1));
    });
    known.set(key, best);
    return best;
  };
  return rest(0, '');
}

test('no order of threads has fewer changes', () => {
  fc.assert(
    fc.property(cases, (c) => {
      expect(threadBlocks(c.threads, c.before)).toHaveLength(fewestOf(c));
    }),
    { seed: 3, numRuns: 400 },
  );
});

test('everything can be sewn in the blocks that are told', () => {
  fc.assert(
    fc.property(cases, ({ threads, before }) => {
      const done = new Set<number>();
      for (const thread of threadBlocks(threads, before)) {
        threads.forEach((t, i) => t === thread && before[i]!.every((j) => done.has(j)) && done.add(i));
      }
      expect(done.size).toBe(threads.length);
    }),
    { seed: 4, numRuns: 200 },
  );
});

test('a thousand pieces of twenty threads are soon put in order', () => {
  const threads = Array.from({ length: 1000 }, (_, i) => `t${(i * 7) % 20}`);
  const before = threads.map((_, i) => (i % 3 === 0 && i > 30 ? [i - 30] : []));
  // Ten pairs of threads lie on one another by turns, 33 times: fewer than 330 cannot be.
  expect(threadBlocks(threads, before).length).toBeLessThan(345);
});
