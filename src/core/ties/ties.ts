import { distance, mix, type Point } from '../geometry/point';

/** Usual length of a tie stitch, mm (craft §6). */
export const TIE_LENGTH_MM = 0.7;
const SHORTEST_TIE_MM = 0.3;

/**
 * Tiny stitches that lock the thread, back along the line so that they stay hidden: three of about 0.7 mm.
 * @param at the penetration to lock at
 * @param along the neighbouring penetration; the tie lies between the two
 * @returns penetrations after `at`, ending at `at` again when the neighbour is near, else on the way to it
 */
export function tieIn(at: Point, along: Point): Point[] {
  const inner = tiePoint(at, along);
  return distance(at, along) >= TIE_LENGTH_MM + 0.5 ? [inner, at, inner] : [inner, at, inner, at];
}

/** Penetrations after the last one, `at`, that lock the thread before it is cut. */
export function tieOff(at: Point, before: Point): Point[] {
  const inner = tiePoint(at, before);
  return [inner, at, inner];
}

function tiePoint(at: Point, along: Point): Point {
  const d = distance(at, along);
  if (d < SHORTEST_TIE_MM) return { x: at.x + TIE_LENGTH_MM / 2, y: at.y };
  const length = Math.min(TIE_LENGTH_MM, d);
  return mix(at, along, length / d);
}
