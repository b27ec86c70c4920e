import { longestStitch } from '../../stitches/stitches';
import { MACHINE_LIMIT_MM } from '../../units/tolerances';
import type { Check } from '../check';

const ROUGH_MM = 0.05;

export const stitchTooLong: Check = {
  rule: 'stitch-too-long',
  severity: 'stop',
  title: 'Stitches longer than machines make',
  find({ plan, job }) {
    const limit = job.settings.longestStitch ?? MACHINE_LIMIT_MM;
    const { event, lengthMm } = longestStitch(plan, 0, plan.x.length, limit + ROUGH_MM);
    if (event < 0) return [];
    return [
      {
        pieces: [job.pieces[plan.piece[event]!]!.id],
        at: { x: plan.x[event]!, y: plan.y[event]! },
        measured: lengthMm,
        limit,
        unit: 'mm',
        limitFrom: job.settings.longestStitch === undefined ? 'what most machines make in one stitch' : 'what the shop’s machine makes',
        message: `A stitch of ${lengthMm.toFixed(1)} mm is longer than ${job.settings.longestStitch === undefined ? 'most machines make' : 'this machine makes'}: it would divide it where it likes, or stop.`,
      },
    ];
  },
};
