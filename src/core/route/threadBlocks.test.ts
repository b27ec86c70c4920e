import fc from 'fast-check';
import { oneByOne, searched, threadBlocks } from './threadBlocks';
import { random } from '../units/random';

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

/** Pieces that hang together much: each lies on one or two of those before it. */
function tangled(pieces: number, threads: number, next: () => number): Case {
  const pick = (n: number): number => Math.floor(n * next());
  return {
    threads: Array.from({ length: pieces }, () => `t${pick(threads)}`),
    before: Array.from({ length: pieces }, (_, i) => (i === 0 ? [] : [...new Set([pick(i), pick(i)].slice(pick(2)))])),
  };
}

/** Pieces that can be sewn in so many blocks of those threads. */
function sewnIn({ threads, before }: Case, blocks: readonly string[]): number {
  const done = new Set<number>();
  for (const thread of blocks) threads.forEach((t, i) => t === thread && before[i]!.every((j) => done.has(j)) && done.add(i));
  return done.size;
}

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

describe('the search', () => {
  it('needs no more blocks than the best order, where pieces hang together much', () => {
    const next = random(17);
    let better = 0;
    for (let run = 0; run < 60; run++) {
      const c = tangled(7 + (run % 6), 3 + (run % 4), next);
      const found = searched(c.threads, c.before);
      expect(sewnIn(c, found)).toBe(c.threads.length);
      expect(found).toHaveLength(fewestOf(c));
      const simple = oneByOne(c.threads, c.before);
      expect(sewnIn(c, simple)).toBe(c.threads.length);
      if (simple.length > found.length) {
        better++;
        expect(threadBlocks(c.threads, c.before)).toEqual(found);
      }
    }
    // Else these cases would say nothing about it.
    expect(better).toBeGreaterThan(2);
  });

  it('finishes what lies at the back first, where that costs nothing', () => {
    const free = [[], [], [], []];
    expect(searched(['a', 'b', 'c', 'a'], free)).toEqual(['a', 'b', 'c']);
    expect(searched(['c', 'b', 'a', 'c'], free)).toEqual(['c', 'b', 'a']);
    // The middle thread lies on both others.
    expect(searched(['a', 'b', 'c', 'b'], [[], [0, 2].slice(0, 1), [], [2]])).toEqual(['a', 'c', 'b']);
  });

  it('keeps to its bounds with hundreds of pieces', () => {
    const next = random(4);
    const c = tangled(300, 9, next);
    const found = searched(c.threads, c.before);
    expect(sewnIn(c, found)).toBe(300);
    expect(found.length).toBeLessThanOrEqual(oneByOne(c.threads, c.before).length);
  });
});

describe('threads one by one', () => {
  it('come as drawn where nothing lies on anything', () => {
    expect(oneByOne(['b', 'a', 'b', 'c'], [[], [], [], []])).toEqual(['b', 'a', 'c']);
    expect(oneByOne([], [])).toEqual([]);
  });

  it('that can be finished come first, of these the one that has been ready longest', () => {
    // d lies on b, e on a: e could be sewn a block earlier, though it is drawn later.
    expect(oneByOne(['a', 'b', 'd', 'e'], [[], [], [1], [0]])).toEqual(['a', 'b', 'e', 'd']);
    // One that waits for nothing but its own is ready from the start.
    expect(oneByOne(['a', 'd', 'f', 'f'], [[], [0], [], [2]])).toEqual(['a', 'f', 'd']);
    // x has three pieces that may be sewn and one that must wait for y, which can be finished at once.
    expect(oneByOne(['x', 'x', 'x', 'y', 'x'], [[], [], [], [], [3]])).toEqual(['y', 'x']);
  });

  it('none of which can be finished: the one of which most may be sewn', () => {
    // The last x lies on the second y, which lies on an x.
    const before = [[], [], [], [], [0], [4]];
    expect(oneByOne(['y', 'x', 'x', 'x', 'y', 'x'], [[], [], [], [], [1], [4]])).toEqual(['x', 'y', 'x']);
    expect(oneByOne(['x', 'y', 'y', 'y', 'x', 'y'], [[], [], [], [], [1], [4]])).toEqual(['y', 'x', 'y']);
    expect(oneByOne(['x', 'x', 'x', 'y', 'y', 'x'], before)).toEqual(['x', 'y', 'x']);
  });
});
