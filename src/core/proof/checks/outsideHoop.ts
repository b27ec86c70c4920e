import { Command } from '../../plan/roles';
import { hypot } from '../../units/trig';
import type { Check } from '../check';

const ROUGH_MM = 0.05;

export const outsideHoop: Check = {
  rule: 'outside-hoop',
  severity: 'stop',
  title: 'Stitches outside the hoop’s field',
  find({ plan, job }) {
    const { width, height, shape } = job.brief.hoop;
    let [worst, at] = [ROUGH_MM, -1];
    for (let i = 0; i < plan.x.length; i++) {
      if (plan.command[i] !== Command.stitch) continue;
      const [x, y] = [Math.abs(plan.x[i]!), Math.abs(plan.y[i]!)];
      const beyond = shape === 'round' ? hypot(x, y) - width / 2 : Math.max(x - width / 2, y - height / 2);
      if (beyond > worst) [worst, at] = [beyond, i];
    }
    if (at < 0) return [];
    return [
      {
        pieces: [job.pieces[plan.piece[at]!]!.id],
        at: { x: plan.x[at]!, y: plan.y[at]! },
        measured: worst,
        limit: 0,
        unit: 'mm',
        limitFrom: 'the hoop of the brief',
        message: `Stitches lie ${worst.toFixed(1)} mm outside the hoop’s field: the needle could hit the frame. Move the work, make it smaller or take a larger hoop.`,
      },
    ];
  },
};
