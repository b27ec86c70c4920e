import { recipeFor } from '../cloth/house';
import type { Job } from '../document/types';
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

/** Thread used up by each stitch beyond its length: twice the cloth's thickness (craft §10), mm. */
const CLOTH_THICKNESS_MM = 0.6;
const THREAD_PER_TRIM_MM = 40;
const BOBBIN_SHARE = 0.6;

/** Measures a plan made from `job`. */
export function measurePlan(job: Job, plan: StitchPlan): PlanFigures {
  const sums = sumsOf(job, plan);
  const { box, stitches, trims, stops, changes } = sums;
  const upper = sums.length + stitches * 2 * CLOTH_THICKNESS_MM + trims * THREAD_PER_TRIM_MM;
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
    runSeconds: (stitches / speed) * 60 + trims * SECONDS_PER_TRIM + stops * SECONDS_PER_CHANGE,
    upperThreadM: upper / 1000,
    bobbinThreadM: (upper * BOBBIN_SHARE) / 1000,
  };
}
