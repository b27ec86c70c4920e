import Flatbush from 'flatbush';
import { boundsOf, type Bounds, type Point } from '../geometry/point';
import type { EdgePlace } from '../editing/edgePlaces';
import type { StitchPlan } from '../plan/plan';
import { Command, Role } from '../stitches/roles';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { hypot } from '../units/trig';
import type { SheetResult } from './sheet';

/** Cover stitches of one piece that are found by place. */
export interface CoverOf {
  events: Int32Array;
  /** Each row is one stitch or few: the last one makes the end, wherever its holes are. */
  ofColumns: boolean;
  /** Calls with each that lies in a box. */
  eachIn(box: Bounds, call: (event: number) => void): void;
  /** Calls with each whose stitch touches a box. */
  eachAcross(box: Bounds, call: (event: number) => void): void;
}

export function coverOf(plan: StitchPlan, piece: number, ofColumns = false): CoverOf | null {
  const { from, to } = plan.pieces[piece]!;
  const events: number[] = [];
  for (let i = from; i < to; i++) if (plan.command[i] === Command.stitch && plan.role[i] === Role.cover) events.push(i);
  if (events.length === 0) return null;
  const index = new Flatbush(events.length);
  for (const i of events) index.add(plan.x[i]!, plan.y[i]!, plan.x[i], plan.y[i]);
  index.finish();
  // Asked for only where no row ends: at the ends of columns.
  let across: Flatbush | undefined;
  const acrossIndex = (): Flatbush => (across ??= stitchesOf(plan, events));
  const searched =
    (of: () => Flatbush): CoverOf['eachIn'] =>
    ({ minX, minY, maxX, maxY }, call) => {
      of().search(minX, minY, maxX, maxY, (k) => {
        call(events[k]!);
        return false;
      });
    };
  return { events: Int32Array.from(events), ofColumns, eachIn: searched(() => index), eachAcross: searched(acrossIndex) };
}

function stitchesOf({ x, y }: StitchPlan, events: readonly number[]): Flatbush {
  const index = new Flatbush(events.length);
  for (const i of events) {
    const [ax, ay, bx, by] = [x[i - 1] ?? x[i]!, y[i - 1] ?? y[i]!, x[i]!, y[i]!];
    index.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  }
  index.finish();
  return index;
}

/** Where the cover of a piece ends at a place on an edge, mm along `out` from the place. */
export interface EdgeOfCover {
  event: number;
  /** As sewn, before anything moves. */
  laidMm: number;
  /** How much the end of the row is drawn back at its hole. */
  bittenMm: number;
}

/** Rows end at most so far beside a place that counts them, along the edge and across it, mm. */
const BESIDE_MM = 0.8;
const ACROSS_MM = 2.5;
/** Rows this long feel half of the full bite, mm. */
export const HALF_BITE_MM = 0.6;
/** Thread reaches so far beyond the holes of a row along an edge, mm. */
export const WIDEST_HALF_MM = THREAD_WIDTH_MM / 4;
/** From so far beside its hole on thread has its full width, mm. */
export const TAPER_MM = 1;

/**
 * The outermost (`sign` 1) or innermost (-1) cover stitch of a piece at a place; null when it has none there.
 * @param rowsToo whether a row that runs along the edge counts where it has no hole as well
 */
export function edgeOfCover(
  plan: StitchPlan,
  cover: CoverOf,
  { at, out }: EdgePlace,
  biteMm: number,
  sign: 1 | -1,
  inwardMm = ACROSS_MM,
  outwardMm = ACROSS_MM,
  rowsToo = cover.ofColumns,
): EdgeOfCover | null {
  // The box about a strip across the edge.
  const wide = (along: number, beside: number): [number, number] => {
    const by = BESIDE_MM * Math.abs(beside);
    return [Math.min(-inwardMm * along, outwardMm * along) - by, Math.max(-inwardMm * along, outwardMm * along) + by];
  };
  const [left, right] = wide(out.x, out.y);
  const [top, low] = wide(out.y, out.x);
  let best: EdgeOfCover | null = null;
  let along = 0;
  cover.eachIn({ minX: at.x + left, minY: at.y + top, maxX: at.x + right, maxY: at.y + low }, (event) => {
    const dx = plan.x[event]! - at.x;
    const dy = plan.y[event]! - at.y;
    const depth = dx * out.x + dy * out.y;
    if (Math.abs(dy * out.x - dx * out.y) > BESIDE_MM || depth < -inwardMm || depth > outwardMm) return;
    if (best !== null && sign * depth + WIDEST_HALF_MM <= sign * best.laidMm) return;
    const row = rowAt(plan, event);
    // A row along the edge lies slantwise, so that half of its half width counts; a row across it ends at its hole.
    const ends = row.x * out.x + row.y * out.y;
    const half = WIDEST_HALF_MM * Math.sqrt(Math.max(0, 1 - ends * ends));
    const laidMm = depth + sign * half;
    const bittenMm = sign * Math.max(0, sign * ends) * biteMm * (row.length / (row.length + HALF_BITE_MM));
    if (best === null || sign * (laidMm - best.laidMm) > 0) [best, along] = [{ event, laidMm, bittenMm }, ends];
  });
  if (best !== null && (!rowsToo || Math.abs(along) > RUNS_ALONG)) return best;
  const across = lastRowAcross(plan, cover, { at, out }, sign, inwardMm, outwardMm);
  return across && (!best || sign * (across.laidMm - (best as EdgeOfCover).laidMm) > 0) ? across : best;
}

