import type { PlanColumns } from './buffer';
import { hypot } from '../units/trig';
import { Command } from './roles';

type Stitched = Pick<PlanColumns, 'x' | 'y' | 'command'>;

/** Visits every stitch (two penetrations with nothing between) that ends at an event from `from` up to, but without, `to`. */
export function eachStitch(plan: Stitched, from: number, to: number, visit: (event: number, lengthMm: number) => void): void {
  const { x, y, command } = plan;
  for (let i = Math.max(1, from); i < to; i++) {
    if (command[i] !== Command.stitch || command[i - 1] !== Command.stitch) continue;
    visit(i, hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!));
  }
}

/** The longest stitch of a range that counts; event -1 when none is longer than `overMm`. */
export function longestStitch(
  plan: Stitched,
  from: number,
  to: number,
  overMm: number,
  counts: (event: number) => boolean = () => true,
): { event: number; lengthMm: number } {
  let best = { event: -1, lengthMm: overMm };
  eachStitch(plan, from, to, (event, lengthMm) => {
    if (lengthMm > best.lengthMm && counts(event)) best = { event, lengthMm };
  });
  return best;
}
