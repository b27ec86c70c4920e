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
    const down = stepsDown(sewn.map((n, k) => ({ y: heights[k]!, thread: job.pieces[n]!.thread }))).map((k) => sewn[k]!);
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

/**
 * Which pieces are a step down from the one before. A new thread begins low again, that is as it should be; it goes down when
 * all of it lies below all that the last thread sewed.
 */
function stepsDown(sewn: readonly { y: number; thread: string }[]): number[] {
  const down: number[] = [];
  const blockFrom = (k: number, step: 1 | -1): number[] => {
    const ys: number[] = [];
    for (let i = k; sewn[i]?.thread === sewn[k]!.thread; i += step) ys.push(sewn[i]!.y);
    return ys;
  };
  for (let k = 1; k < sewn.length; k++) {
    const within = sewn[k]!.thread === sewn[k - 1]!.thread;
    const [from, to] = within ? [sewn[k - 1]!.y, sewn[k]!.y] : [Math.max(...blockFrom(k - 1, -1)), Math.min(...blockFrom(k, 1))];
    if (to - from > STEP_MM) down.push(k);
  }
  return down;
}
