import { runsOf } from './clusters';
import type { Constraints } from './constraints';
import type { CoverGrid } from './coverGrid';
import { EXACT_PIECES, optimalStretches } from './exact';
import type { Cost } from './improve';
import type { RouteItem } from './item';
import { NO_GAIN } from './leastOf';
import type { EvaluateOptions } from './startsAndEnds';

export interface PolishOptions {
  /** What hangs together has one number. */
  clusters: readonly number[];
  constraints: Constraints;
  evaluate: EvaluateOptions;
  /** Share of the budget spent; may throw to cancel. */
  progress(done: number): void;
}

/** Stretches that are affordable: fewer where one order takes longer to judge. */
export const stretchesFor = (pieces: number): number => Math.min(120, Math.round(3000 / pieces ** 1.1));
/** Beside what hangs together, stretches of so many pieces are tried, so many apart. */
const WINDOW = 5;
const WINDOW_STEP = 2;
/** Of the orders of a stretch so many are judged with all that comes before. */
const MOST_JUDGED = 3;

/**
 * Puts stretches of an order into their best order, those around them left as they are: what hangs together, such as a letter,
 * and any few pieces of one thread. Until no stretch gains, or the budget is spent.
 */
export function polish(
  ground: CoverGrid,
  items: readonly RouteItem[],
  start: readonly number[],
  judge: Cost,
  options: PolishOptions,
): number[] {
  let best = start.slice();
  let least = judge(best);
  const budget = stretchesFor(items.length);
  let left = budget;
  const tried = new Set<string>();
  const improve = (from: number, to: number): boolean => {
    const stretch = { before: best.slice(0, from), pieces: best.slice(from, to), after: best.slice(to) };
    const key = `${stretch.before.at(-1)}|${stretch.pieces
      .slice()
      .sort((a, b) => a - b)
      .join()}|${stretch.after.join()}`;
    if (tried.has(key)) return false;
    tried.add(key);
    left--;
    options.progress(1 - left / budget);
    let found = false;
    const { orders, asIs } = optimalStretches(ground, items, stretch, options.constraints, options.evaluate);
    for (const { pieces, seconds } of orders.slice(0, MOST_JUDGED)) {
      if (seconds >= asIs - NO_GAIN) break;
      const order = [...stretch.before, ...pieces, ...stretch.after];
      const cost = judge(order);
      if (cost < least - NO_GAIN) [best, least, found] = [order, cost, true];
    }
    return found;
  };
  for (let gained = true; gained && left > 0;) {
    gained = false;
    for (const [from, to] of stretchesOf(
      items.map((i) => i.thread),
      best,
      options.clusters,
    )) {
      if (left > 0 && improve(from, to)) gained = true;
    }
  }
  return best;
}

/** From and to positions of the stretches that are tried: what hangs together, and a few pieces of one thread at a time. */
export function stretchesOf(threads: readonly string[], order: readonly number[], clusters: readonly number[]): [number, number][] {
  const out: [number, number][] = [];
  const add = (from: number, to: number): void => {
    if (to - from > 1 && to - from <= EXACT_PIECES) out.push([from, to]);
  };
  let at = 0;
  for (const { length } of runsOf(order, (i) => clusters[i]!)) {
    add(at, at + length);
    at += length;
  }
  at = 0;
  for (const { length } of runsOf(order, (i) => threads[i]!)) {
    for (let from = at; from < at + length - 1; from += WINDOW_STEP) add(from, Math.min(at + length, from + WINDOW));
    at += length;
  }
  return out;
}
