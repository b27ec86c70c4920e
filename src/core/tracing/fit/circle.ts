import { ringArea } from '../../geometry/area';
import { distance, type Point } from '../../geometry/point';
import type { Segment, Subpath } from '../../geometry/path';

/** A curve's handles for a quarter of a circle, in radii. */
const QUARTER = 0.5522847498;
/** A circle has to be this round even where much would be allowed, as a share of its radius. */
const ROUND = 0.05;

/** A closed border as a circle, where it is one. Least squares after Kåsa (1976), then the mean distance. */
export function circleOf(points: readonly Point[], tolerance: number): Subpath | null {
  const found = circleThrough(points);
  if (!found) return null;
  const { centre, radius } = found;
  const allowed = Math.min(tolerance, Math.max(0.35, ROUND * radius));
  if (points.some((p) => Math.abs(distance(p, centre) - radius) > allowed)) return null;
  const at = (x: number, y: number): Point => ({ x: centre.x + radius * x, y: centre.y + radius * y });
  const quarters = [
    [-1, QUARTER, -QUARTER, 1, 0, 1],
    [QUARTER, 1, 1, QUARTER, 1, 0],
    [1, -QUARTER, QUARTER, -1, 0, -1],
    [-QUARTER, -1, -1, -QUARTER, -1, 0],
  ].map(([a, b, c, d, e, f]): Segment => ({ c1: at(a!, b!), c2: at(c!, d!), to: at(e!, f!) }));
  const turnsRight = ringArea(points) > 0;
  return { start: at(-1, 0), segments: turnsRight ? against(at(-1, 0), quarters) : quarters, closed: true };
}

/** The same segments walked from their end to their start. */
export function against(start: Point, segments: readonly Segment[]): Segment[] {
  return segments
    .map((s, i): Segment => ({ to: i > 0 ? segments[i - 1]!.to : start, ...(s.c1 && s.c2 ? { c1: s.c2, c2: s.c1 } : {}) }))
    .reverse();
}

/** The circle nearest to points; null where they lie on a line. */
export function circleThrough(points: readonly Point[]): { centre: Point; radius: number } | null {
  const n = points.length;
  if (n < 5) return null;
  const mx = points.reduce((s, p) => s + p.x, 0) / n;
  const my = points.reduce((s, p) => s + p.y, 0) / n;
  let [uu, uv, vv, ur, vr] = [0, 0, 0, 0, 0];
  for (const p of points) {
    const [u, v] = [p.x - mx, p.y - my];
    const r = u * u + v * v;
    [uu, uv, vv, ur, vr] = [uu + u * u, uv + u * v, vv + v * v, ur + u * r, vr + v * r];
  }
  const det = uu * vv - uv * uv;
  if (Math.abs(det) < 1e-9) return null;
  const centre = { x: mx + (ur * vv - vr * uv) / (2 * det), y: my + (vr * uu - ur * uv) / (2 * det) };
  return { centre, radius: points.reduce((s, p) => s + distance(p, centre), 0) / n };
}
