import { Command } from '../../stitches/roles';
import { CUT_BY_HAND_MM } from '../../units/craft';
import { hypot } from '../../units/trig';
import type { Check } from '../check';

export const jumpUntrimmed: Check = {
  rule: 'jump-untrimmed',
  severity: 'stop',
  title: 'Moves whose thread is not cut',
  find({ plan, job }) {
    const out = [];
    for (let i = 1; i < plan.x.length; i++) {
      if (plan.command[i] !== Command.jump) continue;
      let before = i - 1;
      while (before > 0 && (plan.command[before] === Command.jump || plan.command[before] === Command.stop)) before--;
      const length = hypot(plan.x[i]! - plan.x[before]!, plan.y[i]! - plan.y[before]!);
      if (plan.command[before] === Command.trim || i === 0 || length < CUT_BY_HAND_MM || before === 0) continue;
      out.push({
        pieces: [job.pieces[plan.piece[i]!]!.id],
        at: { x: plan.x[i]!, y: plan.y[i]! },
        measured: length,
        limit: CUT_BY_HAND_MM,
        unit: 'mm' as const,
        limitFrom: 'a thread this long is seen and catches',
        message: 'The needle moves here without the thread being cut: it lies across the work and must be cut by hand.',
      });
    }
    return out;
  },
};
