import { Command, Role } from '../../plan/roles';
import { hypot } from '../../units/trig';
import type { Check } from '../check';

/** Below this threads break and nests form, mm (craft §3: 0.3 is the floor). */
const FLOOR_MM = 0.3;
/** A few in a thousand at seams do no harm. */
const SHARE = 0.01;

export const stitchTooShort: Check = {
  rule: 'stitch-too-short',
  severity: 'warn',
  title: 'Many stitches under 0.3 mm',
  find({ plan, job }) {
    return plan.pieces.flatMap((p, n) => {
      let [short, all, first, least] = [0, 0, -1, FLOOR_MM];
      for (let i = p.from + 1; i < p.to; i++) {
        if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch) continue;
        if (plan.role[i] === Role.tie || plan.role[i - 1] === Role.tie) continue;
        all++;
        const length = hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
        if (length >= FLOOR_MM) continue;
        short++;
        if (length < least) [least, first] = [length, i];
      }
      if (short < 3 || short < all * SHARE) return [];
      return [
        {
          pieces: [job.pieces[n]!.id],
          at: { x: plan.x[first]!, y: plan.y[first]! },
          measured: least,
          limit: FLOOR_MM,
          unit: 'mm' as const,
          limitFrom: 'below it threads break and nest',
          message: `${short} of ${all} stitches are shorter than ${FLOOR_MM} mm: threads break and nests form.`,
        },
      ];
    });
  },
};
