import { segmentsMeet } from '../geometry/intersect';
import { contains } from '../geometry/area';
import { distance, dot, mix, scale, sub, unit, add, type Area, type Point } from '../geometry/point';

/** The local width of a shape: from the edge nearest to a place, through it, to the edge opposite. */
export interface Gauge {
  from: Point;
  to: Point;
  widthMm: number;
}

const FAR_MM = 1000;

/** @returns null outside the area */
export function widthAt(area: Area, p: Point): Gauge | null {
  if (!contains(area, p)) return null;
  let from: Point | null = null;
  for (const [a, b] of edgesOf(area)) {
    const d = sub(b, a);
    const t = Math.min(1, Math.max(0, dot(sub(p, a), d) / Math.max(1e-12, dot(d, d))));
    const q = mix(a, b, t);
    if (!from || distance(q, p) < distance(from, p)) from = q;
  }
  if (!from || distance(from, p) < 1e-6) return null;
  const onward = unit(sub(p, from));
  const far = add(p, scale(onward, FAR_MM));
  let to: Point | null = null;
  for (const [a, b] of edgesOf(area)) {
    const q = segmentsMeet(p, far, a, b);
    if (q && (!to || distance(q, p) < distance(to, p))) to = q;
  }
  return to && { from, to, widthMm: distance(from, to) };
}

function* edgesOf(area: Area): Generator<[Point, Point]> {
  for (const ring of area) for (let i = 0; i < ring.length; i++) yield [ring[i]!, ring[(i + 1) % ring.length]!];
}
