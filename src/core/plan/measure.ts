import { recipeFor } from '../cloth/house';
import type { Job } from '../document/types';
import { SECONDS_PER_CHANGE, SECONDS_PER_TRIM } from '../route/seconds';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { hypot } from '../units/trig';
import type { StitchPlan } from './plan';
import { sumsOf } from './sums';
import { Command, Role } from '../stitches/roles';

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

/** Side of the squares over which layers are averaged, mm: fine enough to find a stack, coarse enough not to count single threads. */
const LAYER_CELL_MM = 2;

/**
 * Most layers of cover over any square of 2 mm: thread length times thread width per area. A fill at 0.40 is one layer,
 * a satin at 0.40 two, since its rows cross twice per spacing.
 */
export function maxLayers(plan: StitchPlan): number {
  const lengths = new Map<number, number>();
  let most = 0;
  for (let i = 1; i < plan.x.length; i++) {
    if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch || plan.role[i] !== Role.cover) continue;
    const [dx, dy] = [plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!];
    const length = hypot(dx, dy);
    const steps = Math.max(1, Math.ceil(length / 0.25));
    for (let k = 0; k < steps; k++) {
      const cx = Math.floor((plan.x[i - 1]! + (dx * (k + 0.5)) / steps) / LAYER_CELL_MM);
      const cy = Math.floor((plan.y[i - 1]! + (dy * (k + 0.5)) / steps) / LAYER_CELL_MM);
      const key = (cx + 5000) * 10000 + cy + 5000;
      const sum = (lengths.get(key) ?? 0) + length / steps;
      lengths.set(key, sum);
      if (sum > most) most = sum;
    }
  }
  return Math.round((most * THREAD_WIDTH_MM) / (LAYER_CELL_MM * LAYER_CELL_MM));
}
