import type { Area, Point } from '../geometry/point';
import { boundsOf, distance, dot, sub } from '../geometry/point';
import { contains } from '../geometry/area';
import type { StitchPlan } from '../plan/plan';
import { Command, Role } from '../stitches/roles';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { HALF_BITE_MM, TAPER_MM, WIDEST_HALF_MM } from './rowEnds';
import type { SheetResult } from './sheet';

/** A cover stitch of a piece: where it was laid, and where it is predicted to lie when all is sewn. */
export interface LaidThread {
  laid: readonly [Point, Point];
  sewn: readonly [Point, Point];
}

/** The cover of a piece as it is predicted to lie: moved with the cloth, its rows drawn back at their holes. */
export function laidThreads(plan: StitchPlan, piece: number, sheet: SheetResult, biteMm: number): LaidThread[] {
  const { from, to } = plan.pieces[piece]!;
  const moved = (i: number): Point => {
    const [x, y] = [plan.x[i]!, plan.y[i]!];
    const [ux, uy] = sheet.at(x, y);
    return { x: x + ux - sheet.sewnX[i]!, y: y + uy - sheet.sewnY[i]! };
  };
  const out: LaidThread[] = [];
  for (let i = Math.max(1, from); i < to; i++) {
    if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch || plan.role[i] !== Role.cover) continue;
    const laid = [i - 1, i].map((k) => ({ x: plan.x[k]!, y: plan.y[k]! })) as [Point, Point];
    out.push({ laid, sewn: drawnBack(moved(i - 1), moved(i), biteMm) });
  }
  return out;
}

function drawnBack(a: Point, b: Point, biteMm: number): [Point, Point] {
  const mm = distance(a, b);
  if (mm === 0) return [a, b];
  const bite = Math.min(mm / 2, biteMm * (mm / (mm + HALF_BITE_MM)));
  const [x, y] = [((b.x - a.x) / mm) * bite, ((b.y - a.y) / mm) * bite];
  return [
    { x: a.x + x, y: a.y + y },
    { x: b.x - x, y: b.y - y },
  ];
}

/** Those threads of which the middle lies in an area. */
export function threadsIn(threads: readonly LaidThread[], zone: Area): LaidThread[] {
  const { minX, minY, maxX, maxY } = boundsOf(zone);
  return threads.filter(({ laid: [a, b] }) => {
    const [x, y] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    return x > minX && x < maxX && y > minY && y < maxY && contains(zone, { x, y });
  });
}

const BIN_MM = 0.1;

/**
 * How far threads reach up and down from a place: the height that a stretch of them of some width, taken together, reaches. A single
 * row that stands out is not what is seen of a letter's height.
 * @param up unit vector
 * @returns mm from `foot` along `up`; null where there is less than that width of thread
 */
export function reachOf(threads: readonly LaidThread[], foot: Point, up: Point, widthMm: number): { top: number; bottom: number } | null {
  const [tops, bottoms] = [new Map<number, number>(), new Map<number, number>()];
  for (const { sewn } of threads) outlineOf(sewn, foot, up, tops, bottoms);
  const bins = Math.max(1, Math.round(widthMm / BIN_MM));
  if (tops.size < bins) return null;
  const highest = [...tops.values()].sort((a, b) => b - a);
  const lowest = [...bottoms.values()].sort((a, b) => a - b);
  return { top: highest[bins - 1]!, bottom: lowest[bins - 1]! };
}

function outlineOf([a, b]: readonly [Point, Point], foot: Point, up: Point, tops: Map<number, number>, bottoms: Map<number, number>): void {
  const local = (p: Point): [number, number] => {
    const v = sub(p, foot);
    return [v.x * -up.y + v.y * up.x, dot(v, up)];
  };
  const [[u0, h0], [u1, h1]] = [local(a), local(b)];
  const mm = distance(a, b) || 1;
  const level = Math.abs(u1 - u0) / mm;
  const last = Math.floor((Math.max(u0, u1) + THREAD_WIDTH_MM / 2) / BIN_MM);
  for (let bin = Math.ceil((Math.min(u0, u1) - THREAD_WIDTH_MM / 2) / BIN_MM); bin <= last; bin++) {
    const u = bin * BIN_MM;
    const t = u1 === u0 ? 0 : Math.min(1, Math.max(0, (u - u0) / (u1 - u0)));
    // Thread tapers into its holes; where it stands upright its end is its hole.
    const half = level * WIDEST_HALF_MM * (1 + Math.min(1, (Math.min(t, 1 - t) * mm) / TAPER_MM));
    const [high, low] = level < UPRIGHT ? [Math.max(h0, h1), Math.min(h0, h1)] : [h0 + t * (h1 - h0), h0 + t * (h1 - h0)];
    if (high + half > (tops.get(bin) ?? -Infinity)) tops.set(bin, high + half);
    if (low - half < (bottoms.get(bin) ?? Infinity)) bottoms.set(bin, low - half);
  }
}
/** Threads whose way across has less of their length than this fill the whole of their width at both ends. */
const UPRIGHT = 0.15;
