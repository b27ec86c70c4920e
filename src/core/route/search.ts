import { boundsTouch, distance } from '../geometry/point';
import { hypot } from '../units/trig';
import type { Objective } from './objectives';
import { sharedCells } from './cells';
import { allows, type Constraints } from './constraints';
import { EXACT_PIECES, optimalOrder } from './exact';
import { evaluate, type EvaluateOptions } from './startsAndEnds';
import { CoverGrid, TOUCHING_MM } from './coverGrid';
import type { RouteItem } from './item';
import { random } from '../units/random';

/**
 * The search for an order. Judging one order exactly means a dynamic program over all ends on the cloth as cells, some
 * 0.1 ms for a handful of pieces and 20 ms for 300. So orders are first improved by a rough judgement, which only knows
 * how near two pieces come and whether something sewn later joins them; the best of those are judged exactly, and as
 * long as the budget lasts exact judgement goes on improving the winner.
 */
export interface SearchOptions {
  evaluate: EvaluateOptions;
  aim: Objective;
  constraints: Constraints;
  /** Share done, 0 to 1; may throw to cancel. */
  progress(done: number): void;
}

/** @returns an order of items that is never judged worse than the given one (0, 1, 2 …) */
export function searchOrder(items: readonly RouteItem[], options: SearchOptions): number[] {
  const given = items.map((_, i) => i);
  if (items.length < 2) return given;
  const ground = new CoverGrid(items);
  const known = new Map<string, number>();
  const judge = (order: readonly number[], finely = false): number => {
    const fine = finely && options.evaluate.fine;
    const key = `${fine} ${order.join(' ')}`;
    const cost = known.get(key) ?? evaluate(ground, items, order, { ...options.evaluate, fine }).seconds + options.aim.penalty(order);
    known.set(key, cost);
    return cost;
  };
  const few = items.length <= EXACT_PIECES ? optimalOrder(items, options.constraints, { ...options.evaluate, fine: false }) : null;
  // Nothing is better than the least machine time without anything that the aim minds.
  if (few && judge(few.order) <= few.seconds + 1e-6) return judge(few.order, true) < judge(given, true) - 1e-9 ? few.order : given;
  const rough = roughJudge(items, options);
  const starts = [given, greedy(items, options, true), greedy(items, options, false), ...(few ? [few.order] : [])];
  const improved = starts.map((order, k) => {
    options.progress((0.5 * k) / starts.length);
    return localSearch(order, rough, options, 17 + k);
  });
  let best = given;
  let least = judge(given);
  for (const order of [...starts, ...improved]) {
    const cost = judge(order);
    if (cost < least - 1e-9) [best, least] = [order, cost];
  }
  best = refine(best, least, judge, options, budgetOf(items.length));
  options.progress(0.95);
  return judge(best, true) < judge(given, true) - 1e-9 ? best : given;
}

/** Exact judgements that are affordable. */
const budgetOf = (n: number): number => (n <= 10 ? 800 : Math.max(20, Math.round(6000 / n)));

/** A first order: of what may come next, followers first, then the same thread, then the nearest. */
function greedy(items: readonly RouteItem[], { aim, constraints }: SearchOptions, byThread: boolean): number[] {
  const waiting = new Set(items.map((_, i) => i));
  const out: number[] = [];
  const open = constraints.before.map((list) => list.length);
  const after: number[][] = items.map(() => []);
  constraints.before.forEach((list, i) => list.forEach((j) => after[j]!.push(i)));
  while (waiting.size > 0) {
    const last = out[out.length - 1];
    let best = [...waiting].find((i) => open[i] === 0)!;
    let least = Infinity;
    for (const i of waiting) {
      if (open[i]! > 0) continue;
      const cost =
        aim.key(i) * 1000 +
        (last === undefined ? i : away(items[last]!, items[i]!)) +
        (last !== undefined && byThread && items[last]!.thread !== items[i]!.thread ? 600 - 2 * readyOf(items, waiting, open, i) : 0) -
        (last !== undefined && aim.followers(last).includes(i) ? 5000 : 0);
      if (cost < least) [best, least] = [i, cost];
    }
    waiting.delete(best);
    out.push(best);
    for (const i of after[best]!) open[i]!--;
  }
  return out;
}

function readyOf(items: readonly RouteItem[], waiting: ReadonlySet<number>, open: readonly number[], like: number): number {
  let n = 0;
  for (const i of waiting) if (open[i] === 0 && items[i]!.thread === items[like]!.thread) n++;
  return n;
}

/** Gap between the boxes of two pieces, mm. */
function away(a: RouteItem, b: RouteItem): number {
  const dx = Math.max(0, a.box.minX - b.box.maxX, b.box.minX - a.box.maxX);
  const dy = Math.max(0, a.box.minY - b.box.maxY, b.box.minY - a.box.maxY);
  return hypot(dx, dy);
}

type Rough = (order: readonly number[], at: Int32Array, k: number) => number;

