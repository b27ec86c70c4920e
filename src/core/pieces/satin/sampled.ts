import { lengthsAlong, resample } from '../../geometry/line';
import { add, scale, sub, unit, type Point } from '../../geometry/point';
import { OVERLAP_MM } from '../../units/tolerances';
import type { Chain } from './chains';

/** Sampling of a column's middle, mm. */
export const STEP_MM = 0.12;

/** A chain at even steps, with the ball's radius at each. */
export interface Sampled {
  points: Point[];
  radii: number[];
  /** For each stop, the sample nearest to it. */
  stopAt: number[];
}

/** The chain at even steps. */
export function sampleChain(chain: Chain): Sampled {
  const along = lengthsAlong(chain.points);
  const total = along[along.length - 1]!;
  const points = resample(chain.points, STEP_MM);
  const n = points.length;
  let i = 1;
  const radii = points.map((_, k) => {
    const s = (total * k) / Math.max(1, n - 1);
    while (i < chain.points.length - 1 && along[i]! < s) i++;
    const span = along[i]! - along[i - 1]!;
    const t = span > 0 ? Math.min(1, (s - along[i - 1]!) / span) : 0;
    return chain.radii[i - 1]! + (chain.radii[i]! - chain.radii[i - 1]!) * t;
  });
  const stopAt = chain.stops.map((s) => (total > 0 ? Math.round((along[s.index]! / total) * (n - 1)) : 0));
  return { points, radii, stopAt };
}

interface ReshapedEnd {
  /** Samples to leave out at this end. */
  drop: number;
  /** Straight prolongation, outwards. */
  added: Point[];
  /** Radius along the prolongation, mm. */
  radius: number;
}

/**
 * Where a column ends at the outline its axis wanders into a corner: the last half radius is given up, and the column
 * runs on straight to the outline. Where it meets another column it stays back so that it is tucked under by 1.0 mm.
 * @param line samples from this end inwards
 */
export function reshapeEnd(line: readonly Point[], radii: readonly number[], end: Chain['startsAs'], usual: number): ReshapedEnd {
  const n = line.length;
  const radius = radii[0] ?? 0;
  if (end !== 'open') {
    const back = Math.min(Math.max(0, radius - OVERLAP_MM) / STEP_MM, n * 0.45);
    return { drop: Math.floor(back), added: [], radius };
  }
  const drop = Math.min(Math.round((0.5 * radius) / STEP_MM), Math.floor(n * 0.3));
  const inwards = Math.min(n - 1, drop + Math.max(4, Math.round(usual / STEP_MM)), Math.max(drop + 1, n - 1 - drop));
  const from = line[drop]!;
  const direction = unit(sub(from, line[inwards]!));
  const reach = drop * STEP_MM + Math.max(radius * 1.6, 0.6);
  const steps = Math.ceil(reach / STEP_MM);
  const added = Array.from({ length: steps }, (_, i) => add(from, scale(direction, ((i + 1) * reach) / steps)));
  return { drop, added, radius: Math.max(radius, radii[drop] ?? 0) };
}
