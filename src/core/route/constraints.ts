import { boundsTouch } from '../geometry/point';
import { CELL_MM, sharedCells } from './cells';
import type { RouteItem } from './item';

/** Pieces that share less than this lie beside each other, not on each other, mm². */
const ON_TOP_MM2 = 0.5;

/** What must be sewn before what. */
export interface Constraints {
  /** For each item those that must come before it. */
  before: readonly (readonly number[])[];
  /** Whether `a` must come before `b`, directly. */
  forces(a: number, b: number): boolean;
}

/**
 * What lies over what stays so: of two pieces that overlap, the one sewn first in the given order comes first in every
 * order. That keeps tucked crossbars under their stems too.
 * @param items in the given order
 * @param wished further pairs, first before second
 */
export function constraintsOf(items: readonly RouteItem[], wished: readonly (readonly [number, number])[] = []): Constraints {
  const before: number[][] = items.map((_, i) => {
    const out: number[] = [];
    for (let j = 0; j < i; j++) {
      if (!boundsTouch(items[i]!.box, items[j]!.box)) continue;
      if (sharedCells(items[i]!.painted, items[j]!.painted) * CELL_MM * CELL_MM >= ON_TOP_MM2) out.push(j);
    }
    return out;
  });
  for (const [first, second] of wished) if (!leads(before, second, first)) before[second]!.push(first);
  const sets = before.map((list) => new Set(list));
  return { before, forces: (a, b) => sets[b]!.has(a) };
}

/** Whether `a` already has to come before `b`, by whatever chain. */
function leads(before: readonly (readonly number[])[], a: number, b: number): boolean {
  const seen = new Set<number>();
  const visit = (i: number): boolean => {
    if (i === a) return true;
    if (seen.has(i)) return false;
    seen.add(i);
    return before[i]!.some(visit);
  };
  return before[b]!.some(visit);
}

/** Whether an order respects everything. */
export function allows(constraints: Constraints, order: readonly number[]): boolean {
  const at = new Map(order.map((item, k) => [item, k]));
  return order.every((item, k) => constraints.before[item]!.every((j) => at.get(j)! < k));
}
