import type { Job } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { runSeconds, upperThreadM } from '../plan/measure';
import { Command } from '../stitches/roles';
import { hypot } from '../units/trig';

/** One stretch that the machine sews by itself, between two stops. */
export interface SewnStop {
  /** Index into the job's threads. */
  thread: number;
  /** Events of the plan, the one after the last not among them. */
  from: number;
  to: number;
  stitches: number;
  trims: number;
  /** Of its stitches and cuts, with the stop that ends it. */
  seconds: number;
  upperM: number;
  /** Indices of pieces that are sewn in it, in their order. */
  pieces: number[];
  /** The thread is the one before: the machine only waited for a hand. */
  byHand: boolean;
}

/** A plan as the stretches between its stops, in sewing order; those without a stitch are left out. */
export function stopsOf(job: Job, plan: StitchPlan, stitchesPerMinute: number): SewnStop[] {
  const out: SewnStop[] = [];
  let from = 0;
  for (let i = 0; i <= plan.x.length; i++) {
    const ends = i === plan.x.length || plan.command[i] === Command.stop;
    if (!ends) continue;
    const to = Math.min(i + 1, plan.x.length);
    const stop = stretch(job, plan, { from, to, stitchesPerMinute });
    if (stop) out.push({ ...stop, byHand: out[out.length - 1]?.thread === stop.thread });
    from = to;
  }
  return out;
}

function stretch(
  job: Job,
  plan: StitchPlan,
  { from, to, stitchesPerMinute }: { from: number; to: number; stitchesPerMinute: number },
): Omit<SewnStop, 'byHand'> | null {
  const counts = { stitches: 0, trims: 0, stops: 0, lengthMm: 0 };
  const pieces: number[] = [];
  let thread = -1;
  for (let i = from; i < to; i++) {
    const command = plan.command[i];
    if (command === Command.trim) counts.trims++;
    else if (command === Command.stop) counts.stops++;
    else if (command === Command.stitch) {
      counts.stitches++;
      thread = plan.thread[i]!;
      if (pieces[pieces.length - 1] !== plan.piece[i]) pieces.push(plan.piece[i]!);
      if (i > 0 && plan.command[i - 1] === Command.stitch)
        counts.lengthMm += hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
    }
  }
  if (counts.stitches === 0) return null;
  return {
    ...{ thread, from, to, pieces: [...new Set(pieces)] },
    ...{ stitches: counts.stitches, trims: counts.trims },
    seconds: runSeconds(counts, stitchesPerMinute),
    upperM: upperThreadM(counts, job.brief.cloth),
  };
}
