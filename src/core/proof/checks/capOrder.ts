import { isCap } from '../../document/job';
import type { Check } from '../check';

/** A step down of more than this pushes cloth towards what is sewn, mm. */
const STEP_MM = 12;
/** Share of steps that may go down. */
const SHARE = 0.25;

export const capOrder: Check = {
  rule: 'cap-order',
  severity: 'warn',
  title: 'Caps sewn downward',
  find({ job, shaped, middleOf }) {
    const sewn = job.pieces.flatMap((_, n) => (shaped[n]!.shape ? [n] : []));
    if (!isCap(job.brief) || sewn.length < 2) return [];
    const heights = sewn.map((n) => middleOf(n).y);
    const down = heights.slice(1).flatMap((y, k) => (y - heights[k]! > STEP_MM ? [sewn[k + 1]!] : []));
    if (down.length <= SHARE * (sewn.length - 1)) return [];
    return [
      {
        pieces: down.map((n) => job.pieces[n]!.id),
        at: middleOf(down[0]!),
        measured: down.length,
        limit: Math.floor(SHARE * (sewn.length - 1)),
        unit: '',
        limitFrom: 'caps: bottom to top, centre outward',
        message: `${down.length} times the sewing goes down the cap again: cloth is pushed to the brim and wrinkles. The path for caps goes upward.`,
      },
    ];
  },
};
