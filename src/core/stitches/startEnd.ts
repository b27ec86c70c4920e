import type { Point } from '../geometry/point';

/** Wished first and last penetrations. */
export interface StartEnd {
  start: Point | null;
  end: Point | null;
  /** The thread goes on from the end, so the needle has to stand there. */
  goesOn?: boolean;
}
