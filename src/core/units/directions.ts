/** Difference of two row directions, 0 to 90 degrees. */
export function apart(a: number, b: number): number {
  const d = Math.abs(normalDirection(a) - normalDirection(b));
  return Math.min(d, 180 - d);
}

/** A row direction from 0 up to, but without, 180 degrees, to a tenth. */
export const normalDirection = (deg: number): number => (((Math.round(deg * 10) / 10) % 180) + 180) % 180;
