import { convexHull, convexity, fittingBox } from '../../geometry/hull';
import { ringsToData } from '../../geometry/path';
import { add, mix, scale, type Area, type Line, type Point } from '../../geometry/point';
import { LEAST_CROSSING_DEG } from '../../units/craft';
import { apart } from '../../units/directions';
import type { Region } from '../artRegions';
import type { Proposal } from '../proposeKind';
import { directionOf } from '../../units/directions';

/** Longer than so many times its width a column has one way for its rows. */
const NEARLY_ROUND = 1.4;
/** Unless it is so short that rows along it are short ones, mm; then so many. */
const SHORT_MM = 4.5;
const NEARLY_ROUND_SHORT = 2;
const CONVEX = 0.95;

/** Whether a column is so compact that its rows may lie either way: as a dot's may. */
export function mayTurn({ region, proposal }: { region: Region; proposal: Proposal }, limitMm: number): boolean {
  if (proposal.kind !== 'satin' || region.stroke || region.area.length !== 1) return false;
  const hull = convexHull(region.area[0]!);
  if (hull.length < 3 || convexity(region.area[0]!, hull) < CONVEX) return false;
  const { longMm, wideMm } = fittingBox(hull);
  return longMm <= Math.min(limitMm, (longMm <= SHORT_MM ? NEARLY_ROUND_SHORT : NEARLY_ROUND) * wideMm);
}

/** A compact detail with rows along its other side, where those it would have sink into the rows that it lies on. */
export function turnedDetail(region: Region, proposal: Proposal, groundDeg: number, sews: (shape: Shape) => boolean): Proposal | null {
  const hull = convexHull(region.area[0]!);
  const { along } = fittingBox(hull);
  const across = { x: -along.y, y: along.x };
  if (
    apart(directionOf(ORIGIN, across), groundDeg) >= LEAST_CROSSING_DEG ||
    apart(directionOf(ORIGIN, along), groundDeg) < LEAST_CROSSING_DEG
  )
    return null;
  const shape = { ...proposal.shape!, slants: [ringsToData(slantsAcross(region.area, along, across), false)] };
  return sews(shape) ? { ...proposal, why: `${proposal.why}; rows turned to cross those beneath`, shape } : null;
}
type Shape = NonNullable<Proposal['shape']>;
const ORIGIN = { x: 0, y: 0 };

/** Two lines across an area, square to the way in which its rows will follow one another. */
function slantsAcross(area: Area, along: Point, across: Point): Line[] {
  const extent = (d: Point): [number, number] => {
    const at = area.flat().map((p) => p.x * d.x + p.y * d.y);
    return [Math.min(...at), Math.max(...at)];
  };
  const [low, high] = extent(along);
  const [left, right] = extent(across);
  const at = (u: number, v: number): Point => add(scale(along, u), scale(across, v));
  return [0.3, 0.7].map((t) => {
    const v = left + t * (right - left);
    return [mix(at(low, v), at(high, v), 0.1), mix(at(low, v), at(high, v), 0.9)];
  });
}
