import { areaOf, perimeterOf } from '../geometry/area';
import { convexHull, convexity, fittingBox } from '../geometry/hull';
import { PI } from '../units/trig';
import type { Region } from './artRegions';
import type { Proposal } from './proposeKind';

/** Share of the circle of the same outline length that a round shape fills. */
const ROUND = 0.9;
/** Sides of what is round or square differ by less than this. */
const EVEN = 1.25;
const DOT_MM = 8;
const CONVEX = 0.95;
/** Share of its box that a panel fills; an ellipse has 0.79. */
const FILLS_BOX = 0.9;
const OVAL = 0.72;
const LONG = 3;

/** What a shape is, in one word: dot, ring, bar. */
export function shapeWord(region: Region, { kind }: Proposal): string {
  if (region.stroke) return /Z\s*$/i.test(region.data) ? 'outline' : 'line';
  if (kind === 'run') return 'line';
  const ring = region.area[0];
  if (!ring) return 'part';
  if (region.area.length > 1) return kind === 'fill' ? 'frame' : 'ring';
  return convexWord(region) ?? (kind === 'fill' ? 'area' : region.lengthMm > LONG * region.width.median ? 'band' : 'column');
}

function convexWord({ area }: Region): string | null {
  const ring = area[0]!;
  const hull = convexHull(ring);
  if (hull.length < 3 || convexity(ring, hull) < CONVEX) return null;
  const { longMm, wideMm } = fittingBox(hull);
  const perimeter = perimeterOf(area);
  if (longMm <= EVEN * wideMm && 4 * PI * areaOf(area) >= ROUND * perimeter * perimeter) return longMm < DOT_MM ? 'dot' : 'disc';
  const filled = areaOf(area) / (longMm * wideMm);
  if (filled >= FILLS_BOX) return longMm < LONG * wideMm ? 'panel' : 'bar';
  return filled >= OVAL ? 'oval' : null;
}
