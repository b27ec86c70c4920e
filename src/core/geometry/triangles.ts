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

const edgeKey = (a: number, b: number): number => (a < b ? a * 1e7 + b : b * 1e7 + a);

/** Halves outline edges that the triangulation does not contain until it contains them all (or rounds run out). */
function conform(outline: Outline): { delaunay: Delaunay<Point>; boundary: Map<number, [number, number]> } {
  for (let round = 0; ; round++) {
    const delaunay = Delaunay.from(
      outline.points,
      (p) => p.x,
      (p) => p.y,
    );
    const present = new Set<number>();
    const t = delaunay.triangles;
    for (let e = 0; e < t.length; e++) present.add(edgeKey(t[e]!, t[e % 3 === 2 ? e - 2 : e + 1]!));
    const boundary = new Map<number, [number, number]>();
    const missing: number[] = [];
    outline.next.forEach((to, from) => {
      if (present.has(edgeKey(from, to))) boundary.set(edgeKey(from, to), [from, to]);
      else missing.push(from);
    });
    if (missing.length === 0 || round === CONFORM_ROUNDS) return { delaunay, boundary };
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
  const { delaunay, boundary } = conform(outline);
  const corners = delaunay.triangles;
  const twins = delaunay.halfedges;
  const points = outline.points;
  const nextEdge = (e: number): number => (e % 3 === 2 ? e - 2 : e + 1);
  const isWall = (e: number): boolean => boundary.has(edgeKey(corners[e]!, corners[nextEdge(e)]!));

  const inside = new Set<number>();
  const queue: number[] = [];
  for (let e = 0; e < corners.length; e++) {
    const wall = boundary.get(edgeKey(corners[e]!, corners[nextEdge(e)]!));
    if (!wall) continue;
    const apex = points[corners[nextEdge(nextEdge(e))]!]!;
    const [a, b] = [points[wall[0]]!, points[wall[1]]!];
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
