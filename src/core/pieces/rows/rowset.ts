import { lengthsAlong, lineLength } from '../../geometry/line';
import { add, cross, distance, dot, mix, scale, sub, unit, type Line, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { ROW_END_CLEAR_MM } from '../../units/tolerances';
import { compensatedEnds, easedPull, sewRow, stepTo, withCarved, type RowSettings } from './emit';
import { pulledAt, type PullLaw } from '../rules/pull';
import { fromUV, heightOf, neighbours, type RowMesh } from './mesh';

/** Rows of any course, ready to be ordered and sewn: straight ones, turning ones, rows that open gradually. */
export interface RowSet {
  readonly count: number;
  /** Rows beside row `i` on the side of earlier (-1) or later (+1) rows. */
  neighbours(i: number, step: 1 | -1): readonly number[];
  /** Both ends of a row as they will be sewn. */
  ends(i: number): [Point, Point];
  /** The row's course inside the area, from its first end to its second. */
  course(i: number): Line;
  /** Sews a row from its first end to its second, or the other way. */
  sew(out: StitchBuffer, i: number, forward: boolean, role: number): void;
  /** Whether a row should be sewn from its first end; absent when it does not matter. */
  prefers?(i: number): boolean;
  /** The mesh that ways are found on, when rows are its stretches. */
  readonly mesh: RowMesh | null;
}

export function straightRows(mesh: RowMesh, set: RowSettings): RowSet {
  const pulled = easedPull(mesh, set.pull);
  return {
    count: mesh.count,
    mesh,
    neighbours: (i, step) => neighbours(mesh, i, step),
    ends: (i) => {
      const [a, b] = compensatedEnds(mesh, i, pulled);
      const v = heightOf(mesh, mesh.row[i]!);
      return [fromUV(mesh.frame, a, v), fromUV(mesh.frame, b, v)];
    },
    course: (i) => {
      const v = heightOf(mesh, mesh.row[i]!);
      return [fromUV(mesh.frame, mesh.u0[i]!, v), fromUV(mesh.frame, mesh.u1[i]!, v)];
    },
    sew: (out, i, forward, role) => sewRow(out, mesh, i, forward, set, compensatedEnds(mesh, i, pulled), role),
  };
}

/** Rows given as lines in row order, all running the same way. */
export interface LineRows {
  readonly stretches: readonly { row: number; points: Line }[];
  readonly spacingMm: number;
  neighbours(i: number, step: 1 | -1): readonly number[];
  prefers?(i: number): boolean;
}

export function lineRows(rows: LineRows, set: RowSettings): RowSet {
  const lines = compensated(rows, set.pull);
  return {
    count: lines.length,
    mesh: null,
    neighbours: rows.neighbours,
    ...(rows.prefers ? { prefers: rows.prefers } : {}),
    ends: (i) => [lines[i]![0]!, lines[i]![lines[i]!.length - 1]!],
    course: (i) => rows.stretches[i]!.points,
    sew: (out, i, forward, role) => sewLine(out, lines[i]!, rows.stretches[i]!.row, forward, rows.spacingMm, set, role),
  };
}

/** Every line lengthened at both ends along itself, but not past the middle of the gap to the next in its row. */
function compensated(rows: LineRows, law: PullLaw): Line[] {
  const inRow = new Map<number, number[]>();
  rows.stretches.forEach((s, i) => inRow.set(s.row, [...(inRow.get(s.row) ?? []), i]));
  const tips = (i: number): Point[] => [rows.stretches[i]!.points[0]!, rows.stretches[i]!.points[rows.stretches[i]!.points.length - 1]!];
  return rows.stretches.map(({ row, points }, i) => {
    const others = inRow
      .get(row)!
      .filter((j) => j !== i)
      .flatMap(tips);
    const comp = pulledAt(law, lineLength(points));
    const room = (p: Point): number => Math.min(comp, ...others.map((q) => Math.max(0, distance(p, q) / 2 - 0.1)));
    const n = points.length;
    const first = points[0]!;
    const last = points[n - 1]!;
    const out = points.slice();
    out[0] = add(first, scale(unit(sub(first, points[1]!)), room(first)));
    out[n - 1] = add(last, scale(unit(sub(last, points[n - 2]!)), room(last)));
    return out;
  });
}

/** Chords of curved rows keep this near to them, mm. */
const CHORD_MM = 0.1;

function sewLine(out: StitchBuffer, line: Line, row: number, forward: boolean, spacing: number, set: RowSettings, role: number): void {
  const along = lengthsAlong(line);
  const total = along[along.length - 1]!;
  const length = Math.min(set.stitchLengthMm, Math.max(1, Math.sqrt((8 * CHORD_MM * total) / Math.max(1e-6, turnOf(line)))));
  const phase = set.staggerOf(row) * length;
  const first = Math.ceil((ROW_END_CLEAR_MM - phase) / length);
  const last = Math.floor((total - ROW_END_CLEAR_MM - phase) / length);
  let at = Array.from({ length: Math.max(0, last - first + 1) }, (_, k) => (first + k) * length + phase);
  if (set.carvedOn) at = withCarved(at, set.carvedOn(line), 0, total);
  const places = [0, ...at, total];
  if (!forward) places.reverse();
  const points = placesOn(line, along, places);
  const inward = forward ? sub(line[1]!, line[0]!) : sub(line[line.length - 2]!, line[line.length - 1]!);
  stepTo(out, points[0]!, scale(unit(inward), -1), { spacing, longest: length * 1.3, role });
  for (const p of points.slice(1)) out.push(p.x, p.y, role);
}

function placesOn(line: Line, along: Float64Array, places: readonly number[]): Point[] {
  return places.map((s) => {
    let [low, high] = [0, along.length - 1];
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (along[middle]! <= s) low = middle;
      else high = middle;
    }
    const span = along[high]! - along[low]!;
    return mix(line[low]!, line[high]!, span > 0 ? (s - along[low]!) / span : 0);
  });
}

/** How much a line turns in all, radians (sum of sines: rows turn gently). */
function turnOf(line: Line): number {
  let sum = 0;
  for (let i = 2; i < line.length; i++) {
    const [d, e] = [unit(sub(line[i - 1]!, line[i - 2]!)), unit(sub(line[i]!, line[i - 1]!))];
    sum += dot(d, e) < 0 ? 1.5 : Math.abs(cross(d, e));
  }
  return sum;
}
