import fc from 'fast-check';
import type { Bounds } from '../geometry/point';
import { nearbyOrder } from './nearby';
import { random } from '../units/random';

const boxAt = (x: number, y: number): Bounds => ({ minX: x, minY: y, maxX: x + 4, maxY: y + 4 });
const none = (n: number): number[][] => Array.from({ length: n }, () => []);

/** Steps that are longer than a stitch may be, counted from the boxes alone. */
const cuts = (boxes: readonly Bounds[], order: readonly number[]): number =>
  order.slice(1).filter((i, k) => {
    const [a, b] = [boxes[order[k]!]!, boxes[i]!];
    return Math.hypot(Math.max(0, a.minX - b.maxX, b.minX - a.maxX), Math.max(0, a.minY - b.maxY, b.minY - a.maxY)) > 2;
  }).length;

const permutations = (items: readonly number[]): number[][] =>
  items.length < 2 ? [items.slice()] : items.flatMap((i) => permutations(items.filter((j) => j !== i)).map((rest) => [i, ...rest]));

test('a row of letters is sewn from one end to the other, in whatever order it is drawn', () => {
  fc.assert(
    fc.property(fc.shuffledSubarray([0, 1, 2, 3, 4, 5, 6, 7, 8, 9], { minLength: 2 }), (places) => {
      const taken = places.map((_, i) => i);
      const at = taken.slice().sort((a, b) => places[a]! - places[b]!);
      const boxes = places.map((p) => boxAt(5 * at.findIndex((i) => places[i] === p), 0));
      const order = nearbyOrder(boxes, taken, none(places.length));
      expect(cuts(boxes, order)).toBe(0);
    }),
    { seed: 4, numRuns: 100 },
  );
});

test('no order of a few pieces has fewer long steps', () => {
  const place = fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 3 }));
  fc.assert(
    fc.property(fc.uniqueArray(place, { minLength: 2, maxLength: 6, selector: String }), (places) => {
      const boxes = places.map(([x, y]) => boxAt(x * 5.5, y * 5.5));
      const all = boxes.map((_, i) => i);
      const best = Math.min(...permutations(all).map((o) => cuts(boxes, o)));
      expect(cuts(boxes, nearbyOrder(boxes, all, none(all.length)))).toBe(best);
    }),
    { seed: 4, numRuns: 150 },
  );
});

test('what must come first does', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(20), { minLength: 2, maxLength: 12 }), fc.infiniteStream(fc.nat()), (xs, pick) => {
      const before = xs.map((_, i) => (i > 0 && pick.next().value % 3 === 0 ? [pick.next().value % i] : []));
      const order = nearbyOrder(
        xs.map((x) => boxAt(x * 3, 0)),
        xs.map((_, i) => i),
        before,
      );
      expect(order.slice().sort((a, b) => a - b)).toEqual(xs.map((_, i) => i));
      before.forEach((list, i) => list.forEach((j) => expect(order.indexOf(j)).toBeLessThan(order.indexOf(i))));
    }),
    { seed: 4, numRuns: 200 },
  );
});

/** What an order costs: a cut for every gap of more than 2 mm, the gaps, and a quarter of the way between middles. */
function cost(boxes: readonly Bounds[], order: readonly number[]): number {
  let sum = 0;
  for (let k = 1; k < order.length; k++) {
    const [a, b] = [boxes[order[k - 1]!]!, boxes[order[k]!]!];
    const gap = Math.hypot(Math.max(0, a.minX - b.maxX, b.minX - a.maxX), Math.max(0, a.minY - b.maxY, b.minY - a.maxY));
    const apart = Math.hypot((a.minX + a.maxX - b.minX - b.maxX) / 2, (a.minY + a.maxY - b.minY - b.maxY) / 2);
    sum += (gap > 2 ? 100 : 0) + gap + apart / 4;
  }
  return sum;
}

const keeps = (order: readonly number[], before: readonly (readonly number[])[]): boolean =>
  order.every((i, k) => before[i]!.every((j) => order.indexOf(j) < k));

const anyBoxes = (least: number, most: number) =>
  fc.array(
    fc.record({
      x: fc.double({ min: 0, max: 80, noNaN: true }),
      y: fc.double({ min: 0, max: 60, noNaN: true }),
      mm: fc.double({ min: 1, max: 12, noNaN: true }),
    }),
    { minLength: least, maxLength: most },
  );
