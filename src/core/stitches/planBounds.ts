import { boundsOf, type Bounds } from '../geometry/point';
import type { StitchColumns } from './buffer';

/** Box around all penetrations of a plan, mm; a centred 10 mm box for an empty one. */
export function planBounds(plan: Pick<StitchColumns, 'x' | 'y'>): Bounds {
  if (plan.x.length === 0) return { minX: -5, minY: -5, maxX: 5, maxY: 5 };
  return boundsOf([Array.from(plan.x, (x, i) => ({ x, y: plan.y[i]! }))]);
}
