import { cross, dot, sub, unit, type Point } from '../../geometry/point';

/** What a border does on one side of a place: a parabola over the points of a stretch, told at the place itself. */
export interface Arm {
  /** The place as the stretch goes on to it. */
  at: Point;
  /** Direction away from the place. */
  along: Point;
  /** Turn to the right for each pixel of the way. */
  bend: number;
  /** Middle and direction of the straight line nearest to the stretch. */
  middle: Point;
  straight: Point;
  /** Mean distance of the points from that line, pixels. */
  off: number;
  points: number;
}

/** With fewer points a stretch is taken for straight. */
const FOR_BEND = 7;

/** @param points of the stretch, in order away from the place @returns null for fewer than two points */
export function armOf(points: readonly Point[], place: Point): Arm | null {
  const n = points.length;
  if (n < 2) return null;
  const middle = { x: points.reduce((s, p) => s + p.x, 0) / n, y: points.reduce((s, p) => s + p.y, 0) / n };
  const straight = principal(points, middle);
  const side = { x: -straight.y, y: straight.x };
  const xs = points.map((p) => dot(sub(p, middle), straight));
  const ys = points.map((p) => dot(sub(p, middle), side));
  const off = Math.sqrt(ys.reduce((s, y) => s + y * y, 0) / n);
  const [c0, c1, c2] = n < FOR_BEND ? [0, 0, 0] : parabola(xs, ys);
  const x = dot(sub(place, middle), straight);
  const y = c0 + c1 * x + c2 * x * x;
  const slope = c1 + 2 * c2 * x;
  return {
    at: { x: middle.x + straight.x * x + side.x * y, y: middle.y + straight.y * x + side.y * y },
    along: unit({ x: straight.x + side.x * slope, y: straight.y + side.y * slope }),
    bend: 2 * c2,
    ...{ middle, straight, off, points: n },
  };
}

/** Direction of the line nearest to points, from the first of them to the last. */
function principal(points: readonly Point[], middle: Point): Point {
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    const d = sub(p, middle);
    [xx, xy, yy] = [xx + d.x * d.x, xy + d.x * d.y, yy + d.y * d.y];
  }
  const way = sub(points[points.length - 1]!, points[0]!);
  // The greater root of the characteristic equation of the 2 x 2 matrix of moments.
  const root = (xx + yy) / 2 + Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);
  const [a, b] = [
    { x: xy, y: root - xx },
    { x: root - yy, y: xy },
  ];
  const axis = dot(a, a) > dot(b, b) ? a : b;
  if (dot(axis, axis) < 1e-18) return unit(way);
  const u = unit(axis);
  return dot(u, way) < 0 ? { x: -u.x, y: -u.y } : u;
}

/** Least squares over 1, x and x²; `xs` have mean nought. */
function parabola(xs: readonly number[], ys: readonly number[]): [number, number, number] {
  const n = xs.length;
  let [s2, s3, s4, t0, t1, t2] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < n; i++) {
    const [x, y] = [xs[i]!, ys[i]!];
    const q = x * x;
    [s2, s3, s4] = [s2 + q, s3 + q * x, s4 + q * q];
    [t0, t1, t2] = [t0 + y, t1 + y * x, t2 + y * q];
  }
  // Rows: n 0 s2 | 0 s2 s3 | s2 s3 s4.
  const det = n * (s2 * s4 - s3 * s3) - s2 * s2 * s2;
  if (Math.abs(det) < 1e-9) return [0, 0, 0];
  const c2 = (n * (s2 * t2 - s3 * t1) - s2 * s2 * t0) / det;
  return [(t0 - s2 * c2) / n, s2 > 0 ? (t1 - s3 * c2) / s2 : 0, c2];
}

/** Where two lines meet; null where they are nearly parallel. */
export function meeting(p: Point, d: Point, q: Point, e: Point): Point | null {
  const size = cross(d, e);
  if (Math.abs(size) < 0.15) return null;
  const t = cross(sub(q, p), e) / size;
  return { x: p.x + d.x * t, y: p.y + d.y * t };
}
