import { atan2 } from '../units/trig';
import { cross, distance, dot, sub, unit, type Area, type Line, type Point, type Ring } from './point';

/**
 * Curves fitted to outlines by least squares, split where they stray farthest: P. J. Schneider, "An algorithm for
 * automatically fitting digitized curves", Graphics Gems, 1990. Written out in plain numbers, since every piece of every
 * drawing passes through it on opening.
 */

/** A vertex that turns more sharply than this, radians, is a corner (about 30°). */
const CORNER_RAD = 0.52;
/** Straight stretches this long stay straight, mm; shorter ones belong to a curve. */
const STRAIGHT_MM = 6;
const REFITS = 3;

/**
 * Path data of an area with the fewest nodes that hold its outlines to `toleranceMm`: corners stay corners, long straight
 * edges stay lines, and all between becomes curves.
 */
export function fittedData(area: Area, toleranceMm: number): string {
  return area.map((ring) => fittedRing(ring, toleranceMm)).join(' ');
}

function fittedRing(ring: Ring, tolerance: number): string {
  const n = ring.length;
  const at = (i: number): Point => ring[((i % n) + n) % n]!;
  const stops = ring.flatMap((_, i) => (isStop(at(i - 1), at(i), at(i + 1)) ? [i] : []));
  if (stops.length === 0) stops.push(0);
  const out: string[] = [`M${written(at(stops[0]!))}`];
  stops.forEach((from, k) => {
    const to = k + 1 < stops.length ? stops[k + 1]! : stops[0]! + n;
    between(
      Array.from({ length: to - from + 1 }, (_, j) => at(from + j)),
      tolerance,
      out,
    );
  });
  return `${out.join(' ')} Z`;
}

/** The same for an open line. */
export function fittedLineData(line: Line, toleranceMm: number): string {
  const last = line.length - 1;
  const inner = line.flatMap((p, i) => (i > 0 && i < last && isStop(line[i - 1]!, p, line[i + 1]!) ? [i] : []));
  const out = [`M${written(line[0]!)}`];
  [0, ...inner].forEach((from, k) => between(line.slice(from, (inner[k] ?? last) + 1), toleranceMm, out));
  return out.join(' ');
}

/** Appends what leads from one stop to the next, through all points between. */
function between(points: readonly Point[], tolerance: number, out: string[]): void {
  const last = points.length - 1;
  if (last < 3) out.push(...points.slice(1).map((p) => `L${written(p)}`));
  else fit(points, 0, last, unit(sub(points[1]!, points[0]!)), unit(sub(points[last - 1]!, points[last]!)), tolerance, out);
}

/** Corners, and the ends of long straight edges. */
function isStop(a: Point, b: Point, c: Point): boolean {
  const d = sub(b, a);
  const e = sub(c, b);
  return Math.abs(atan2(cross(d, e), dot(d, e))) > CORNER_RAD || distance(a, b) > STRAIGHT_MM || distance(b, c) > STRAIGHT_MM;
}

const round = (v: number): number => Math.round(v * 1000) / 1000;
const written = (p: Point): string => `${round(p.x)},${round(p.y)}`;

/** Appends curves through points `first` to `last`, leaving along `t1` and arriving against `t2`. */
function fit(p: readonly Point[], first: number, last: number, t1: Point, t2: Point, tolerance: number, out: string[]): void {
  const b = p[last]!;
  if (last - first < 2) {
    out.push(`L${written(b)}`);
    return;
  }
  const { c1, c2, worst } = fittedCubic(p, first, last, t1, t2, tolerance);
  if (worst.squared <= tolerance * tolerance) {
    out.push(`C${written(c1)} ${written(c2)} ${written(b)}`);
    return;
  }
  const middle = Math.min(last - 1, Math.max(first + 1, worst.at));
  const along = unit(sub(p[middle - 1]!, p[middle + 1]!));
  fit(p, first, middle, t1, along, tolerance, out);
  fit(p, middle, last, { x: -along.x, y: -along.y }, t2, tolerance, out);
}

/** One cubic curve near points `first` to `last`, its ends on these, its handles along `t1` and `t2`; and where it strays farthest. */
export interface FittedCubic {
  c1: Point;
  c2: Point;
  worst: { at: number; squared: number };
}

/** @param tolerance how near is near enough; what is beyond four times it is not improved */
export function fittedCubic(p: readonly Point[], first: number, last: number, t1: Point, t2: Point, tolerance: number): FittedCubic {
  const [a, b] = [p[first]!, p[last]!];
  const u = byChord(p, first, last);
  let handles = [0, 0] as [number, number];
  let worst = { at: (first + last) >> 1, squared: Infinity };
  for (let k = 0; k < REFITS; k++) {
    handles = handlesFor(p, first, last, u, t1, t2);
    worst = strayOf(p, first, last, u, t1, t2, handles);
    if (worst.squared <= tolerance * tolerance) break;
    if (worst.squared > 16 * tolerance * tolerance) break;
    reparametrize(p, first, last, u, t1, t2, handles);
  }
  return {
    c1: { x: a.x + t1.x * handles[0], y: a.y + t1.y * handles[0] },
    c2: { x: b.x + t2.x * handles[1], y: b.y + t2.y * handles[1] },
    worst,
  };
}

