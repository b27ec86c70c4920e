import { random } from '../units/random';
import { allows, type Constraints } from './constraints';
import { NO_GAIN } from './leastOf';
import { moveSome, perturb, singleMoves } from './moves';

/** What an order costs, whatever it is counted in. */
export type Cost = (order: readonly number[]) => number;

/** Moves single pieces and short stretches about as long as that is no worse. Same seed, same outcome. */
export function localSearch(start: readonly number[], cost: Cost, constraints: Constraints, seed: number): number[] {
  const n = start.length;
  const next = random(seed);
  let order = start.slice();
  let least = cost(order);
  const tries = Math.min(150 * n * n, Math.max(400, Math.round(3_000_000 / (n * n))));
  for (let t = 0; t < tries; t++) {
    const moved = moveSome(order, next, constraints);
    if (!moved) continue;
    const c = cost(moved);
    if (c <= least + NO_GAIN) [order, least] = [moved, c];
  }
  return order;
}

export interface RefineOptions {
  constraints: Constraints;
  /** Orders that may be judged. */
  budget: number;
  /** Share of the budget spent; may throw to cancel. */
  progress(done: number): void;
}

/** With so many pieces every single move is tried. */
const FEW = 10;
const TOLD_EVERY = 20;

/** Improves by a costly judgement: of few pieces every single move first, then random ones, as long as the budget lasts. */
export function refine(start: readonly number[], judge: Cost, { constraints, budget, progress }: RefineOptions): number[] {
  const next = random(5);
  let best = start.slice();
  let least = judge(best);
  let left = budget;
  const consider = (order: number[] | null): boolean => {
    if (!order || left <= 0 || !allows(constraints, order)) return false;
    left--;
    if (left % TOLD_EVERY === 0) progress(1 - left / budget);
    const c = judge(order);
    if (c >= least - NO_GAIN) return false;
    [best, least] = [order, c];
    return true;
  };
  const few = best.length <= FEW;
  while (few && singleMoves(best).some(consider)) continue;
  for (let t = 0; t < budget; t++) consider(few ? perturb(best, next) : moveSome(best, next, constraints));
  return best;
}
