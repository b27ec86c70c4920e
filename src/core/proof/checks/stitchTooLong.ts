import { longestStitch } from '../../stitches/stitches';
import { MACHINE_LIMIT_MM } from '../../units/tolerances';
import type { Check } from '../check';

const ROUGH_MM = 0.05;

export const stitchTooLong: Check = {
  rule: 'stitch-too-long',
  severity: 'stop',
  title: 'Stitches longer than machines make',
  find({ plan, job }) {
    const { event, lengthMm } = longestStitch(plan, 0, plan.x.length, MACHINE_LIMIT_MM + ROUGH_MM);
    if (event < 0) return [];
    return [
      {
        pieces: [job.pieces[plan.piece[event]!]!.id],
        at: { x: plan.x[event]!, y: plan.y[event]! },
        measured: lengthMm,
        limit: MACHINE_LIMIT_MM,
        unit: 'mm',
        limitFrom: 'what most machines make in one stitch',
        message: 'A stitch is longer than most machines make: they would divide it where they like, or stop.',
      },
    ];
  },
};
