import { Command } from '../../plan/roles';
import { MACHINE_LIMIT_MM } from '../../units/tolerances';
import { hypot } from '../../units/trig';
import type { Check } from '../check';

export const stitchTooLong: Check = {
  rule: 'stitch-too-long',
  severity: 'stop',
  title: 'Stitches longer than machines make',
  find({ plan, job }) {
    let worst = { length: MACHINE_LIMIT_MM + 0.05, at: -1 };
    for (let i = 1; i < plan.x.length; i++) {
      if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch) continue;
      const length = hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
      if (length > worst.length) worst = { length, at: i };
    }
    if (worst.at < 0) return [];
    return [
      {
        pieces: [job.pieces[plan.piece[worst.at]!]!.id],
        at: { x: plan.x[worst.at]!, y: plan.y[worst.at]! },
        measured: worst.length,
        limit: MACHINE_LIMIT_MM,
        unit: 'mm',
        limitFrom: 'what most machines make in one stitch',
        message: 'A stitch is longer than most machines make: they would divide it where they like, or stop.',
      },
    ];
  },
};
