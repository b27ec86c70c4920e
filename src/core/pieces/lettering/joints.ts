import { intersect, strokeArea } from '../../geometry/area';
import { segmentsMeet } from '../../geometry/intersect';
import { nearestOnLine } from '../../geometry/line';
import { distance, dot, sub, unit, type Area, type Line, type Point } from '../../geometry/point';

/** An end of a stroke: its first point, or its last. */
export type End = 0 | 1;

/** A stroke on the page. */
export interface PlacedStroke {
  middle: Line;
  closed: boolean;
  widthMm: number;
}

/** Where two strokes meet: each at one of its ends or, null, in between. `under` is sewn first. */
export interface Joint {
  under: number;
  over: number;
  at: Point;
  underEnd: End | null;
  overEnd: End | null;
  /** Whether the end of the lower one runs into the other's side, and is cut off along it. */
  tucked: boolean;
}

/** An end within this share of both half widths of another stroke's middle meets it. */
const MEETS = 0.8;
/** Ends that come together more steeply than this run into the side, as the cosine of the angle between them. */
const STEEP = 0.82;

/** All places where strokes meet, the earlier one of each pair below. */
export function jointsOf(strokes: readonly PlacedStroke[]): Joint[] {
  return strokes.flatMap((_, over) => strokes.slice(0, over).flatMap((__, under) => between(strokes, under, over)));
}

function between(strokes: readonly PlacedStroke[], under: number, over: number): Joint[] {
  const [a, b] = [strokes[under]!, strokes[over]!];
  const near = (MEETS * (a.widthMm + b.widthMm)) / 2;
  const out: Joint[] = [];
  const isNew = (p: Point): boolean => out.every((j) => distance(j.at, p) > near);
  for (const end of openEnds(a)) {
    const met = nearestOnLine(b.middle, endOf(a, end));
    if (met.distance > near || !isNew(met.point) || standsOff(a, end, b)) continue;
    const tucked = Math.abs(dot(leaving(a, end), directionAt(b.middle, met.along))) < STEEP;
    out.push({ under, over, at: met.point, underEnd: end, overEnd: endNear(b, met.point, near), tucked });
  }
  for (const end of openEnds(b)) {
    const met = nearestOnLine(a.middle, endOf(b, end));
    if (met.distance > near || !isNew(met.point) || standsOff(b, end, a)) continue;
    out.push({ under, over, at: met.point, underEnd: endNear(a, met.point, near), overEnd: end, tucked: false });
  }
  for (const at of crossings(a.middle, b.middle))
    if (isNew(at)) out.push({ under, over, at, underEnd: null, overEnd: null, tucked: false });
  return out;
}

/** Whether there is bare cloth between an end and the other stroke: a stem at its dot, or beneath a mark. */
function standsOff(a: PlacedStroke, end: End, b: PlacedStroke): boolean {
  const met = nearestOnLine(b.middle, endOf(a, end));
  if (met.distance <= b.widthMm / 2 && endNear(b, met.point, b.widthMm / 2) === null) return false;
  return intersect(flatOf(a), flatOf(b)).length === 0;
}

const flatOf = ({ middle, closed, widthMm }: PlacedStroke): Area =>
  strokeArea([middle], closed, { widthMm, cap: 'butt', join: 'round', miterLimit: 2 });

const openEnds = ({ closed }: PlacedStroke): readonly End[] => (closed ? [] : [0, 1]);

export const endOf = ({ middle }: PlacedStroke, end: End): Point => (end === 0 ? middle[0]! : middle[middle.length - 1]!);

function endNear(stroke: PlacedStroke, p: Point, near: number): End | null {
  const found = openEnds(stroke).filter((end) => distance(endOf(stroke, end), p) < near);
  return found[0] ?? null;
}

/** Direction in which a stroke comes to its end. */
export function leaving({ middle }: PlacedStroke, end: End): Point {
  const n = middle.length;
  return end === 0 ? unit(sub(middle[0]!, middle[1]!)) : unit(sub(middle[n - 1]!, middle[n - 2]!));
}

function directionAt(line: Line, along: number): Point {
  let rest = along;
  for (let i = 1; i < line.length; i++) {
    const mm = distance(line[i - 1]!, line[i]!);
    if (rest <= mm || i === line.length - 1) return unit(sub(line[i]!, line[i - 1]!));
    rest -= mm;
  }
  return { x: 1, y: 0 };
}

const HAIR_MM = 1e-9;

function crossings(a: Line, b: Line): Point[] {
  const out: Point[] = [];
  for (let i = 1; i < a.length; i++) {
    for (let k = 1; k < b.length; k++) {
      const at = segmentsMeet(a[i - 1]!, a[i]!, b[k - 1]!, b[k]!);
      // A point that ends a segment belongs to the next one; where a line ends there is an end, no crossing.
      if (at && distance(at, a[i]!) > HAIR_MM && distance(at, b[k]!) > HAIR_MM) out.push(at);
    }
  }
  return out;
}
