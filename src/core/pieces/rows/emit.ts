import { add, distance, dot, scale, sub, type Line, type Point } from '../../geometry/point';
import { resample } from '../../geometry/line';
import { onLattice, type StitchBuffer } from '../../stitches/buffer';
import { runPoints } from '../run/points';
import { ROW_END_CLEAR_MM, SHORTEST_STITCH_MM } from '../../units/tolerances';
import { pulledAt, type PullLaw } from '../rules/pull';
import { fromUV, heightOf, rowRange, type RowMesh } from './mesh';

/** How penetrations shift from row to row, as shares of the stitch length; four rows until they repeat. */
export const STAGGER_ORDER = [0, 0.5, 0.25, 0.75] as const;

/** Steps this long stay above the floor even when both ends are rounded to the plan's lattice, mm. */
const SAFE_STEP_MM = SHORTEST_STITCH_MM + 0.0015;

/** How far beyond its compensation a row may reach to lengthen a step, mm. */
const REACH_OUT_MM = 0.08;

export interface RowSettings {
  stitchLengthMm: number;
  /** Added at each end of each row. */
  pull: PullLaw;
  /** Share of the stitch length by which row k's penetrations are shifted. */
  staggerOf(row: number): number;
  /** Where a row meets the carved lines, mm from its start, in order; absent without such lines. */
  carvedOn?: ((row: Line) => number[]) | null;
}

/** Ordinary penetrations keep this far off a carved line, so that it shows, mm. */
const CARVE_CLEAR_MM = 1.1;

/** What is added at the left and right end of each stretch of a mesh, mm. */
export interface PulledRows {
  left: Float64Array;
  right: Float64Array;
}

/** Along an edge compensation changes by no more than this for every mm, so that no step shows where long rows lie beside short ones. */
const STEEPEST = 0.25;
/** Ends of neighbouring rows within this lie on one edge, mm. */
const ONE_EDGE_MM = 3;

/** Compensation of every stretch by its length, eased along each edge. */
export function easedPull(mesh: RowMesh, law: PullLaw): PulledRows {
  const own = new Float64Array(mesh.count).map((_, i) => pulledAt(law, mesh.u1[i]! - mesh.u0[i]!));
  if (law.end === 0 && law.perMm === 0) return { left: own, right: own };
  return { left: eased(mesh, own, mesh.u0), right: eased(mesh, own, mesh.u1) };
}

function eased(mesh: RowMesh, own: Float64Array, at: Float64Array): Float64Array {
  const out = own.slice();
  const most = STEEPEST * mesh.spacing;
  const ease = (i: number, step: 1 | -1): void => {
    const [from, to] = rowRange(mesh, mesh.row[i]! + step);
    for (let j = from; j < to; j++) if (Math.abs(at[j]! - at[i]!) < ONE_EDGE_MM) out[i] = Math.min(out[i]!, out[j]! + most);
  };
  for (let i = 0; i < mesh.count; i++) ease(i, -1);
  for (let i = mesh.count - 1; i >= 0; i--) ease(i, 1);
  return out;
}

/** Ends of stretch `i` with pull compensation; never across the middle of the gap to its neighbour in the row. */
export function compensatedEnds(mesh: RowMesh, i: number, pulled: PulledRows): [number, number] {
  const [from, to] = rowRange(mesh, mesh.row[i]!);
  const before = i > from ? mesh.u0[i]! - mesh.u1[i - 1]! : Infinity;
  const after = i + 1 < to ? mesh.u0[i + 1]! - mesh.u1[i]! : Infinity;
  const left = Math.min(pulled.left[i]!, Math.max(0, before / 2 - 0.1));
  const right = Math.min(pulled.right[i]!, Math.max(0, after / 2 - 0.1));
  return widen(mesh.u0[i]! - left, mesh.u1[i]! + right);
}

/** A row that is shorter than the shortest stitch is lengthened about its middle. */
function widen(a: number, b: number): [number, number] {
  const lack = SHORTEST_STITCH_MM + 0.05 - (b - a);
  return lack > 0 ? [a - lack / 2, b + lack / 2] : [a, b];
}

/** Sews one row from its end at `fromLeft` to the other, with interior penetrations on the design's lattice. */
export function sewRow(
  out: StitchBuffer,
  mesh: RowMesh,
  i: number,
  fromLeft: boolean,
  set: RowSettings,
  ends: [number, number],
  role: number,
): void {
  const [a, b] = ends;
  const v = heightOf(mesh, mesh.row[i]!);
  const length = set.stitchLengthMm;
  const sense = fromLeft ? -1 : 1;
  const outward = { x: mesh.frame.c * sense, y: mesh.frame.s * sense };
  stepTo(out, fromUV(mesh.frame, fromLeft ? a : b, v), outward, { spacing: mesh.spacing, longest: length * 1.3, role });
  if (set.carvedOn) {
    for (const u of carvedInterior(a, b, set, mesh, i, fromLeft)) {
      const p = fromUV(mesh.frame, u, v);
      out.push(p.x, p.y, role);
    }
  } else sewInterior(out, mesh, { a, b, v, phase: set.staggerOf(mesh.row[i]!) * length, length }, fromLeft, role);
  const p = fromUV(mesh.frame, fromLeft ? b : a, v);
  out.push(p.x, p.y, role);
}