/** Rows of a column whose direction has less of the way out of an edge than this run along it: they make it, not their holes. */
const RUNS_ALONG = 0.5;

/** The last row that crosses before a place, as at the end of a column, where no row need end beside it. */
function lastRowAcross(
  plan: StitchPlan,
  cover: CoverOf,
  place: EdgePlace,
  sign: 1 | -1,
  inwardMm: number,
  outwardMm: number,
): EdgeOfCover | null {
  let best: EdgeOfCover | null = null;
  eachCrossing(plan, cover, place, inwardMm, outwardMm, (event, depth, ends, besideMm) => {
    // Thread tapers into its holes: beside them it reaches out by half of what it does farther along the row.
    const reach = Math.max(sign * ends[0], sign * ends[1]) + WIDEST_HALF_MM * (1 + Math.min(1, besideMm / TAPER_MM));
    const laidMm = sign * Math.min(sign * depth + THREAD_WIDTH_MM / 2, reach);
    if (best === null || sign * (laidMm - best.laidMm) > 0) best = { event, laidMm, bittenMm: 0 };
  });
  return best;
}

/** The inner side of a line that runs along an edge at a place, so far from it at most; null where there is none. */
export function edgeOfLine(plan: StitchPlan, line: CoverOf, place: EdgePlace, withinMm: number): EdgeOfCover | null {
  let best: EdgeOfCover | null = null;
  eachCrossing(plan, line, place, withinMm, withinMm, (event, depth) => {
    const laidMm = depth - THREAD_WIDTH_MM / 2;
    if (best === null || laidMm < best.laidMm) best = { event, laidMm, bittenMm: 0 };
  });
  return best;
}

/** Stitches that cross the line through a place square to its edge: how far out they do, how far out their ends lie, and how far from the nearer one that is, mm. */
function eachCrossing(
  { x, y }: StitchPlan,
  cover: CoverOf,
  { at, out }: EdgePlace,
  inwardMm: number,
  outwardMm: number,
  call: (event: number, depth: number, ends: readonly [number, number], besideMm: number) => void,
): void {
  const [from, to] = [-inwardMm, outwardMm].map((mm) => ({ x: at.x + mm * out.x, y: at.y + mm * out.y })) as [Point, Point];
  const local = (i: number): [depth: number, side: number] => {
    const [dx, dy] = [x[i]! - at.x, y[i]! - at.y];
    return [dx * out.x + dy * out.y, dy * out.x - dx * out.y];
  };
  cover.eachAcross(boundsOf([[from, to]]), (event) => {
    const [[d0, s0], [d1, s1]] = [local(Math.max(0, event - 1)), local(event)];
    if (s0 * s1 > 0 || s0 === s1) return;
    const depth = d0 + ((d1 - d0) * s0) / (s0 - s1);
    if (depth >= -inwardMm && depth <= outwardMm) call(event, depth, [d0, d1], Math.min(Math.abs(s0), Math.abs(s1)));
  });
}

/** Direction into a penetration along the longer of the two stitches that meet there, and that stitch's length. */
function rowAt({ x, y, command }: StitchPlan, event: number): { x: number; y: number; length: number } {
  let best = { x: 0, y: 0, length: 0 };
  for (const other of [event - 1, event + 1]) {
    if (other < 0 || other >= x.length || command[Math.max(event, other)] !== Command.stitch) continue;
    const [dx, dy] = [x[event]! - x[other]!, y[event]! - y[other]!];
    const length = hypot(dx, dy);
    if (length > best.length) best = { x: dx / length, y: dy / length, length };
  }
  return best;
}

/** How far the cloth at an event has moved along `out` from when it was sewn until another event is sewn; until the end when none is given. */
export function driftOf(plan: StitchPlan, sheet: SheetResult, event: number, out: Point, until?: number): number {
  const [ux, uy] = until === undefined ? sheet.at(plan.x[event]!, plan.y[event]!) : [sheet.sewnX[until]!, sheet.sewnY[until]!];
  return (ux - sheet.sewnX[event]!) * out.x + (uy - sheet.sewnY[event]!) * out.y;
}
