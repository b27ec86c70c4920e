import type { Bounds } from '../geometry/point';
import { hypot } from '../units/trig';

/** Pieces that come nearer than this need no cut between them, in all likelihood, mm; what a cut is worth in mm of way. */
const NO_CUT_MM = 2;
const CUT = 100;
/** From so many pieces an order is begun; among so many it is improved afterwards. */
const MOST_STARTS = 24;
const MOST_IMPROVED = 120;
const NO_GAIN = 1e-9;

/**
 * An order of pieces of one thread in which each lies near the one before it: nearest neighbours from several starts, the best of
 * which is improved by moving single pieces and turning stretches round (2-opt and or-opt, Croes 1958 and Or 1976).
 * @param boxes of all pieces
 * @param pieces numbers of those to be put in order
 * @param before for each of all pieces those that must be sewn before it
 * @returns the pieces in an order that keeps to `before`
 */
export function nearbyOrder(boxes: readonly Bounds[], pieces: readonly number[], before: readonly (readonly number[])[]): number[] {
  if (pieces.length < 2) return pieces.slice();
  const own = new Set(pieces);
  const first = pieces.map((i) => before[i]!.filter((j) => own.has(j)));
  const at = new Map(pieces.map((i, k) => [i, k]));
  const under = first.map((list) => list.map((j) => at.get(j)!));
  const step = stepsBetween(pieces.map((i) => boxes[i]!));
  return asDrawn(
    pieces.length <= MOST_EXACT
      ? bestOf(under, step)
      : goodOf(
          pieces.map((i) => boxes[i]!),
          under,
          step,
        ),
    under,
  ).map((k) => pieces[k]!);
}

/** Of an order and the same the other way round the one that begins with what was drawn first. */
function asDrawn(order: readonly number[], under: readonly (readonly number[])[]): readonly number[] {
  const turned = order.slice().reverse();
  return turned[0]! < order[0]! && under.every((list) => list.length === 0) ? turned : order;
}

function goodOf(boxes: readonly Bounds[], under: readonly (readonly number[])[], step: Step): number[] {
  let best: number[] = [];
  let least = Infinity;
  for (const start of startsOf(boxes, under)) {
    const order = nearest(start, under, step);
    const cost = costOf(order, step);
    if (cost < least - NO_GAIN) [best, least] = [order, cost];
  }
  return boxes.length <= MOST_IMPROVED ? improved(best, under, step) : best;
}

/** Few pieces are ordered exactly: the work doubles with each further one. */
const MOST_EXACT = 9;

/** The order with the least sum of steps, over the sets of pieces already sewn (Held and Karp 1962). */
function bestOf(under: readonly (readonly number[])[], step: Step): number[] {
  const n = under.length;
  const must = under.map((list) => list.reduce((set, j) => set | (1 << j), 0));
  const cost = new Float64Array(2 ** n * n).fill(Infinity);
  const from = new Int8Array(2 ** n * n).fill(-1);
  must.forEach((set, i) => {
    if (set === 0) cost[(1 << i) * n + i] = 0;
  });
  for (let done = 1; done < 2 ** n; done++) {
    for (let last = 0; last < n; last++) {
      const so = cost[done * n + last]!;
      if (so === Infinity) continue;
      for (let i = 0; i < n; i++) {
        if (done & (1 << i) || (must[i]! & ~done) !== 0) continue;
        const key = (done | (1 << i)) * n + i;
        if (so + step(last, i) < cost[key]!) [cost[key], from[key]] = [so + step(last, i), last];
      }
    }
  }
  const order: number[] = [];
  let done = 2 ** n - 1;
  let last = under.reduce((a, _, i) => (cost[done * n + i]! < cost[done * n + a]! ? i : a), 0);
  while (last >= 0) {
    order.unshift(last);
    const before = from[done * n + last]!;
    done &= ~(1 << last);
    last = before;
  }
  return order;
}

type Step = (a: number, b: number) => number;

