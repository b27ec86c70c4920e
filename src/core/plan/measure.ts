import { recipeFor } from '../cloth/house';
import type { Job } from '../document/types';
import { emptyBounds, growBounds, type Bounds } from '../geometry/point';
import { SECONDS_PER_CHANGE, SECONDS_PER_TRIM } from '../route/seconds';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { hypot } from '../units/trig';
import type { StitchPlan } from './plan';
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

/** What adds up over the events of a plan. */
interface Sums {
  box: Bounds;
  stitches: number;
  trims: number;
  jumps: number;
  stops: number;
  changes: number;
  length: number;
  longest: number;
  shortest: number;
  longestSatin: number;
  longestMove: number;
  /** 1 for each thread that is sewn with. */
  used: Uint8Array;
}

/** Measures a plan made from `job`. */
export function measurePlan(job: Job, plan: StitchPlan): PlanFigures {
  const sums = summed(job, plan);
  const { box, stitches, trims, stops, changes } = sums;
  const upper = sums.length + stitches * 2 * CLOTH_THICKNESS_MM + trims * THREAD_PER_TRIM_MM;
  const speed = recipeFor(job.brief).speed;
  return {
    stitches,
    trims,
    jumps: sums.jumps,
    colourChanges: changes,
    handStops: stops - changes,
    threads: sums.used.reduce((n, used) => n + used, 0),
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

function summed(job: Job, plan: StitchPlan): Sums {
  const sums: Sums = {
    ...{ box: emptyBounds(), stitches: 0, trims: 0, jumps: 0, stops: 0, changes: 0, used: new Uint8Array(256) },
    ...{ length: 0, longest: 0, shortest: Infinity, longestSatin: 0, longestMove: 0 },
  };
  addStitches(sums, job, plan);
  addCommands(sums, plan);
  return sums;
}

function addStitches(sums: Sums, job: Job, { x, y, command, role, piece, thread }: StitchPlan): void {
  const satin = Uint8Array.from(job.pieces, (p) => (p.kind === 'satin' ? 1 : 0));
  for (let i = 0; i < x.length; i++) {
    if (command[i] !== Command.stitch) continue;
    sums.stitches++;
    sums.used[thread[i]!] = 1;
    growBounds(sums.box, x[i]!, y[i]!);
    if (i === 0 || command[i - 1] !== Command.stitch) continue;
    const d = hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!);
    sums.length += d;
    if (d > sums.longest) sums.longest = d;
    if (role[i] === Role.tie || role[i - 1] === Role.tie) continue;
    if (d < sums.shortest) sums.shortest = d;
    if (d > sums.longestSatin && role[i] === Role.cover && satin[piece[i]!] === 1) sums.longestSatin = d;
  }
}

function addCommands(sums: Sums, { x, y, command, thread }: StitchPlan): void {
  for (let i = 0; i < x.length; i++) {
    const what = command[i]!;
    if (what === Command.trim) sums.trims++;
    else if (what === Command.jump) {
      sums.jumps++;
      if (i > 0) sums.longestMove = Math.max(sums.longestMove, hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!));
    } else if (what === Command.stop) {
      sums.stops++;
      if (i + 1 < x.length && thread[i + 1] !== thread[i]) sums.changes++;
    }
  }
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