/** Seconds between the pieces at positions k - 1 and k, by how near they come and what is sewn later. */
function roughJudge(items: readonly RouteItem[], { evaluate: { pace } }: SearchOptions): Rough {
  const n = items.length;
  const gaps = new Float32Array(n * n).fill(-1);
  const gap = (i: number, j: number): number => {
    const key = i * n + j;
    if (gaps[key]! < 0) {
      let least = Infinity;
      for (const a of items[i]!.candidates) for (const b of items[j]!.candidates) least = Math.min(least, distance(a.end, b.start));
      gaps[key] = (items[i]!.rim ?? items[j]!.rim) ? Math.min(least, away(items[i]!, items[j]!) + 0.5) : least;
    }
    return gaps[key]!;
  };
  const over = items.map((item, i) =>
    items.flatMap((o, j) =>
      i !== j && o.hides.length > 0 && boundsTouch(item.box, o.box) && sharedCells(item.painted, o.hides) > 0 ? [j] : [],
    ),
  );
  return (order, at, k) => {
    const [i, j] = [order[k - 1]!, order[k]!];
    if (items[i]!.thread !== items[j]!.thread) return pace.change + pace.trim;
    const d = gap(i, j);
    if (d <= TOUCHING_MM) return d * pace.mm;
    const joined = over[i]!.includes(j) || over[i]!.some((m) => at[m]! >= k && over[j]!.includes(m));
    return joined ? d * pace.mm : pace.trim + 0.01 * Math.min(d, 100);
  };
}

/** Moves single pieces and short stretches about as long as the rough judgement finds them better. */
function localSearch(start: readonly number[], rough: Rough, { aim, constraints }: SearchOptions, seed: number): number[] {
  const n = start.length;
  const next = random(seed);
  const at = new Int32Array(n);
  const cost = (order: readonly number[]): number => {
    order.forEach((item, k) => (at[item] = k));
    let sum = aim.penalty(order);
    for (let k = 1; k < n; k++) sum += rough(order, at, k);
    return sum;
  };
  let order = start.slice();
  let least = cost(order);
  const tries = Math.min(150 * n * n, Math.max(400, Math.round(3_000_000 / (n * n))));
  for (let t = 0; t < tries; t++) {
    const moved = moveSome(order, next, constraints);
    if (!moved) continue;
    const c = cost(moved);
    if (c <= least + 1e-9) [order, least] = [moved, c];
  }
  return order;
}

const LONGEST_STRETCH = 4;

/** The order with a stretch of it put elsewhere, maybe turned round; null when that is not allowed. */
function moveSome(order: readonly number[], next: () => number, constraints: Constraints): number[] | null {
  const n = order.length;
  const length = Math.min(n - 1, 1 + Math.floor(next() * next() * LONGEST_STRETCH));
  const from = Math.floor(next() * (n - length + 1));
  const stretch = order.slice(from, from + length);
  if (length > 1 && next() < 0.5) stretch.reverse();
  const rest = [...order.slice(0, from), ...order.slice(from + length)];
  const to = Math.floor(next() * (rest.length + 1));
  const moved = [...rest.slice(0, to), ...stretch, ...rest.slice(to)];
  const [low, high] = [Math.min(from, to), Math.max(from, to) + length];
  for (let a = low; a < high; a++) {
    for (let b = a + 1; b < Math.min(high, n); b++) if (constraints.forces(moved[b]!, moved[a]!)) return null;
  }
  return moved;
}

/** Improves by exact judgement: every single move first, then random ones, as long as the budget lasts. */
function refine(
  start: readonly number[],
  cost: number,
  judge: (order: readonly number[]) => number,
  { constraints, progress }: SearchOptions,
  budget: number,
): number[] {
  const next = random(5);
  let best = start.slice();
  let least = cost;
  let left = budget;
  const consider = (order: number[] | null): boolean => {
    if (!order || left <= 0 || !allows(constraints, order)) return false;
    left--;
    if (left % 20 === 0) progress(0.5 + 0.45 * (1 - left / budget));
    const c = judge(order);
    if (c >= least - 1e-9) return false;
    [best, least] = [order, c];
    return true;
  };
  const small = best.length <= 10;
  while (small && left > 0 && singleMoves(best).some(consider)) continue;
  for (let t = 0; t < budget && left > 0; t++) consider(small ? perturb(best, next) : moveSome(best, next, constraints));
  return best;
}

/** Every order in which one piece stands elsewhere. */
function singleMoves(order: readonly number[]): number[][] {
  return order.flatMap((item, from) => {
    const rest = order.filter((_, k) => k !== from);
    return rest
      .map((_, to) => (to === from ? null : [...rest.slice(0, to), item, ...rest.slice(to)]))
      .filter((o): o is number[] => o !== null);
  });
}

/** A few moves at once, to get out of a dead end. */
function perturb(order: readonly number[], next: () => number): number[] {
  const out = order.slice();
  const times = 2 + Math.floor(next() * 3);
  for (let k = 0; k < times; k++) {
    const [item] = out.splice(Math.floor(next() * out.length), 1);
    out.splice(Math.floor(next() * (out.length + 1)), 0, item!);
  }
  return out;
}
