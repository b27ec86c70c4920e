import { lengthsAlong, resample } from '../../geometry/line';
import { add, cross, scale, sub, unit, type Point } from '../../geometry/point';
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
  const least = Math.min(Math.round((0.5 * radius) / STEP_MM), Math.floor(n * 0.3));
  const drop = Math.max(least, kneeAt(line, radii, usual));
  const inwards = Math.min(n - 1, drop + Math.max(4, Math.round(usual / STEP_MM)), Math.max(drop + 1, n - 1 - drop));
  const from = line[drop]!;
  const direction = unit(sub(from, line[inwards]!));
  const reach = drop * STEP_MM + Math.max(radius * 1.6, 0.6);
  const steps = Math.ceil(reach / STEP_MM);
  const added = Array.from({ length: steps }, (_, i) => add(from, scale(direction, ((i + 1) * reach) / steps)));
  return { drop, added, radius: Math.max(radius, radii[drop] ?? 0) };
}

/** A ball that grows by more than this per mm along the axis is on its way out of a corner. */
const GROWS = 0.12;
/** The axis bends at least this much where it turns into a corner, as a sine. */
const KNEE_SINE = 0.17;

/**
 * At an end that is cut aslant the axis turns off into the sharper corner, and its ball shrinks. Gives the sample at which
 * it turns, or 0 where it runs straight to its end, as in a tip.
 */
function kneeAt(line: readonly Point[], radii: readonly number[], usual: number): number {
  const reach = Math.round((3 * usual) / STEP_MM);
  const span = Math.max(4, Math.round((0.7 * usual) / STEP_MM));
  let knee = 0;
  while (knee < reach && knee + 3 < radii.length && radii[knee + 3]! - radii[knee]! > GROWS * 3 * STEP_MM) knee++;
  if (knee > 0) knee += 3;
  if (knee < 3 || knee >= reach || knee + 2 * span >= line.length || knee > line.length * 0.55) return 0;
  const off = unit(sub(line[0]!, line[knee]!));
  const before = unit(sub(line[knee]!, line[knee + span]!));
  const earlier = unit(sub(line[knee + span]!, line[knee + 2 * span]!));
  const straight = Math.abs(cross(before, earlier)) < KNEE_SINE / 2;
  return straight && Math.abs(cross(off, before)) > KNEE_SINE ? knee : 0;
}
