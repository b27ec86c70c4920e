import { distance, type Line, type Point } from '../../geometry/point';
import { evenly, lengthsAlong, nearestOnLine } from '../../geometry/line';
import { CHORD_ERROR_MM, SHORTEST_STITCH_MM } from '../../units/tolerances';

/** Shortest stitch that a curve may ask for, mm. */
const SHORTEST_ON_CURVE_MM = 0.6;
/** A turn sharper than this is a corner that gets a penetration of its own, as a cosine (about 50°). */
const CORNER_COSINE = 0.64;

function isCorner(a: Point, b: Point, c: Point): boolean {
  const l = distance(a, b) * distance(b, c);
  return l > 0 && ((b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y)) / l < CORNER_COSINE;
}

/**
 * Penetrations of a running stitch along a line, both ends included: stitches as even as they can be, at most `lengthMm`,
 * shorter where the line bends so that the chord keeps within 0.1 mm of it, with corners kept.
 */
export function runPoints(line: Line, lengthMm: number): Point[] {
  if (line.length < 2) return line.slice();
  const out: Point[] = [line[0]!];
  let from = 0;
  for (let i = 1; i < line.length; i++) {
    const last = i === line.length - 1;
    if (!last && !isCorner(line[i - 1]!, line[i]!, line[i + 1]!)) continue;
    for (const p of stretch(line.slice(from, i + 1), lengthMm)) out.push(p);
    from = i;
  }
  return withoutShort(out);
}

/** Even stitches along a smooth stretch; first point left out. */
function stretch(line: Line, lengthMm: number): Point[] {
  const along = lengthsAlong(line);
  const total = along[along.length - 1]!;
  if (total === 0) return [];
  let count = Math.max(1, Math.ceil(total / lengthMm - 1e-9));
  for (; total / count > SHORTEST_ON_CURVE_MM; count++) {
    const points = evenly(line, along, count);
    if (strays(line, along, points) <= CHORD_ERROR_MM) return points.slice(1);
    count = Math.ceil(count * 1.15);
  }
  return evenly(line, along, Math.max(1, Math.floor(total / SHORTEST_ON_CURVE_MM))).slice(1);
}

/** Largest distance of the line's points from the chord that spans them. */
function strays(line: Line, along: Float64Array, points: readonly Point[]): number {
  const step = along[along.length - 1]! / (points.length - 1);
  let worst = 0;
  for (let i = 1; i < line.length - 1; i++) {
    const k = Math.min(points.length - 2, Math.floor(along[i]! / step));
    const away = nearestOnLine([points[k]!, points[k + 1]!], line[i]!).distance;
    if (away > worst) worst = away;
  }
  return worst;
}

/** Drops interior penetrations that would make a stitch below the floor. */
export function withoutShort(points: readonly Point[]): Point[] {
  const out: Point[] = [];
  points.forEach((p, i) => {
    const last = out[out.length - 1];
    if (!last || distance(last, p) >= SHORTEST_STITCH_MM) out.push(p);
    else if (i === points.length - 1 && out.length > 1) out[out.length - 1] = p;
  });
  return out;
}
