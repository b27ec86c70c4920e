import { ofEach } from '../geometry/known';
import { resample } from '../geometry/line';
import type { Area, Point } from '../geometry/point';
import { hypot } from '../units/trig';

/** A place on a drawn edge. */
export interface EdgePlace {
  at: Point;
  /** Unit vector out of the piece. */
  out: Point;
}

/** Edges are looked at in places so far apart, mm. */
export const PLACE_MM = 1;
/** Where two half steps along an edge lead less far than this share of a whole one, it turns sharply. */
const CORNER = 0.85;
/** Edges shorter than this are tips, mm. */
const LEAST_EDGE_MM = 3;

/** Places along the outlines of an area with the direction out of it. */
export const placesAlong = ofEach((area: Area): EdgePlace[][] => {
  return area.flatMap((ring) => {
    const points = resample([...ring, ring[0]!], PLACE_MM / 2).slice(0, -1);
    const n = points.length;
    if (n * PLACE_MM < 2 * LEAST_EDGE_MM) return [];
    return [
      points.flatMap((at, i): EdgePlace[] => {
        if (i % 2 === 1) return [];
        const [before, after] = [points[(i + n - 1) % n]!, points[(i + 1) % n]!];
        const [dx, dy] = [after.x - before.x, after.y - before.y];
        const length = hypot(dx, dy) || 1;
        // Right at a corner there is no one direction out of the piece: two half steps are not a whole one there.
        if (length < CORNER * PLACE_MM) return [];
        // Outer rings turn from x towards y, holes the other way: the outside lies on the same hand of both.
        return [{ at, out: { x: dy / length, y: -dx / length } }];
      }),
    ];
  });
});
