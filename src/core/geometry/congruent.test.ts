import fc from 'fast-check';
import { carried, congruence, printOf } from './congruent';
import { box, disc, polar, turned } from './fixtures';
import type { Point } from './point';

/** A leaf, a flag, a star: none of them its own mirror image but the star. */
const LEAF: Point[] = Array.from({ length: 40 }, (_, i) => ({
  x: 12 * Math.cos((i * Math.PI) / 20),
  y: (i < 20 ? 5 : 2) * Math.sin((i * Math.PI) / 20),
}));
const FLAG: Point[] = [box(0, 0, 14, 9)[0]!, { x: 14, y: 1 }, { x: 11, y: 5 }, { x: 14, y: 9 }, { x: 0, y: 12 }];
const STAR: Point[] = Array.from({ length: 10 }, (_, i) => polar(i % 2 === 0 ? 10 : 4.5, 36 * i));

const moves = fc.record({
  deg: fc.integer({ min: 0, max: 359 }),
  mirrored: fc.boolean(),
  dx: fc.integer({ min: -50, max: 50 }),
  dy: fc.integer({ min: -50, max: 50 }),
  first: fc.nat(30),
});

const placed = (
  ring: readonly Point[],
  { deg, mirrored, dx, dy, first }: { deg: number; mirrored: boolean; dx: number; dy: number; first: number },
): Point[] => {
  const laid = turned(mirrored ? ring.map((p) => ({ x: -p.x, y: p.y })).reverse() : ring, deg).map((p) => ({ x: p.x + dx, y: p.y + dy }));
  const k = first % laid.length;
  return [...laid.slice(k), ...laid.slice(0, k)];
};

test.each([
  ['leaf', LEAF],
  ['flag', FLAG],
  ['star', STAR],
])('a %s is found again wherever it lies, turned and mirrored, and laid on it point by point', (_, ring) => {
  fc.assert(
    fc.property(moves, (move) => {
      const other = placed(ring, move);
      const found = congruence(printOf([ring])!, printOf([other])!, 0.15);
      expect(found).not.toBeNull();
      for (const p of ring) {
        const q = carried(found!, p);
        expect(Math.min(...other.map((o) => Math.hypot(o.x - q.x, o.y - q.y)))).toBeLessThan(0.6);
      }
    }),
    { seed: 8, numRuns: 60 },
  );
});

test('what only lies elsewhere is neither turned nor mirrored', () => {
  const found = congruence(printOf([disc(5)])!, printOf([disc(5, 30)])!, 0.15)!;
  expect(found.turn).toBe(0);
  expect(found.mirrored).toBe(false);
  const flag = congruence(printOf([FLAG])!, printOf([FLAG.map((p) => ({ x: 40 - p.x, y: p.y })).reverse()])!, 0.15)!;
  expect(flag).toMatchObject({ turn: 0, mirrored: true });
});

test('what differs by more than a hair is not the same', () => {
  expect(congruence(printOf([FLAG])!, printOf([LEAF])!, 0.15)).toBeNull();
  expect(congruence(printOf([box(0, 0, 10, 6)])!, printOf([box(0, 0, 10, 6.6)])!, 0.15)).toBeNull();
  const dented = [...box(0, 0, 10, 6).slice(0, 2), { x: 9.2, y: 3 }, ...box(0, 0, 10, 6).slice(2)];
  expect(congruence(printOf([box(0, 0, 10, 6)])!, printOf([dented])!, 0.15)).toBeNull();
  expect(congruence(printOf([box(0, 0, 10)])!, printOf([box(0, 0, 10), box(4, 4, 2).reverse()])!, 0.15)).toBeNull();
  expect(printOf([])).toBeNull();
});
