import fc from 'fast-check';
import { crossMoreThan } from './crossings';
import type { Point } from './point';

/** Pair by pair, from the definition: each segment parts the ends of the other. */
function counted(line: readonly Point[]): number {
  const side = (a: Point, b: Point, p: Point): number => Math.sign((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
  let n = 0;
  for (let i = 1; i < line.length; i++)
    for (let k = i + 1; k < line.length; k++) {
      const [a, b, c, d] = [line[i - 1]!, line[i]!, line[k - 1]!, line[k]!];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) n++;
    }
  return n;
}

test('crossings are counted as pair by pair', () => {
  const place = fc.record({ x: fc.integer({ min: 0, max: 1000 }), y: fc.integer({ min: 0, max: 1000 }) });
  fc.assert(
    fc.property(fc.array(place, { minLength: 12, maxLength: 60 }), (line) => {
      const n = counted(line);
      expect(crossMoreThan(n, [line], false)).toBe(false);
      if (n > 4) expect(crossMoreThan(Math.floor(n * 0.9) - 1, [line], false)).toBe(true);
    }),
    { numRuns: 200, seed: 11, endOnFailure: true },
  );
});

test('a comb crosses nothing, however fine; a scribble is given up at once', () => {
  const comb = Array.from({ length: 20_000 }, (_, i) => ({ x: i * 0.004, y: i % 2 }));
  expect(crossMoreThan(1000, [comb], false)).toBe(false);
  const scribble = Array.from({ length: 50_000 }, (_, i) => ({ x: 45 * Math.sin(i * 1.7), y: 45 * Math.cos(i * 2.3) }));
  expect(crossMoreThan(40_000, [scribble], true)).toBe(true);
});
