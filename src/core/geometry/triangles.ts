import { Delaunay } from 'd3-delaunay';
import { cross, mix, sub, type Area, type Point } from './point';
import { resample } from './line';

/** Inside triangles of an area, joined where they share an edge that is not part of the outline. */
export interface Triangulation {
  readonly points: readonly Point[];
  /** Three point indices per triangle. */
  readonly corners: ArrayLike<number>;
  /** Index of an inside triangle → the (1 to 3) half-edges through which one may leave it. */
  readonly doors: ReadonlyMap<number, readonly number[]>;
  /** Half-edge → its twin in the neighbouring triangle. */
  readonly twins: ArrayLike<number>;
}

interface Outline {
  points: Point[];
  /** Index of the next point on the same ring. */
  next: number[];
}

const CONFORM_ROUNDS = 8;

function sampleOutline(area: Area, stepMm: number): Outline {
  const points: Point[] = [];
  const next: number[] = [];
  for (const ring of area) {
    const first = points.length;
    const edges = ring.map((p, i) => resample([p, ring[(i + 1) % ring.length]!], stepMm));
    for (const edge of edges) for (const p of edge.slice(0, -1)) points.push(p);
    for (let i = first; i < points.length; i++) next.push(i + 1 < points.length ? i + 1 : first);
  }
  return { points, next };
}

const nextEdge = (e: number): number => (e % 3 === 2 ? e - 2 : e + 1);

/** Halves outline edges that the triangulation does not contain until it contains them all (or rounds run out). */
function conform(outline: Outline): Delaunay<Point> {
  for (let round = 0; ; round++) {
    const delaunay = Delaunay.from(
      outline.points,
      (p) => p.x,
      (p) => p.y,
    );
    const present = new Uint8Array(outline.points.length);
    const t = delaunay.triangles;
    for (let e = 0; e < t.length; e++) {
      const [a, b] = [t[e]!, t[nextEdge(e)]!];
      if (outline.next[a] === b) present[a] = 1;
      if (outline.next[b] === a) present[b] = 1;
    }
    const missing: number[] = [];
    present.forEach((is, from) => {
      if (is === 0) missing.push(from);
    });
    if (missing.length === 0 || round === CONFORM_ROUNDS) return delaunay;
    for (const from of missing) {
      const to = outline.next[from]!;
      outline.points.push(mix(outline.points[from]!, outline.points[to]!, 0.5));
      outline.next.push(to);
      outline.next[from] = outline.points.length - 1;
    }
  }
}

/**
 * Conforming Delaunay triangulation of an area's inside, with outline points at most `stepMm` apart.
 * @param area rings whose inside lies where the cross product with the direction of travel is positive,
 *   as `clean` makes them (outer rings positive, holes negative)
 */
export function triangulate(area: Area, stepMm: number): Triangulation {
  const outline = sampleOutline(area, stepMm);
  const delaunay = conform(outline);
  const corners = delaunay.triangles;
  const twins = delaunay.halfedges;
  const { points, next } = outline;
  const isWall = (e: number): boolean => {
    const [a, b] = [corners[e]!, corners[nextEdge(e)]!];
    return next[a] === b || next[b] === a;
  };

  const inside = new Set<number>();
  const queue: number[] = [];
  for (let e = 0; e < corners.length; e++) {
    if (!isWall(e)) continue;
    const apex = points[corners[nextEdge(nextEdge(e))]!]!;
    const ends: [number, number] = [corners[e]!, corners[nextEdge(e)]!];
    const [a, b] = (next[ends[0]] === ends[1] ? ends : ends.reverse()).map((i) => points[i]!) as [Point, Point];
    if (cross(sub(b, a), sub(apex, a)) <= 0) continue;
    const triangle = Math.floor(e / 3);
    if (!inside.has(triangle)) {
      inside.add(triangle);
      queue.push(triangle);
    }
  }
  const doors = new Map<number, number[]>();
  while (queue.length > 0) {
    const triangle = queue.pop()!;
    const open: number[] = [];
    for (let e = triangle * 3; e < triangle * 3 + 3; e++) {
      const twin = twins[e]!;
      if (isWall(e) || twin < 0) continue;
      open.push(e);
      const other = Math.floor(twin / 3);
      if (inside.has(other)) continue;
      inside.add(other);
      queue.push(other);
    }
    doors.set(triangle, open);
  }
  return { points, corners, doors, twins };
}
