import svgpath from 'svgpath';
import { FLATTEN_MM } from '../units/tolerances';
import { distance, mix, type Point } from './point';

/** A piece of a subpath: a straight line, or a cubic curve when it has control points. */
export interface Segment {
  readonly to: Point;
  readonly c1?: Point;
  readonly c2?: Point;
}

export interface Subpath {
  readonly start: Point;
  readonly segments: readonly Segment[];
  readonly closed: boolean;
}

/** SVG path data as subpaths of lines and cubic curves; curves stay curves. */
export type Path = readonly Subpath[];

/** Six numbers of an affine map, as in SVG `matrix(a b c d e f)`. */
export type Matrix = readonly [number, number, number, number, number, number];
export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** The map that applies `inner` first, then `outer`. */
export function multiply(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [p, q, r, s, t, u] = inner;
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

export const apply = (m: Matrix, p: Point): Point => ({
  x: m[0] * p.x + m[2] * p.y + m[4],
  y: m[1] * p.x + m[3] * p.y + m[5],
});

/** The map that leads back; the map must not flatten everything onto a line. */
export function inverse([a, b, c, d, e, f]: Matrix): Matrix {
  const size = a * d - b * c;
  return [d / size, -b / size, -c / size, a / size, (c * f - d * e) / size, (b * e - a * f) / size];
}

/** Mean scale of a map: the square root of its area factor. */
export const scaleOf = (m: Matrix): number => Math.sqrt(Math.abs(m[0] * m[3] - m[1] * m[2]));

interface Building {
  start: Point;
  segments: Segment[];
  closed: boolean;
}

const finite = (p: Point): boolean => Number.isFinite(p.x) && Number.isFinite(p.y);

/**
 * Reads SVG path data (all commands). As SVG asks, a syntax error keeps what came before it.
 * Coordinates are kept in the unit of the data; arcs become cubic curves.
 */
export function parsePath(data: string): Path {
  const out: Building[] = [];
  let current: Building | null = null;
  let pen: Point = { x: 0, y: 0 };
  const open = (at: Point): Building => {
    const made: Building = { start: at, segments: [], closed: false };
    out.push(made);
    return made;
  };
  const push = (segment: Segment): void => {
    if (!finite(segment.to) || (segment.c1 && !finite(segment.c1)) || (segment.c2 && !finite(segment.c2))) return;
    current ??= open(pen);
    current.segments.push(segment);
    pen = segment.to;
  };
  svgpath(data)
    .abs()
    // Before arcs become curves: a shorthand after an arc has nothing to reflect.
    .unshort()
    .unarc()
    .iterate((s) => {
      if (s[0] === 'M') {
        pen = { x: s[1], y: s[2] };
        current = finite(pen) ? open(pen) : null;
      } else if (s[0] === 'L') push({ to: { x: s[1], y: s[2] } });
      else if (s[0] === 'H') push({ to: { x: s[1], y: pen.y } });
      else if (s[0] === 'V') push({ to: { x: pen.x, y: s[1] } });
      else if (s[0] === 'C') push({ c1: { x: s[1], y: s[2] }, c2: { x: s[3], y: s[4] }, to: { x: s[5], y: s[6] } });
      else if (s[0] === 'Q') push(raiseQuadratic(pen, { x: s[1], y: s[2] }, { x: s[3], y: s[4] }));
      else if ((s[0] === 'Z' || s[0] === 'z') && current) {
        current.closed = true;
        pen = current.start;
        current = null;
      }
    });
  return out;
}

function raiseQuadratic(from: Point, control: Point, to: Point): Segment {
  return {
    c1: { x: from.x + (2 / 3) * (control.x - from.x), y: from.y + (2 / 3) * (control.y - from.y) },
    c2: { x: to.x + (2 / 3) * (control.x - to.x), y: to.y + (2 / 3) * (control.y - to.y) },
    to,
  };
}

export function transformPath(path: Path, m: Matrix): Path {
  return path.map((sub) => ({
    start: apply(m, sub.start),
    closed: sub.closed,
    segments: sub.segments.map((s) =>
      s.c1 && s.c2 ? { c1: apply(m, s.c1), c2: apply(m, s.c2), to: apply(m, s.to) } : { to: apply(m, s.to) },
    ),
  }));
}

const fixed = (v: number): string => {
  const rounded = Math.round(v * 1000) / 1000;
  return String(rounded === 0 ? 0 : rounded);
};
const pair = (p: Point): string => `${fixed(p.x)},${fixed(p.y)}`;

/** SVG path data with three decimals: the form in which job records keep shapes, in mm. */
export function formatPath(path: Path): string {
  return path
    .map((sub) => {
      const body = sub.segments.map((s) => (s.c1 && s.c2 ? `C${pair(s.c1)} ${pair(s.c2)} ${pair(s.to)}` : `L${pair(s.to)}`));
      return `M${pair(sub.start)} ${body.join(' ')}${sub.closed ? ' Z' : ''}`;
    })
    .join(' ');
}

/** Path data of straight outlines. */
export function ringsToData(rings: readonly (readonly Point[])[], closed = true): string {
  return formatPath(rings.filter((r) => r.length > 1).map((r) => ({ start: r[0]!, segments: r.slice(1).map((to) => ({ to })), closed })));
}

/**
 * Straightens curves so that no point strays more than `tolerance` from them.
 * Source: second-difference bound on cubic Bézier flattening (Wang's formula).
 */
export function flattenSubpath(sub: Subpath, tolerance = FLATTEN_MM): Point[] {
  const out: Point[] = [sub.start];
  let from = sub.start;
  for (const s of sub.segments) {
    if (s.c1 && s.c2) {
      const bend = Math.max(
        Math.abs(from.x - 2 * s.c1.x + s.c2.x) + Math.abs(from.y - 2 * s.c1.y + s.c2.y),
        Math.abs(s.c1.x - 2 * s.c2.x + s.to.x) + Math.abs(s.c1.y - 2 * s.c2.y + s.to.y),
      );
      const steps = Math.min(400, Math.max(1, Math.ceil(Math.sqrt((0.75 * bend) / tolerance))));
      for (let k = 1; k < steps; k++) out.push(cubicAt(from, s.c1, s.c2, s.to, k / steps));
    }
    out.push(s.to);
    from = s.to;
  }
  if (sub.closed && out.length > 1 && distance(out[0]!, out[out.length - 1]!) < 1e-6) out.pop();
  return out;
}

/** A segment divided at `t`, 0 to 1 (de Casteljau). */
export function splitSegment(from: Point, g: Segment, t: number): [Segment, Segment] {
  if (!g.c1 || !g.c2) return [{ to: mix(from, g.to, t) }, { to: g.to }];
  const [a, b, c] = [mix(from, g.c1, t), mix(g.c1, g.c2, t), mix(g.c2, g.to, t)];
  const [d, e] = [mix(a, b, t), mix(b, c, t)];
  const middle = mix(d, e, t);
  return [
    { c1: a, c2: d, to: middle },
    { c1: e, c2: c, to: g.to },
  ];
}

function cubicAt(a: Point, b: Point, c: Point, d: Point, t: number): Point {
  const u = 1 - t;
  const [w0, w1, w2, w3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
  return { x: w0 * a.x + w1 * b.x + w2 * c.x + w3 * d.x, y: w0 * a.y + w1 * b.y + w2 * c.y + w3 * d.y };
}

/** All subpaths flattened. */
export function flatten(path: Path, tolerance = FLATTEN_MM): Point[][] {
  return path.map((sub) => flattenSubpath(sub, tolerance));
}

/** Path data in mm straight to flattened outlines. */
export function dataToRings(data: string, tolerance = FLATTEN_MM): Point[][] {
  return flatten(parsePath(data), tolerance).filter((r) => r.length > 1);
}
