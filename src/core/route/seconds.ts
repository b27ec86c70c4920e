/** Machine time that the router weighs, so that its trades are honest. */
export const SECONDS_PER_TRIM = 7;
export const SECONDS_PER_CHANGE = 10;
/** Length of a travel stitch, mm. */
export const TRAVEL_STITCH_MM = 3;
/** Stitches that lock a thread before and after a cut. */
const TIE_STITCHES = 6;
/** A way along cells is longer than the straight line by about this much. */
export const DETOUR = 1.15;

export interface Pace {
  /** Seconds per stitch. */
  stitch: number;
  /** Seconds per mm of travel. */
  mm: number;
  /** Seconds that a cut costs, with the ties about it. */
  trim: number;
  change: number;
}

export function paceAt(stitchesPerMinute: number): Pace {
  const stitch = 60 / stitchesPerMinute;
  return { stitch, mm: stitch / TRAVEL_STITCH_MM, trim: SECONDS_PER_TRIM + TIE_STITCHES * stitch, change: SECONDS_PER_CHANGE };
}
