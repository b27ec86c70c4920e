import Flatbush from 'flatbush';
import { strokeArea, unite } from '../../src/core/geometry/area';
import { flatten, flattenSubpath, parsePath, type Path } from '../../src/core/geometry/path';
import { distance, mix, type Point } from '../../src/core/geometry/point';
import type { TracedShape, Tracing } from '../../src/core/tracing/trace';
import { cornersOf, nodesOf, type Emblem } from './emblem';

export interface Measured {
  medianMm: number;
  p95Mm: number;
  corners: number;
  cornersFound: number;
  nodes: number;
  sourceNodes: number;
  colours: number;
  sourceColours: number;
}

const STEP_MM = 0.05;

/** How near a tracing comes to the drawing that its picture was made of. */
export function measure(emblem: Emblem, tracing: Tracing): Measured {
  const shapes = tracing.shapes.map(outlined);
  const traced = shapes.flatMap(({ rings }) => rings.flatMap((ring) => sampled([...ring, ring[0]!]))).filter((p) => !isOnRim(p, tracing));
  const [toTruth, toTraced] = [new Nearest(emblem.borders), new Nearest(traced)];
  const off = [
    ...traced.map((p) => toTruth.distance(p)),
    ...emblem.borders.filter((_, i) => i % 3 === 0).map((p) => toTraced.distance(p)),
  ].sort((a, b) => a - b);
  const own = new Nearest(shapes.flatMap(({ corners }) => corners));
  const corners = cornersOf(emblem).filter((p) => toTruth.distance(p) < 0.05 && !isStraight(toTruth.within(p, 0.5)));
  return {
    medianMm: off[Math.floor(off.length / 2)] ?? NaN,
    p95Mm: off[Math.floor(off.length * 0.95)] ?? NaN,
    corners: corners.length,
    cornersFound: corners.filter((p) => own.distance(p) <= 0.3).length,
    nodes: tracing.nodes,
    sourceNodes: nodesOf(emblem),
    colours: tracing.colours.length,
    sourceColours: emblem.colours,
  };
}

/** The page's rim is no border of the drawing. */
const isOnRim = ({ x, y }: Point, { widthMm, heightMm }: Tracing): boolean => Math.min(x, y, widthMm - x, heightMm - y) < 0.06;

/** What a shape paints, and its corners; of a line the outline that its width gives it. */
function outlined({ data, stroke }: TracedShape): { rings: readonly (readonly Point[])[]; corners: Point[] } {
  const path = parsePath(data);
  if (!stroke) return { rings: flatten(path, 0.005), corners: sharpNodes(path) };
  const { widthMm, cap } = stroke;
  const shape = { widthMm, cap, join: cap === 'butt' ? ('miter' as const) : ('round' as const), miterLimit: 4 };
  const rings = unite(...path.map((sub) => strokeArea([flattenSubpath(sub, 0.005)], sub.closed, shape)));
  return { rings, corners: rings.flatMap((ring) => ring.filter((_, i) => turnOf(ring, i) > 0.35)) };
}

const turnOf = (ring: readonly Point[], i: number): number => {
  const n = ring.length;
  const [a, p, b] = [ring[(i + n - 1) % n]!, ring[i]!, ring[(i + 1) % n]!];
  const [u, v] = [
    { x: p.x - a.x, y: p.y - a.y },
    { x: b.x - p.x, y: b.y - p.y },
  ];
  return Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y));
};

function sampled(line: readonly Point[]): Point[] {
  const out: Point[] = [];
  for (let i = 1; i < line.length; i++) {
    const n = Math.max(1, Math.ceil(distance(line[i - 1]!, line[i]!) / STEP_MM));
    for (let k = 0; k < n; k++) out.push(mix(line[i - 1]!, line[i]!, k / n));
  }
  return out;
}

/** Whether border places lie on a line: a corner there is hidden under another shape. */
function isStraight(points: readonly Point[]): boolean {
  const n = points.length;
  const [mx, my] = [points.reduce((s, p) => s + p.x, 0) / n, points.reduce((s, p) => s + p.y, 0) / n];
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) [xx, xy, yy] = [xx + (p.x - mx) ** 2, xy + (p.x - mx) * (p.y - my), yy + (p.y - my) ** 2];
  const least = (xx + yy) / 2 - Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);
  return Math.sqrt(Math.max(0, least) / n) < 0.025;
}

/** Nodes at which a path turns by more than 20°. */
function sharpNodes(path: Path): Point[] {
  return path.flatMap(({ start, segments }) => {
    const n = segments.length;
    return segments.flatMap((s, i) => {
      const next = segments[(i + 1) % n]!;
      const from = i > 0 ? segments[i - 1]!.to : start;
      const arriving = apartFrom(s.to, [s.c2, s.c1, from]);
      const leaving = apartFrom(s.to, [next.c1, next.c2, next.to]);
      if (!arriving || !leaving) return [];
      const [u, v] = [
        { x: s.to.x - arriving.x, y: s.to.y - arriving.y },
        { x: leaving.x - s.to.x, y: leaving.y - s.to.y },
      ];
      return Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y)) > 0.35 ? [s.to] : [];
    });
  });
}

const apartFrom = (p: Point, of: readonly (Point | undefined)[]): Point | null => of.find((q) => q && distance(p, q) > 1e-4) ?? null;

class Nearest {
  private readonly index: Flatbush | null = null;

  constructor(private readonly points: readonly Point[]) {
    if (points.length === 0) return;
    this.index = new Flatbush(points.length);
    for (const p of points) this.index.add(p.x, p.y, p.x, p.y);
    this.index.finish();
  }

  distance(p: Point): number {
    const [i] = this.index?.neighbors(p.x, p.y, 1) ?? [];
    return i === undefined ? Infinity : distance(p, this.points[i]!);
  }

  within(p: Point, mm: number): Point[] {
    const found = this.index?.search(p.x - mm, p.y - mm, p.x + mm, p.y + mm) ?? [];
    return found.map((i) => this.points[i]!).filter((q) => distance(p, q) <= mm);
  }
}
