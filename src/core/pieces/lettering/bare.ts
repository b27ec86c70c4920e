import { distance, mix, type Point } from '../../geometry/point';

const STEP_MM = 0.2;
/** By so much a way over bare cloth may be measured too short, mm. */
export const ROUGH_MM = 0.2;

/** How much of a straight way lies over bare cloth, mm. */
export function bareAlong(from: Point, to: Point, isCovered: (p: Point) => boolean): number {
  const length = distance(from, to);
  const steps = Math.max(1, Math.ceil(length / STEP_MM));
  let bare = 0;
  for (let i = 0; i < steps; i++) if (!isCovered(mix(from, to, (i + 0.5) / steps))) bare++;
  return (bare * length) / steps;
}