function byChord(p: readonly Point[], first: number, last: number): Float64Array {
  const u = new Float64Array(last - first + 1);
  for (let i = first + 1; i <= last; i++) u[i - first] = u[i - first - 1]! + distance(p[i - 1]!, p[i]!);
  const total = u[last - first]! || 1;
  for (let i = 0; i < u.length; i++) u[i]! /= total;
  return u;
}

/** Lengths of the two handles by least squares; a third of the chord where that fails. */
function handlesFor(p: readonly Point[], first: number, last: number, u: Float64Array, t1: Point, t2: Point): [number, number] {
  const a = p[first]!;
  const b = p[last]!;
  let [c00, c01, c11, x0, x1] = [0, 0, 0, 0, 0];
  for (let i = first; i <= last; i++) {
    const t = u[i - first]!;
    const s = 1 - t;
    const b1 = 3 * t * s * s;
    const b2 = 3 * t * t * s;
    const start = s * s * s + b1;
    const end = t * t * t + b2;
    const dx = p[i]!.x - a.x * start - b.x * end;
    const dy = p[i]!.y - a.y * start - b.y * end;
    c00 += b1 * b1;
    c01 += b1 * b2 * (t1.x * t2.x + t1.y * t2.y);
    c11 += b2 * b2;
    x0 += b1 * (t1.x * dx + t1.y * dy);
    x1 += b2 * (t2.x * dx + t2.y * dy);
  }
  const det = c00 * c11 - c01 * c01;
  const chord = distance(a, b);
  const h0 = det > 1e-12 ? (x0 * c11 - x1 * c01) / det : 0;
  const h1 = det > 1e-12 ? (c00 * x1 - c01 * x0) / det : 0;
  return h0 < 1e-6 * chord || h1 < 1e-6 * chord || h0 > 3 * chord || h1 > 3 * chord ? [chord / 3, chord / 3] : [h0, h1];
}

function strayOf(p: readonly Point[], first: number, last: number, u: Float64Array, t1: Point, t2: Point, [h0, h1]: [number, number]) {
  const a = p[first]!;
  const b = p[last]!;
  let at = (first + last) >> 1;
  let squared = 0;
  for (let i = first + 1; i < last; i++) {
    const t = u[i - first]!;
    const s = 1 - t;
    const [w0, w1, w2, w3] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
    const dx = w0 * a.x + w1 * (a.x + t1.x * h0) + w2 * (b.x + t2.x * h1) + w3 * b.x - p[i]!.x;
    const dy = w0 * a.y + w1 * (a.y + t1.y * h0) + w2 * (b.y + t2.y * h1) + w3 * b.y - p[i]!.y;
    const d = dx * dx + dy * dy;
    if (d > squared) [at, squared] = [i, d];
  }
  return { at, squared };
}

/** One Newton step for each point towards the nearest place on the curve. */
function reparametrize(
  p: readonly Point[],
  first: number,
  last: number,
  u: Float64Array,
  t1: Point,
  t2: Point,
  [h0, h1]: [number, number],
): void {
  const a = p[first]!;
  const d = p[last]!;
  const b = { x: a.x + t1.x * h0, y: a.y + t1.y * h0 };
  const c = { x: d.x + t2.x * h1, y: d.y + t2.y * h1 };
  for (let i = first + 1; i < last; i++) {
    const t = u[i - first]!;
    const s = 1 - t;
    const x = s * s * s * a.x + 3 * s * s * t * b.x + 3 * s * t * t * c.x + t * t * t * d.x - p[i]!.x;
    const y = s * s * s * a.y + 3 * s * s * t * b.y + 3 * s * t * t * c.y + t * t * t * d.y - p[i]!.y;
    const vx = 3 * (s * s * (b.x - a.x) + 2 * s * t * (c.x - b.x) + t * t * (d.x - c.x));
    const vy = 3 * (s * s * (b.y - a.y) + 2 * s * t * (c.y - b.y) + t * t * (d.y - c.y));
    const ax = 6 * (s * (c.x - 2 * b.x + a.x) + t * (d.x - 2 * c.x + b.x));
    const ay = 6 * (s * (c.y - 2 * b.y + a.y) + t * (d.y - 2 * c.y + b.y));
    const slope = vx * vx + vy * vy + x * ax + y * ay;
    if (slope > 1e-12) u[i - first] = Math.min(1, Math.max(0, t - (x * vx + y * vy) / slope));
  }
}