const boxesOf = (all: readonly { x: number; y: number; mm: number }[]): Bounds[] =>
  all.map(({ x, y, mm }) => ({ minX: x, minY: y, maxX: x + mm, maxY: y + mm }));

test('few pieces have the best order of all, whatever must come first', () => {
  fc.assert(
    fc.property(anyBoxes(2, 6), fc.infiniteStream(fc.nat()), (made, pick) => {
      const boxes = boxesOf(made);
      const before = boxes.map((_, i) => (i > 0 && pick.next().value % 4 === 0 ? [pick.next().value % i] : []));
      const all = boxes.map((_, i) => i);
      const best = Math.min(
        ...permutations(all)
          .filter((o) => keeps(o, before))
          .map((o) => cost(boxes, o)),
      );
      const order = nearbyOrder(boxes, all, before);
      expect(keeps(order, before)).toBe(true);
      expect(cost(boxes, order)).toBeCloseTo(best, 2);
    }),
    { seed: 9, numRuns: 60 },
  );
});

test('no single move and no turn makes an order of many pieces better', () => {
  const next = random(3);
  for (let run = 0; run < 24; run++) {
    const boxes = Array.from({ length: 10 + (run % 9) }, () => {
      const [x, y, mm] = [80 * next(), 60 * next(), 1 + 11 * next()];
      return { minX: x, minY: y, maxX: x + mm, maxY: y + mm };
    });
    const before = boxes.map((_, i) => (run % 2 && i % 5 === 4 ? [i - 3] : []));
    const order = nearbyOrder(
      boxes,
      boxes.map((_, i) => i),
      before,
    );
    expect(keeps(order, before)).toBe(true);
    const least = cost(boxes, order) - 0.01;
    const better = order.flatMap((it, i) => {
      const rest = order.filter((_, k) => k !== i);
      const moved = order.map((_, j) => [...rest.slice(0, j), it, ...rest.slice(j)]);
      const turned = order.slice(i + 1).map((_, k) => {
        const end = i + k + 2;
        return [...order.slice(0, i), ...order.slice(i, end).reverse(), ...order.slice(end)];
      });
      return [...moved, ...turned].filter((o) => keeps(o, before) && cost(boxes, o) < least);
    });
    expect(better).toEqual([]);
  }
});

test('many pieces in a row, a ring or two rows are sewn along it', () => {
  const next = random(8);
  const shuffled = (places: readonly Bounds[]): Bounds[] =>
    places
      .map((b) => ({ b, k: next() }))
      .sort((a, b) => a.k - b.k)
      .map(({ b }) => b);
  const rows = Array.from({ length: 14 }, (_, i) => boxAt(5 * i, 0));
  const ring = Array.from({ length: 16 }, (_, i) => boxAt(13 * Math.cos((i * Math.PI) / 8), 13 * Math.sin((i * Math.PI) / 8)));
  const two = [...rows.slice(0, 7), ...rows.slice(0, 7).map((b) => ({ ...b, minY: 40, maxY: 44 }))];
  const far = Array.from({ length: 130 }, (_, i) => boxAt(5 * i, 0));
  for (const [places, most] of [
    ...Array.from({ length: 4 }, () => [rows, 0] as const),
    ...Array.from({ length: 4 }, () => [ring, 0] as const),
    ...Array.from({ length: 4 }, () => [two, 1] as const),
    [far, 0] as const,
  ]) {
    const boxes = shuffled(places);
    const order = nearbyOrder(
      boxes,
      boxes.map((_, i) => i),
      none(boxes.length),
    );
    expect(new Set(order).size).toBe(boxes.length);
    expect(cuts(boxes, order)).toBe(most);
  }
});

test('pieces of other threads between them do not count, and of one or none there is nothing to order', () => {
  const boxes = [0, 50, 5, 100, 10].map((x) => boxAt(x, 0));
  expect(nearbyOrder(boxes, [0, 2, 4], [[], [], [1], [], [3]])).toEqual([0, 2, 4]);
  expect(nearbyOrder(boxes, [3], none(5))).toEqual([3]);
  expect(nearbyOrder(boxes, [], none(5))).toEqual([]);
  // Of two orders that cost the same the one that begins with what was drawn first.
  expect(nearbyOrder(boxes, [4, 2, 0], none(5))[0]).toBe(4);
});
