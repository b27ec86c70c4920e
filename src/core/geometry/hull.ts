import { ringArea } from './area';
import { cross, dot, sub, unit, type Point, type Ring } from './point';

/** Convex hull of points, turning as outer outlines do. Source: monotone chains (Andrew 1979). */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = points.slice().sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (list: readonly Point[]): Point[] => {
    const out: Point[] = [];
    for (const p of list) {
      while (out.length > 1 && cross(sub(out[out.length - 1]!, out[out.length - 2]!), sub(p, out[out.length - 1]!)) <= 0) out.pop();
      out.push(p);
    }
    return out.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}

/** The smallest box of any direction round a convex outline. */
export interface FittingBox {
  /** Direction of its longer side; of nearly equal ones the upright one. */
  along: Point;
  longMm: number;
  wideMm: number;
}

/** Boxes this much larger than the smallest fit as well: of these the one that stands straightest is taken, as a share. */
const AS_WELL = 1.03;
/** Sides whose lengths differ by less than this share are equal. */
const EQUAL = 0.04;

/** @param hull convex, of at least three points @returns the box, by the sides of the hull and the page's own directions */
export function fittingBox(hull: Ring): FittingBox {
  const sides = hull.map((p, i) => unit(sub(hull[(i + 1) % hull.length]!, p)));
  const boxes = [{ x: 0, y: 1 }, ...sides].map((along) => boxAlong(hull, along));
  const least = Math.min(...boxes.map((b) => b.longMm * b.wideMm));
  const askew = (b: FittingBox): number => Math.min(Math.abs(b.along.x), Math.abs(b.along.y));
  const fitting = boxes.filter((b) => b.longMm * b.wideMm <= AS_WELL * least);
  return fitting.reduce((a, b) => (askew(b) < askew(a) - 1e-6 ? b : a));
}

function boxAlong(hull: Ring, side: Point): FittingBox {
  const other = { x: -side.y, y: side.x };
  const extent = (d: Point): number => {
    const at = hull.map((p) => dot(p, d));
    return Math.max(...at) - Math.min(...at);
  };
  const [a, b] = [extent(side), extent(other)];
  const upright = Math.abs(side.y) >= Math.abs(other.y) ? side : other;
  const along = Math.abs(a - b) <= EQUAL * Math.max(a, b) ? upright : a > b ? side : other;
  return {
    along: along.y < 0 || (along.y === 0 && along.x < 0) ? { x: -along.x, y: -along.y } : along,
    longMm: Math.max(a, b),
    wideMm: Math.min(a, b),
  };
}

/** Share of its convex hull that an outline fills, 0 to 1. */
export const convexity = (ring: Ring, hull: Ring = convexHull(ring)): number =>
  Math.abs(ringArea(ring)) / Math.max(1e-9, Math.abs(ringArea(hull)));
