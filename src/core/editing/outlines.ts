import type { Piece } from '../document/types';
import { areaOf, offset, unite } from '../geometry/area';
import { fittedData } from '../geometry/fit';
import { lengthsAlong, nearestOnLine, resample } from '../geometry/line';
import { outlineOf } from '../geometry/outline';
import { dataToRings, ringsToData } from '../geometry/path';
import { add, distance, dot, mix, scale, sub, unit, type Area, type Line, type Point, type Ring } from '../geometry/point';
import { without } from '../document/without';
import { cos, PI } from '../units/trig';

/** Edited outlines keep this near to what was cut or grown, mm. */
const KEEP_MM = 0.02;
const LEAST_AREA_MM2 = 0.05;

const areaData = (area: Area): string => fittedData(area, KEEP_MM);

/** Gaps up to this are closed when areas are joined, mm. */
const CLOSES_MM = 0.3;

/**
 * Several pieces as one, with the settings of the first: areas that touch (or nearly) grow together, lines are strung end to end.
 * @returns null when they are of kinds that do not join
 */
export function joinPieces(pieces: readonly Piece[]): Piece | null {
  const [first] = pieces;
  if (!first || pieces.length < 2) return null;
  const rest = without(first, 'start', 'end');
  if (pieces.every((p) => p.area)) {
    const grown = unite(...pieces.map((p) => offset(outlineOf(p.area!).area, CLOSES_MM / 2, 'miter')));
    const slants = pieces.flatMap((p) => p.slants ?? []);
    return { ...rest, area: areaData(offset(grown, -CLOSES_MM / 2, 'miter')), ...(slants.length > 0 ? { slants } : {}) };
  }
  if (!pieces.every((p) => p.line)) return null;
  const line = pieces.slice(1).reduce<Line>((sum, p) => strung(sum, dataToRings(p.line!)[0] ?? []), dataToRings(first.line!)[0] ?? []);
  return { ...rest, line: ringsToData([line], false) };
}

/** Two lines as one, joined where their ends are nearest. */
function strung(a: Line, b: Line): Line {
  if (a.length === 0 || b.length === 0) return a.length === 0 ? b : a;
  const ways: [Line, Line][] = [
    [a, b],
    [a, b.slice().reverse()],
    [a.slice().reverse(), b],
    [a.slice().reverse(), b.slice().reverse()],
  ];
  const gap = ([p, q]: [Line, Line]): number => distance(p[p.length - 1]!, q[0]!);
  const [p, q] = ways.reduce((best, way) => (gap(way) < gap(best) - 1e-9 ? way : best));
  return gap([p, q]) < 0.01 ? [...p, ...q.slice(1)] : [...p, ...q];
}

/** An outline grown (positive) or shrunk all round, mm; null when nothing is left. */
export function offsetOutline(data: string, mm: number): string | null {
  const grown = offset(outlineOf(data).area, mm, 'miter');
  return areaOf(grown) < LEAST_AREA_MM2 ? null : areaData(grown);
}

/**
 * An outline pulled out (or in) along one edge only: by `mm` at the place on it nearest to `at`, and less and less to
 * either side until nothing at `falloffMm`. This is what a measured gap asks for.
 */
export function extendEdge(data: string, at: Point, mm: number, falloffMm: number): string {
  const { area } = outlineOf(data);
  const away = (ring: Ring): number => nearestOnLine([...ring, ring[0]!], at).distance;
  const nearest = area.reduce((best, ring) => (away(ring) < away(best) ? ring : best), area[0]!);
  const moved = area.map((ring): Point[] => {
    const closed = resample([...ring, ring[0]!], 0.25);
    const along = lengthsAlong(closed);
    const total = along[along.length - 1]!;
    const points = closed.slice(0, -1);
    if (ring !== nearest) return ring.slice();
    const from = points.reduce((best, p, i) => (distance(p, at) < distance(points[best]!, at) ? i : best), 0);
    return points.map((p, i) => {
      const d = Math.abs(along[i]! - along[from]!);
      const away = Math.min(d, total - d);
      if (away >= falloffMm) return p;
      const before = points[(i + points.length - 1) % points.length]!;
      const after = points[(i + 1) % points.length]!;
      const t = unit(sub(after, before));
      // Outer rings run so that the inside lies to the right of (y, -x); holes the other way, so one normal serves both.
      return add(p, scale({ x: t.y, y: -t.x }, (mm * (1 + cos((PI * away) / falloffMm))) / 2));
    });
  });
  return areaData(moved);
}

/** The place on an outline nearest to a point, how far off it is, and the direction out of the area there, of length 1. */
export function nearestEdge(data: string, p: Point): { at: Point; away: number; out: Point } | null {
  let best: { at: Point; away: number; out: Point } | null = null;
  for (const ring of outlineOf(data).area) {
    const closed = [...ring, ring[0]!];
    for (let i = 1; i < closed.length; i++) {
      const [a, b] = [closed[i - 1]!, closed[i]!];
      const d = sub(b, a);
      const t = Math.min(1, Math.max(0, dot(sub(p, a), d) / Math.max(1e-12, dot(d, d))));
      const at = mix(a, b, t);
      const away = distance(at, p);
      if (!best || away < best.away) best = { at, away, out: unit({ x: d.y, y: -d.x }) };
    }
  }
  return best;
}

/** An outline with the fewest nodes that keep within `toleranceMm` of it. */
export const simplifiedOutline = (data: string, toleranceMm: number): string => fittedData(outlineOf(data).area, toleranceMm);
