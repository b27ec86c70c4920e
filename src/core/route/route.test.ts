import fc from 'fast-check';
import { chooseEnds } from './ends';
import { hidingOf, linkBetween } from './link';
import { firstOrder } from './order';

const at = (x: number, y = 0) => ({ x, y });
const box = (x: number, y: number, w: number, h = w) => [[at(x, y), at(x + w, y), at(x + w, y + h), at(x, y + h)]];

test('ends meet starts where they can', () => {
  const bar = (x: number) => ({
    thread: 't1',
    pinnedStart: null,
    pinnedEnd: null,
    candidates: [
      { start: at(x), end: at(x + 10) },
      { start: at(x + 10), end: at(x) },
    ],
  });
  const ends = chooseEnds([bar(0), bar(10), bar(20)]);
  expect(ends[0]!.end).toEqual(ends[1]!.start);
  expect(ends[1]!.end).toEqual(ends[2]!.start);
});

test('a pinned start stays', () => {
  const piece = { thread: 't1', pinnedStart: at(3, 3), pinnedEnd: null, candidates: [{ start: at(0), end: at(10) }] };
  expect(chooseEnds([piece])[0]!.start).toEqual(at(3, 3));
});

test('chosen ends are as near as the best of all combinations', () => {
  const point = fc.record({ x: fc.integer({ min: 0, max: 4 }), y: fc.integer({ min: 0, max: 4 }) });
  const item = fc.array(fc.record({ start: point, end: point }), { minLength: 1, maxLength: 3 });
  const gap = (a: { x: number; y: number }, b: { x: number; y: number }): number => {
    const d = Math.hypot(a.x - b.x, a.y - b.y);
    return d <= 5 ? d : 40 + d * 0.02;
  };
  fc.assert(
    fc.property(fc.array(item, { minLength: 2, maxLength: 4 }), (lists) => {
      const chosen = chooseEnds(lists.map((candidates) => ({ thread: 't', candidates, pinnedStart: null, pinnedEnd: null })));
      const cost = chosen.slice(1).reduce((s, c, i) => s + gap(chosen[i]!.end!, c.start!), 0);
      const all = lists.reduce<{ start: { x: number; y: number }; end: { x: number; y: number } }[][]>(
        (sets, l) => sets.flatMap((s) => l.map((c) => [...s, c])),
        [[]],
      );
      const best = Math.min(...all.map((set) => set.slice(1).reduce((s, c, i) => s + gap(set[i]!.end, c.start), 0)));
      expect(cost).toBeCloseTo(best, 9);
    }),
    { seed: 9, numRuns: 60 },
  );
});

test('links: touching parts go on, hidden ones travel, open ones are cut', () => {
  const cover = [hidingOf(box(-5, -5, 30), true)];
  expect(linkBetween(at(0), at(0.8), [])).toBe('stitch');
  expect(linkBetween(at(0), at(20), cover)).toBe('travel');
  expect(linkBetween(at(0), at(40), cover)).toBe('trim');
  expect(linkBetween(at(0), at(20), [hidingOf(box(-5, -5, 30), false)])).toBe('trim');
});

test('a piece never comes before one that it lies on', () => {
  const items = fc.array(
    fc.record({ x: fc.integer({ min: 0, max: 30 }), y: fc.integer({ min: 0, max: 30 }), thread: fc.constantFrom('a', 'b', 'c') }),
    { minLength: 1, maxLength: 9 },
  );
  fc.assert(
    fc.property(items, (list) => {
      const order = firstOrder(list.map((i) => ({ thread: i.thread, painted: box(i.x, i.y, 8) })));
      expect(order.slice().sort((a, b) => a - b)).toEqual(list.map((_, i) => i));
      const place = order.map((_, i) => order.indexOf(i));
      list.forEach((b, j) =>
        list.slice(0, j).forEach((a, i) => {
          const overlap = Math.max(0, 8 - Math.abs(a.x - b.x)) * Math.max(0, 8 - Math.abs(a.y - b.y));
          if (overlap > 0.1 && a.thread !== b.thread) expect(place[i]!).toBeLessThan(place[j]!);
        }),
      );
    }),
    { seed: 21, numRuns: 60 },
  );
});
