import { recipeFor } from '../cloth/house';
import { clothThickness } from '../cloth/thickness';
import type { ClothKey, Job } from '../document/types';
import { SECONDS_PER_CHANGE, SECONDS_PER_TRIM } from '../route/seconds';
import type { StitchPlan } from './plan';
import { sumsOf } from './sums';

/** Figures of a plan. Lengths mm. */
export interface PlanFigures {
  stitches: number;
  trims: number;
  jumps: number;
  colourChanges: number;
  /** Stops at which the thread stays: cloth or foam is laid on, or trimmed. */
  handStops: number;
  threads: number;
  widthMm: number;
  heightMm: number;
  longestStitchMm: number;
  /** Ties aside. */
  shortestStitchMm: number;
  longestSatinMm: number;
  /** Longest way that the needle goes without sewing, mm. */
  longestMoveMm: number;
  runSeconds: number;
  upperThreadM: number;
  bobbinThreadM: number;
}

const THREAD_PER_TRIM_MM = 40;
/** What the bobbin gives for each metre of upper thread. */
export const BOBBIN_SHARE = 0.6;

/** What upper thread is used for: mm of stitches, their number, and cuts. */
export interface ThreadUse {
  lengthMm: number;
  stitches: number;
  trims: number;
}

/** Upper thread, m: the stitches' length, twice through the cloth's thickness at each, and what hangs over at each cut (craft §10). */
export const upperThreadM = ({ lengthMm, stitches, trims }: ThreadUse, cloth: ClothKey): number =>
  (lengthMm + stitches * 2 * clothThickness(cloth) + trims * THREAD_PER_TRIM_MM) / 1000;

/** Machine time: stitches at the speed, cuts and stops (craft §10). */
export const runSeconds = (
  { stitches, trims, stops }: { stitches: number; trims: number; stops: number },
  stitchesPerMinute: number,
): number => (stitches / stitchesPerMinute) * 60 + trims * SECONDS_PER_TRIM + stops * SECONDS_PER_CHANGE;

/** All stitches of a plan. */
export const stitchesOf = ({ pieces }: Pick<StitchPlan, 'pieces'>): number => pieces.reduce((sum, p) => sum + p.stitches, 0);

/** Measures a plan made from `job`. */
export function measurePlan(job: Job, plan: StitchPlan): PlanFigures {
  const sums = sumsOf(job, plan);
  const { box, stitches, trims, stops, changes } = sums;
  const upper = upperThreadM({ lengthMm: sums.length, stitches, trims }, job.brief.cloth);
  const speed = recipeFor(job.brief).speed;
  return {
    stitches,
    trims,
    jumps: sums.jumps,
    colourChanges: changes,
    handStops: stops - changes,
    threads: sums.threads.size,
    widthMm: stitches === 0 ? 0 : box.maxX - box.minX,
    heightMm: stitches === 0 ? 0 : box.maxY - box.minY,
    longestStitchMm: sums.longest,
    shortestStitchMm: Number.isFinite(sums.shortest) ? sums.shortest : 0,
    longestSatinMm: sums.longestSatin,
    longestMoveMm: sums.longestMove,
    runSeconds: runSeconds({ stitches, trims, stops }, speed),
    upperThreadM: upper,
    bobbinThreadM: upper * BOBBIN_SHARE,
  };
}