/** How far it is from one piece to another, with what a cut is worth. */
function stepsBetween(boxes: readonly Bounds[]): Step {
  const n = boxes.length;
  const known = new Float32Array(n * n).fill(-1);
  return (a, b) => {
    const key = a * n + b;
    if (known[key]! < 0) known[key] = known[b * n + a] = stepBetween(boxes[a]!, boxes[b]!);
    return known[key]!;
  };
}

function stepBetween(a: Bounds, b: Bounds): number {
  const gap = hypot(Math.max(0, a.minX - b.maxX, b.minX - a.maxX), Math.max(0, a.minY - b.maxY, b.minY - a.maxY));
  const apart = hypot((a.minX + a.maxX - b.minX - b.maxX) / 2, (a.minY + a.maxY - b.minY - b.maxY) / 2);
  return (gap > NO_CUT_MM ? CUT : 0) + gap + apart / 4;
}

/** Pieces to begin with: those farthest out. */
function startsOf(boxes: readonly Bounds[], under: readonly (readonly number[])[]): number[] {
  const free = boxes.flatMap((_, i) => (under[i]!.length === 0 ? [i] : []));
  if (free.length <= MOST_STARTS) return free;
  const sides = [(b: Bounds) => b.minX, (b: Bounds) => -b.maxX, (b: Bounds) => b.minY, (b: Bounds) => -b.maxY];
  return [...new Set(sides.map((of) => free.reduce((a, b) => (of(boxes[b]!) < of(boxes[a]!) ? b : a))))];
}

function nearest(start: number, under: readonly (readonly number[])[], step: Step): number[] {
  const order = [start];
  const done = new Set(order);
  while (order.length < under.length) {
    const here = order[order.length - 1]!;
    let [next, least] = [-1, Infinity];
    under.forEach((list, i) => {
      if (done.has(i) || !list.every((j) => done.has(j))) return;
      const cost = step(here, i);
      if (cost < least) [next, least] = [i, cost];
    });
    order.push(next);
    done.add(next);
  }
  return order;
}

const costOf = (order: readonly number[], step: Step): number => order.slice(1).reduce((sum, i, k) => sum + step(order[k]!, i), 0);

/** So many rounds at most, each over all moves. */
const ROUNDS = 80;

function improved(order: readonly number[], under: readonly (readonly number[])[], step: Step): number[] {
  const must = under.map((list) => new Set(list));
  const keeps = (o: readonly number[]): boolean => {
    const done = new Set<number>();
    return o.every((i) => {
      done.add(i);
      return [...must[i]!].every((j) => done.has(j));
    });
  };
  const bound = must.some((set) => set.size > 0);
  let now = order.slice();
  for (let round = 0; round < ROUNDS; round++) {
    const better = betterBy(now, step, (o) => !bound || keeps(o));
    if (!better) return now;
    now = better;
  }
  return now;
}

/** The order after the best of all single moves and turns, null where none gains. */
function betterBy(order: readonly number[], step: Step, allowed: (order: readonly number[]) => boolean): number[] | null {
  const n = order.length;
  const way = (a: number | undefined, b: number | undefined): number => (a === undefined || b === undefined ? 0 : step(a, b));
  let [best, gain] = [null as number[] | null, NO_GAIN];
  const consider = (by: number, made: () => number[]): void => {
    if (by <= gain) return;
    const o = made();
    if (allowed(o)) [best, gain] = [o, by];
  };
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const [a, b, c, d] = [order[i - 1], order[i], order[j], order[j + 1]];
      consider(way(a, b) + way(c, d) - way(a, c) - way(b, d), () => [
        ...order.slice(0, i),
        ...order.slice(i, j + 1).reverse(),
        ...order.slice(j + 1),
      ]);
    }
    const [before, it, after] = [order[i - 1], order[i]!, order[i + 1]];
    const out = way(before, it) + way(it, after) - way(before, after);
    if (out <= gain) continue;
    const rest = order.filter((_, k) => k !== i);
    for (let j = 0; j <= rest.length; j++) {
      const into = way(rest[j - 1], it) + way(it, rest[j]) - way(rest[j - 1], rest[j]);
      consider(out - into, () => [...rest.slice(0, j), it, ...rest.slice(j)]);
    }
  }
  return best;
}