interface Spread {
  a: number;
  b: number;
  v: number;
  phase: number;
  length: number;
}

/** The hot loop of fills: penetrations between a row's ends, straight into the buffer. */
function sewInterior(out: StitchBuffer, mesh: RowMesh, { a, b, v, phase, length }: Spread, fromLeft: boolean, role: number): void {
  const { c, s } = mesh.frame;
  const first = Math.ceil((a + ROW_END_CLEAR_MM - phase) / length);
  const last = Math.floor((b - ROW_END_CLEAR_MM - phase) / length);
  const step = fromLeft ? 1 : -1;
  let k = fromLeft ? first : last;
  // A row that begins farther in, so that the step to it is long enough, may come too near to its first penetration.
  const here = out.last();
  const u0 = k * length + phase;
  if (here && k >= first && k <= last && distance(here, fromUV(mesh.frame, u0, v)) < SHORTEST_STITCH_MM) k += step;
  for (; k >= first && k <= last; k += step) {
    const u = k * length + phase;
    out.push(u * c - v * s, u * s + v * c, role);
  }
}

/** Places of the penetrations inside a row that carved lines cross, in sewing order. */
function carvedInterior(a: number, b: number, set: RowSettings, mesh: RowMesh, i: number, fromLeft: boolean): number[] {
  const length = set.stitchLengthMm;
  const phase = set.staggerOf(mesh.row[i]!) * length;
  const first = Math.ceil((a + ROW_END_CLEAR_MM - phase) / length);
  const last = Math.floor((b - ROW_END_CLEAR_MM - phase) / length);
  const at = Array.from({ length: Math.max(0, last - first + 1) }, (_, k) => (first + k) * length + phase);
  const v = heightOf(mesh, mesh.row[i]!);
  const along = set.carvedOn!([fromUV(mesh.frame, a, v), fromUV(mesh.frame, b, v)]).map((s) => a + s);
  const all = withCarved(at, along, a, b);
  return fromLeft ? all : all.reverse();
}

/** Interior penetrations with those on carved lines put in; ordinary ones give way to them. */
export function withCarved(at: readonly number[], carved: readonly number[], a: number, b: number): number[] {
  const kept = carved.filter(
    (u, i) => u > a + SHORTEST_STITCH_MM && u < b - SHORTEST_STITCH_MM && (i === 0 || u - carved[i - 1]! >= SHORTEST_STITCH_MM),
  );
  return [...kept, ...at.filter((u) => kept.every((c) => Math.abs(c - u) >= CARVE_CLEAR_MM))].sort((p, q) => p - q);
}

/**
 * The step from the end of one row to the start of the next. Where rows end square to the edge the step is as short as
 * the spacing; it is then lengthened along the new row, the way it leans, until it is a stitch that machines sew safely.
 * @param outward direction of the new row, away from its middle, of length 1
 */
export function stepTo(
  out: StitchBuffer,
  p: Point,
  outward: Point,
  { spacing, longest, role }: { spacing: number; longest: number; role: number },
): void {
  const here = out.last();
  const length = here ? distance(here, p) : 0;
  if (here && length > longest) for (const q of resample([here, p], longest).slice(1, -1)) out.push(q.x, q.y, role);
  if (!here || length >= SAFE_STEP_MM || length < spacing * 0.9) {
    out.pushClear(p.x, p.y, role, SHORTEST_STITCH_MM);
    return;
  }
  const lean = dot(sub(p, here), outward);
  const needed = Math.sqrt(Math.max(0, SAFE_STEP_MM * SAFE_STEP_MM - length * length));
  // Rows nearer than a stitch would have to reach out far; they stay back instead.
  const way = lean < -0.005 || needed > REACH_OUT_MM ? -1 : 1;
  let best = onLattice(p);
  const along = scale(outward, way);
  for (let i = firstShift(here, p, along); i < SHIFTS.length && distance(here, best) < SHORTEST_STITCH_MM; i++) {
    best = onLattice(add(p, scale(along, SHIFTS[i]!)));
  }
  out.push(best.x, best.y, role);
}

/** By how much a step may be lengthened, mm. */
const SHIFTS: readonly number[] = (() => {
  const all: number[] = [];
  for (let shift = 0.002; shift <= 0.4; shift += 0.002) all.push(shift);
  return all;
})();
/** More than the plan's lattice can move a place. */
const LATTICE_SLACK_MM = 0.0015;

/** The first of `SHIFTS` that is worth trying: before it `p`, moved `along`, surely lies too near to `here`. */
function firstShift(here: Point, p: Point, along: Point): number {
  const from = sub(p, here);
  const lean = dot(from, along);
  const near = SHORTEST_STITCH_MM - LATTICE_SLACK_MM;
  const lack = near * near - dot(from, from);
  if (lack <= 0) return 0;
  const shift = Math.sqrt(lean * lean + lack) - lean;
  return Math.max(0, Math.min(SHIFTS.length - 1, Math.floor(shift / 0.002) - 2));
}

/** Sews a way as running stitches that cut none of its corners, from where the needle stands. */
export function sewWay(out: StitchBuffer, way: Line, lengthMm: number, role: number): void {
  for (const p of runPoints(way, lengthMm)) {
    const here = out.last();
    if (!here || distance(here, p) >= SHORTEST_STITCH_MM) out.push(p.x, p.y, role);
  }
}
