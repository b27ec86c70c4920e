import { contains } from '../geometry/area';
import { boundsOf, distance, mix, type Area, type Bounds, type Point } from '../geometry/point';

/** A piece's cover as something that can hide what was sewn before it. */
export interface Hiding {
  cover: Area;
  box: Bounds;
  /** Rows near enough to each other to hide a run. */
  dense: boolean;
  /** Foam lies under it: a run across would flatten the foam. */
  foam: boolean;
}

export const hidingOf = (cover: Area, dense: boolean, foam = false): Hiding => ({ cover, box: boundsOf(cover), dense, foam });

/** A gap that one stitch bridges without being seen, mm. */
export const TOUCHING_MM = 1;
const PROBE_MM = 0.3;

/** How two pieces of one thread are joined. */
export type Link = 'stitch' | 'travel' | 'trim';

/**
 * @param later pieces that are sewn after the move, the next one included
 * @param foam pieces over foam, which no travel may cross
 */
export function linkBetween(from: Point, to: Point, later: readonly Hiding[], foam: readonly Hiding[] = []): Link {
  const gap = distance(from, to);
  if (gap <= TOUCHING_MM) return 'stitch';
  const steps = Math.ceil(gap / PROBE_MM);
  for (let k = 1; k < steps; k++) {
    const p = mix(from, to, k / steps);
    if (k * PROBE_MM < 0.5 || (steps - k) * PROBE_MM < 0.5) continue;
    const under = (h: Hiding): boolean => inBox(h.box, p) && contains(h.cover, p);
    if (foam.some(under) || !later.some((h) => h.dense && under(h))) return 'trim';
  }
  return 'travel';
}

const inBox = (b: Bounds, p: Point): boolean => p.x >= b.minX && p.x <= b.maxX && p.y >= b.minY && p.y <= b.maxY;
