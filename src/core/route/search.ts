import type { Objective } from './objectives';
import type { Constraints } from './constraints';
import { EXACT_PIECES, optimalOrder } from './exact';
import { evaluate, type EvaluateOptions } from './startsAndEnds';
import { CoverGrid } from './coverGrid';
import { greedy } from './greedy';
import type { RouteItem } from './item';
import { localSearch, refine, type Cost } from './improve';
import { byClusters, clustersOf } from './clusters';
import { leastOf } from './leastOf';
import { blockOrders } from './order';
import { polish } from './polish';
import { roughCost } from './rough';

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
  const judgeBy =
    (fine: boolean): Cost =>
    (order) => {
      const key = `${fine} ${order.join(' ')}`;
      const cost = known.get(key) ?? evaluate(ground, items, order, { ...options.evaluate, fine }).seconds + options.aim.penalty(order);
      known.set(key, cost);
      return cost;
    };
  const [judge, finely] = [judgeBy(false), judgeBy(options.evaluate.fine)];
  const few = items.length <= EXACT_PIECES ? optimalOrder(items, options.constraints, { ...options.evaluate, fine: false }) : null;
  // Nothing is better than the least machine time without anything that the aim minds.
  if (few && judge(few.order) <= few.seconds + SAME_SECONDS) return leastOf([given, few.order], finely);
  const seconds = roughCost(items, options.evaluate.pace);
  const cost = (order: readonly number[]): number => seconds(order) + options.aim.penalty(order);
  const starts = [
    given,
    greedy(items, { ...options, byThread: true }),
    greedy(items, { ...options, byThread: false }),
    ...(few ? [few.order] : []),
    ...blockOrders(
      items.map((i) => i.thread),
      items.map((i) => i.box),
      options.constraints.before,
    ),
  ];
  const clusters = clustersOf(items);
  const grouped = byClusters(items, starts.at(-1)!, clusters, options.constraints);
  starts.push(grouped);
  const improved = starts.map((order, k) => {
    options.progress((0.5 * k) / starts.length);
    return localSearch(order, cost, options.constraints, 17 + k);
  });
  let best = leastOf([given, ...starts, ...improved], judge);
  const polished = (items.length <= FEW_ENOUGH ? [best, grouped] : [best]).map((order, k) =>
    polish(ground, items, order, judge, {
      clusters,
      constraints: options.constraints,
      evaluate: options.evaluate,
      progress: (done) => options.progress(0.5 + 0.2 * (k + done)),
    }),
  );
  best = refine(leastOf(polished, judge), judge, {
    constraints: options.constraints,
    budget: budgetOf(items.length),
    progress: (done) => options.progress(0.9 + 0.05 * done),
  });
  options.progress(0.95);
  return leastOf([given, best], finely);
}

/** Sums of the same seconds in another order. */
const SAME_SECONDS = 1e-6;

/** So many pieces at most are grouped and polished from there as well. */
const FEW_ENOUGH = 60;

/** Exact judgements that are affordable for so many pieces. */
export const budgetOf = (n: number): number => (n <= 10 ? 800 : Math.max(20, Math.round(6000 / n)));
