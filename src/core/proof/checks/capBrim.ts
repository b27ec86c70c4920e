import { isCap } from '../../document/job';
import { Command } from '../../stitches/roles';
import type { Check } from '../check';

/**
 * Room between the lowest stitch and the edge of the field on the side of the brim, mm: assumed. The frame keeps its field clear of the
 * brim; a stiff cap rises sooner than a soft one.
 */
const ROOM_MM = { stiff: 2, soft: 1 };

export const capBrim: Check = {
  rule: 'cap-brim',
  severity: 'warn',
  title: 'Sewn too near to the brim',
  find({ job, plan }) {
    if (!isCap(job.brief)) return [];
    let lowest = -1;
    plan.y.forEach((y, i) => {
      if (plan.command[i] === Command.stitch && (lowest < 0 || y > plan.y[lowest]!)) lowest = i;
    });
    if (lowest < 0) return [];
    const soft = job.brief.cloth === 'soft-cap';
    const limit = soft ? ROOM_MM.soft : ROOM_MM.stiff;
    const room = job.brief.hoop.height / 2 - plan.y[lowest]!;
    if (room >= limit) return [];
    return [
      {
        pieces: [job.pieces[plan.piece[lowest]!]!.id],
        at: { x: plan.x[lowest]!, y: plan.y[lowest]! },
        measured: room,
        limit,
        unit: 'mm',
        limitFrom: `${soft ? 'soft' : 'stiff'} caps, assumed; your frame’s manual tells yours`,
        message: 'Near the brim the cap does not lie flat and the presser foot may strike it: move the work up, or sew it lower in height.',
      },
    ];
  },
};
