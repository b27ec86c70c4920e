import { atan2, PI } from './trig';

/** Difference of two row directions, 0 to 90 degrees. */
export function apart(a: number, b: number): number {
  const d = Math.abs(normalDirection(a) - normalDirection(b));
  return Math.min(d, 180 - d);
}

/** A row direction from 0 up to, but without, 180 degrees, to a tenth. */
export const normalDirection = (deg: number): number => (((Math.round(deg * 10) / 10) % 180) + 180) % 180;

interface Place {
  x: number;
  y: number;
}

/** Direction of a straight line on screen, degrees from level, counter-clockwise. */
export const directionOf = (a: Place, b: Place): number => normalDirection((-atan2(b.y - a.y, b.x - a.x) * 180) / PI);
