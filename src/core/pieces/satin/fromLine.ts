import { strokeArea } from '../../geometry/area';
import { calmTangents, lineLength, resample, smooth, withoutRepeats } from '../../geometry/line';
import { add, cross, distance, dot, scale, sub, unit, type Line, type Point } from '../../geometry/point';
import { atan2, PI, sin, cos } from '../../units/trig';
import { OVERLAP_MM, SAME_POINT_MM } from '../../units/tolerances';
import { indexEdges, type EdgeIndex } from './edges';
import { makeTrack, type Column, type ColumnNetwork } from './track';

export interface StrokeSpec {
  widthMm: number;
  cap: 'butt' | 'round' | 'square';
  join: 'miter' | 'round' | 'bevel';
}

/** Sampling of a column's middle, mm. */
const STEP_MM = 0.12;
/** A turn sharper than this, radians, ends one column and begins the next (about 42°). */
const CORNER_RAD = 0.73;

/** Columns along strokes: one for each stretch between sharp corners, overlapping its neighbour at the corner. */
export function networkFromLines(lines: readonly { points: Line; closed: boolean }[], spec: StrokeSpec): ColumnNetwork {
  const columns: Column[] = [];
  let node = 0;
  for (const { points, closed } of lines) {
    const area = strokeArea([points], closed, { ...spec, miterLimit: 4 });
    const made = columnsOfStroke(withoutRepeats(points, SAME_POINT_MM), closed, spec, indexEdges(area), node);
    columns.push(...made);
    for (const c of made) node = Math.max(node, c.from + 1, c.to + 1);
  }
  return { columns };
}

interface Stretch {
  points: Point[];
  /** Turn at its start and end, radians; NaN at an open end. */
  turnBefore: number;
  turnAfter: number;
}

function turnAt(a: Point, b: Point, c: Point): number {
  const d = sub(b, a);
  const e = sub(c, b);
  return Math.abs(atan2(cross(d, e), dot(d, e)));
}

function splitAtCorners(line: readonly Point[], closed: boolean): Stretch[] {
  const n = line.length;
  const ring = closed && distance(line[0]!, line[n - 1]!) < SAME_POINT_MM ? line.slice(0, -1) : line.slice();
  const m = ring.length;
  const turns = ring.map((p, i) => {
    if (!closed && (i === 0 || i === m - 1)) return 0;
    return turnAt(ring[(i + m - 1) % m]!, p, ring[(i + 1) % m]!);
  });
  const corners = turns.flatMap((t, i) => (t > CORNER_RAD ? [i] : []));
  if (!closed) {
    const cuts = [0, ...corners, m - 1];
    return cuts.slice(1).map((to, k) => ({
      points: ring.slice(cuts[k], to + 1),
      turnBefore: k === 0 ? NaN : turns[cuts[k]!]!,
      turnAfter: k === cuts.length - 2 ? NaN : turns[to]!,
    }));
  }
  if (corners.length === 0) return [{ points: [...ring, ring[0]!], turnBefore: 0, turnAfter: 0 }];
  return corners.map((from, k) => {
    const to = corners[(k + 1) % corners.length]!;
    const end = to > from ? to : to + m;
    const points = Array.from({ length: end - from + 1 }, (_, i) => ring[(from + i) % m]!);
    return { points, turnBefore: turns[from]!, turnAfter: turns[to]! };
  });
}

function columnsOfStroke(line: Point[], closed: boolean, spec: StrokeSpec, edges: EdgeIndex, firstNode: number): Column[] {
  if (line.length < 2) return [];
  const stretches = splitAtCorners(line, closed);
  const out: Column[] = [];
  stretches.forEach((s, k) => {
    const loop = closed && stretches.length === 1;
    const last = k === stretches.length - 1;
    const track = trackAlong(s, spec, edges, loop);
    if (!track) return;
    const to = closed && last ? firstNode : firstNode + k + 1;
    out.push({ from: firstNode + k, to, track });
  });
  return out;
}

function trackAlong(s: Stretch, spec: StrokeSpec, edges: EdgeIndex, loop: boolean) {
  const half = spec.widthMm / 2;
  const length = lineLength(s.points);
  let middle = resample(s.points, STEP_MM);
  middle = loop ? closeLoop(smooth(middle.slice(0, -1), 6, true)) : smooth(middle, 4, false);
  if (!loop) {
    const before = startShift(s.turnBefore, spec, half, length);
    const after = Number.isNaN(s.turnAfter) ? openEnd(spec, half) : mitreReach(s.turnAfter, half);
    middle = extend(shorten(middle, before), Math.max(0, -before), after);
  }
  if (middle.length < 2) return null;
  const directions = calmTangents(middle, loop, Math.max(2, Math.round((0.3 * half) / STEP_MM)));
  return castRows(
    middle,
    directions,
    () => half * 1.02 + 0.01,
    () => half * 1.02 + 0.01,
    edges,
  );
}

const closeLoop = (ring: Point[]): Point[] => [...ring, ring[0]!];

const openEnd = (spec: StrokeSpec, half: number): number => (spec.cap === 'butt' ? 0 : half - 0.02);

/** How far a column runs on past its corner so that it fills the outer side of the join, mm. */
function mitreReach(turn: number, half: number): number {
  const t = Math.min(turn, PI * 0.75) / 2;
  return Math.min(half * 2.2, (half * sin(t)) / Math.max(0.2, cos(t)));
}

/** Where a column starts after a corner: at the edge of the one before, less the overlap. Negative: before the corner. */
function startShift(turn: number, spec: StrokeSpec, half: number, length: number): number {
  if (Number.isNaN(turn)) return -openEnd(spec, half);
  return Math.min(mitreReach(turn, half) - OVERLAP_MM, length * 0.6);
}

function shorten(line: readonly Point[], by: number): Point[] {
  if (by <= 0) return line.slice();
  let rest = by;
  for (let i = 1; i < line.length; i++) {
    const d = distance(line[i - 1]!, line[i]!);
    if (d >= rest) return line.slice(i);
    rest -= d;
  }
  return line.slice(-2);
}

/** Straight prolongations at both ends, sampled like the rest. */
function extend(line: readonly Point[], before: number, after: number): Point[] {
  const n = line.length;
  if (n < 2) return line.slice();
  const back = Math.min(n - 1, 3);
  const startDir = unit(sub(line[0]!, line[back]!));
  const endDir = unit(sub(line[n - 1]!, line[n - 1 - back]!));
  const ahead = (from: Point, dir: Point, reach: number): Point[] => {
    const steps = Math.ceil(reach / STEP_MM - 1e-9);
    return Array.from({ length: Math.max(0, steps) }, (_, i) => add(from, scale(dir, (reach * (i + 1)) / steps)));
  };
  return [...ahead(line[0]!, startDir, before).reverse(), ...line, ...ahead(line[n - 1]!, endDir, after)];
}

/** Rows square to the middle line, cut where they meet the outline; rows that miss the area are left out. */
export function castRows(
  middle: readonly Point[],
  directions: readonly Point[],
  reachLeft: (i: number) => number,
  reachRight: (i: number) => number,
  edges: EdgeIndex,
) {
  const left: Point[] = [];
  const right: Point[] = [];
  middle.forEach((p, i) => {
    const t = directions[i]!;
    const normal = { x: t.y, y: -t.x };
    const found = edges.stretch(p, normal, reachRight(i), reachLeft(i));
    if (!found) return;
    right.push(add(p, scale(normal, found[0])));
    left.push(add(p, scale(normal, found[1])));
  });
  return left.length < 2 ? null : makeTrack(left, right);
}
