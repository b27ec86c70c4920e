import fc from 'fast-check';
import type { Bounds } from '../geometry/point';
import { nearbyOrder } from './nearby';

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
