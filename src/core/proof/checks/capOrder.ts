import { isCap } from '../../document/job';
import { boundsOf } from '../../geometry/point';
import { Command, Role } from '../../stitches/roles';
import type { Check } from '../check';
import type { ProofContext } from '../context';
import type { Fix } from '../finding';

/** A step down of more than this pushes cloth towards what is sewn, mm. */
const STEP_MM = 12;
/** Share of steps that may go down. */
const SHARE = 0.25;

export const capOrder: Check = {
  rule: 'cap-order',
  severity: 'warn',
  title: 'Caps sewn downward',
  find(context) {
    const { job, shaped, middleOf } = context;
    const sewn = job.pieces.flatMap((_, n) => (shaped[n]!.shape ? [n] : []));
    if (!isCap(job.brief) || sewn.length === 0) return [];
    const down = stepsDown(sewn.map((n) => ({ y: middleOf(n).y, thread: job.pieces[n]!.thread }))).map((k) => sewn[k]!);
    const within = sewn.filter((n) => sewnDown(context, n));
    const most = Math.floor(SHARE * Math.max(0, sewn.length - 1));
    return [
      ...(down.length > SHARE * (sewn.length - 1)
        ? [
            {
              pieces: down.map((n) => job.pieces[n]!.id),
              at: middleOf(down[0]!),
              measured: down.length,
              limit: most,
              unit: '' as const,
              limitFrom: 'caps: bottom to top, centre outward',
              message: `${down.length} times the sewing goes down the cap again: cloth is pushed to the brim and wrinkles. The path for caps goes upward.`,
            },
          ]
        : []),
      ...within.map((n) => ({
        pieces: [job.pieces[n]!.id],
        at: middleOf(n),
        measured: drop(context, n),
        limit: STEP_MM,
        unit: 'mm' as const,
        limitFrom: 'caps: each piece from low to high',
        message: `‘${job.pieces[n]!.name}’ is sewn from the top down: it pushes cloth to the brim.`,
        ...upward(context, n),
      })),
    ];
  },
};

/** Share of a piece's cover at either end that says where it begins and ends. */
const END_SHARE = 0.1;
/** It is sewn down when it falls by so much of its own height. */
const FALLS = 0.4;

/** How far the end of a piece's cover lies below its beginning, mm. */
function drop({ plan }: ProofContext, piece: number): number {
  const { from, to } = plan.pieces[piece]!;
  const ys: number[] = [];
  for (let i = from; i < to; i++) if (plan.role[i] === Role.cover && plan.command[i] === Command.stitch) ys.push(plan.y[i]!);
  const n = Math.ceil(END_SHARE * ys.length);
  const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);
  return n === 0 ? 0 : mean(ys.slice(-n)) - mean(ys.slice(0, n));
}

function sewnDown(context: ProofContext, piece: number): boolean {
  const { minY, maxY } = boundsOf(context.shaped[piece]!.shape!.painted);
  const falls = drop(context, piece);
  return falls > STEP_MM && falls > FALLS * (maxY - minY);
}

/** Ends that a person put the wrong way round are let go. */
function upward({ job }: ProofContext, n: number): { fix?: Fix } {
  const { id, start, end } = job.pieces[n]!;
  if (!start && !end) return {};
  return { fix: { label: 'Let its start and end go', pieces: [{ id, without: ['start', 'end'] }] } };
}

/**
 * Which pieces are a step down from those before, in one step or in several small ones. A new thread begins low again, that is as
 * it should be; it goes down when all of it lies below all that the last thread sewed.
 */
function stepsDown(sewn: readonly { y: number; thread: string }[]): number[] {
  const down: number[] = [];
  const blockFrom = (k: number, step: 1 | -1): number[] => {
    const ys: number[] = [];
    for (let i = k; sewn[i]?.thread === sewn[k]!.thread; i += step) ys.push(sewn[i]!.y);
    return ys;
  };
  let fallen = 0;
  for (let k = 1; k < sewn.length; k++) {
    const within = sewn[k]!.thread === sewn[k - 1]!.thread;
    const [from, to] = within ? [sewn[k - 1]!.y, sewn[k]!.y] : [Math.max(...blockFrom(k - 1, -1)), Math.min(...blockFrom(k, 1))];
    fallen = within ? Math.max(0, fallen + to - from) : to - from;
    if (fallen <= STEP_MM) continue;
    down.push(k);
    fallen = 0;
  }
  return down;
}
