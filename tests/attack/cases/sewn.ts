import type { Job } from '../../../src/core/document/types';
import type { StitchPlan } from '../../../src/core/plan/plan';
import { Command } from '../../../src/core/stitches/roles';

/** A machine makes no longer stitch than 12 mm; rounding to three decimals may add a little. */
const LONGEST_MM = 12.1;

/** What no plan may ever hold, in words; null when it is sound. */
export function wrongIn(job: Job, plan: StitchPlan): string | null {
  for (let i = 0; i < plan.x.length; i++) {
    if (!Number.isFinite(plan.x[i]!) || !Number.isFinite(plan.y[i]!)) return `event ${i} lies nowhere`;
    if (i === 0 || plan.command[i] !== Command.stitch || plan.command[i - 1]! > Command.jump) continue;
    const length = Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
    if (length > LONGEST_MM) return `a stitch of ${length.toFixed(2)} mm in ${job.pieces[plan.piece[i]!]?.id}`;
  }
  return null;
}
