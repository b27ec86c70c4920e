import { add, cross, distance, dot, mix, scale, sub, unit, type Line, type Point } from '../../geometry/point';
import { resample } from '../../geometry/line';
import { atan2, cos, PI, sin } from '../../units/trig';
import { SAME_POINT_MM } from '../../units/tolerances';
import { castRows } from './cast';
import type { EdgeIndex } from './outlineEdges';
import { makeTrack, type Track } from './track';

/** What columns that meet at a corner lap over its cap, mm. */
export const CAP_LAP_MM = 0.6;
/** What columns lap over each other across a mitre line, mm: each gives half of it. */
const MITRE_LAP_MM = 1;
const STEP_MM = 0.12;

/** A line between two corners or ends. */
export interface Stretch {
  points: Point[];
  /** Turn at its start and end, radians; NaN at an open end. */
  turnBefore: number;
  turnAfter: number;
  /** Direction of the mitre line at its start and end, pointing to the outer side; null at an open end. */
  mitreBefore: Point | null;
  mitreAfter: Point | null;
}

function turnAt(a: Point, b: Point, c: Point): number {
  const d = sub(b, a);
  const e = sub(c, b);
  return Math.abs(atan2(cross(d, e), dot(d, e)));
}

const mitreAt = (a: Point, b: Point, c: Point): Point => unit(sub(unit(sub(b, a)), unit(sub(c, b))));

/** Divides a line where it turns more sharply than `sharpRad`. */
export function splitAtCorners(line: readonly Point[], closed: boolean, sharpRad: number): Stretch[] {
  const n = line.length;
  const ring = closed && distance(line[0]!, line[n - 1]!) < SAME_POINT_MM ? line.slice(0, -1) : line.slice();
  const m = ring.length;
  const around = (i: number): [Point, Point, Point] => [ring[(i + m - 1) % m]!, ring[i]!, ring[(i + 1) % m]!];
  const turns = ring.map((_, i) => (!closed && (i === 0 || i === m - 1) ? 0 : turnAt(...around(i))));
  const corners = turns.flatMap((t, i) => (t > sharpRad ? [i] : []));
  const stretch = (points: Point[], from: number | null, to: number | null): Stretch => ({
    points,
    turnBefore: from === null ? NaN : turns[from]!,
    turnAfter: to === null ? NaN : turns[to]!,
    mitreBefore: from === null ? null : mitreAt(...around(from)),
    mitreAfter: to === null ? null : mitreAt(...around(to)),
  });
  if (!closed) {
    const cuts = [0, ...corners, m - 1];
    return cuts.slice(1).map((to, k) => stretch(ring.slice(cuts[k], to + 1), k === 0 ? null : cuts[k]!, k === cuts.length - 2 ? null : to));
  }
  if (corners.length === 0) return [{ points: [...ring, ring[0]!], turnBefore: 0, turnAfter: 0, mitreBefore: null, mitreAfter: null }];
  return corners.map((from, k) => {
    const to = corners[(k + 1) % corners.length]!;
    const end = to > from ? to : to + m;
    return stretch(
      Array.from({ length: end - from + 1 }, (_, i) => ring[(from + i) % m]!),
      from,
      to,
    );
  });
}

type Row = readonly [Point, Point];

/** Rows cut off where they cross the mitre line of the corner at either end, plus the lap; rows wholly beyond it go. */
export function mitred(track: Track, s: Stretch): Track | null {
  const n = s.points.length;
  let rows: Row[] = track.left.map((l, i) => [l, track.right[i]!]);
  if (s.mitreBefore) rows = cutAtMitre(rows, s.points[0]!, s.mitreBefore, sub(s.points[1]!, s.points[0]!));
  if (s.mitreAfter) {
    rows = cutAtMitre(rows.reverse(), s.points[n - 1]!, s.mitreAfter, sub(s.points[n - 2]!, s.points[n - 1]!)).reverse();
  }
  return rows.length < 2
    ? null
    : makeTrack(
        rows.map(([l]) => l),
        rows.map(([, r]) => r),
      );
}

/** Cuts rows, the one at the corner first, up to the first that lies wholly on its own side: a column may bend round behind the line. */
function cutAtMitre(rows: readonly Row[], corner: Point, mitre: Point, inward: Point): Row[] {
  const side = Math.sign(cross(mitre, inward)) || 1;
  // Positive on this column's side of the mitre line, and up to half the lap beyond it.
  const within = (p: Point): number => cross(mitre, sub(p, corner)) * side + MITRE_LAP_MM / 2;
  const isClear = ([l, r]: Row): boolean => within(l) >= 0 && within(r) >= 0;
  // In the very point of a corner rows are so short that they lie within the lap.
  const first = rows.findIndex((row) => !isClear(row));
  const clear = first < 0 ? 0 : rows.findIndex((row, i) => i > first && isClear(row));
  const cut = clear < 0 ? rows.length : clear;
  const kept = rows.slice(0, cut).flatMap(([l, r]): Row[] => {
    const [a, b] = [within(l), within(r)];
    if (a < 0 && b < 0) return [];
    const at = a < 0 || b < 0 ? mix(l, r, a / (a - b)) : l;
    const row: Row = a < 0 ? [at, r] : b < 0 ? [l, at] : [l, r];
    return distance(...row) < LEAST_ROW_MM ? [] : [row];
  });
  return [...kept, ...rows.slice(cut)];
}

/** Rows shorter than this at the point of a mitre are left to the neighbour, mm. */
const LEAST_ROW_MM = 0.8;

/**
 * A short column that closes a corner: its rows lie square to the mitre line, from the inner corner to the outer one, and
 * fill the kite that the two neighbours leave.
 */
export function capColumn(before: Line, after: Line, half: number, edges: EdgeIndex): Track | null {
  const corner = after[0]!;
  const turn = turnAt(before[before.length - 2]!, corner, after[1]!);
  const outward = mitreAt(before[before.length - 2]!, corner, after[1]!);
  const tilt = Math.min(turn, PI * 0.75) / 2;
  const reach = half / Math.max(0.2, cos(tilt));
  const inner = add(corner, scale(outward, -reach));
  const outer = add(corner, scale(outward, reach));
  const middle = resample([mix(inner, outer, 0.02), mix(inner, outer, 0.98)], STEP_MM);
  const slope = sin(tilt) / Math.max(0.2, cos(tilt));
  const halfRow = (i: number): number => distance(middle[i]!, inner) * slope + CAP_LAP_MM;
  return castRows(
    middle,
    middle.map(() => outward),
    halfRow,
    halfRow,
    edges,
  );
}
