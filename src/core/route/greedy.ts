import type { Constraints } from './constraints';
import type { RouteItem } from './item';
import type { Objective } from './objectives';
import { boxGap } from './rough';

/** What a first order is made from. */
export interface GreedyOptions {
  aim: Objective;
  constraints: Constraints;
  /** Whether to stay with a thread. */
  byThread: boolean;
}

/** Following what it is to follow counts for more than staying with a thread, and that for more than any place. */
const FOLLOWS = 1e12;
const OTHER_THREAD = 1e10;

/** A first order: of what may come next, followers first, then the same thread, then the nearest. */
export function greedy(items: readonly RouteItem[], { aim, constraints, byThread }: GreedyOptions): number[] {
  const waiting = new Set(items.map((_, i) => i));
  const out: number[] = [];
  const open = constraints.before.map((list) => list.length);
  const after: number[][] = items.map(() => []);
  constraints.before.forEach((list, i) => list.forEach((j) => after[j]!.push(i)));
  while (waiting.size > 0) {
    const last = out[out.length - 1];
    let best = -1;
    let least = Infinity;
    for (const i of waiting) {
      if (open[i]! > 0) continue;
      const cost =
        aim.key(i) * 1000 +
        (last === undefined ? i : boxGap(items[last]!, items[i]!)) +
        (last !== undefined && byThread && items[last]!.thread !== items[i]!.thread
          ? OTHER_THREAD - 2 * readyOf(items, waiting, open, i)
          : 0) -
        (last !== undefined && aim.followers(last).includes(i) ? FOLLOWS : 0);
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
