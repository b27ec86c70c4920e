import { recipeFor } from '../cloth/house';
import type { Job } from '../document/types';
import { emptyBounds, growBounds } from '../geometry/point';
import { SECONDS_PER_CHANGE, SECONDS_PER_TRIM } from '../route/seconds';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { hypot } from '../units/trig';
import type { StitchPlan } from './plan';
import { Command, Role } from './roles';

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
  const box = emptyBounds();
  const satin = Uint8Array.from(job.pieces, (p) => (p.kind === 'satin' ? 1 : 0));
  const used = new Uint8Array(256);
  let [stitches, trims, jumps, stops, changes, longest, longestSatin, length] = [0, 0, 0, 0, 0, 0, 0, 0];
  let [shortest, longestMove] = [Infinity, 0];
  for (let i = 0; i < plan.x.length; i++) {
    const command = plan.command[i];
    if (command === Command.trim) trims++;
    else if (command === Command.jump) {
      jumps++;
      if (i > 0) longestMove = Math.max(longestMove, hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!));
    } else if (command === Command.stop) {
      stops++;
      if (i + 1 < plan.x.length && plan.thread[i + 1] !== plan.thread[i]) changes++;
    }
    if (command !== Command.stitch) continue;
    stitches++;
    used[plan.thread[i]!] = 1;
    growBounds(box, plan.x[i]!, plan.y[i]!);
    if (i === 0 || plan.command[i - 1] !== Command.stitch) continue;
    const d = hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
    length += d;
    if (d > longest) longest = d;
    if (plan.role[i] === Role.tie || plan.role[i - 1] === Role.tie) continue;
    if (d < shortest) shortest = d;
    if (plan.role[i] === Role.cover && satin[plan.piece[i]!] === 1 && d > longestSatin) longestSatin = d;
  }
  const upper = length + stitches * 2 * CLOTH_THICKNESS_MM + trims * THREAD_PER_TRIM_MM;
  const speed = recipeFor(job.brief).speed;
  return {
    stitches,
    trims,
    jumps,
    colourChanges: changes,
    handStops: stops - changes,
    threads: used.reduce((sum, n) => sum + n, 0),
    widthMm: stitches === 0 ? 0 : box.maxX - box.minX,
    heightMm: stitches === 0 ? 0 : box.maxY - box.minY,
    longestStitchMm: longest,
    shortestStitchMm: Number.isFinite(shortest) ? shortest : 0,
    longestSatinMm: longestSatin,
    longestMoveMm: longestMove,
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
