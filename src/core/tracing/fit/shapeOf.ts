import { fittedCubic } from '../../geometry/fit';
import { distance, type Point } from '../../geometry/point';
import type { Segment, Subpath } from '../../geometry/path';
import { meeting } from './arms';
import { circleOf } from './circle';
import { Border, type Roughness } from './corners';
import { farthest } from './farthest';
import { smoothStop, stopsOf, type Stop } from './stops';
import { onLine, straightsAmong, strayOf, type Straight } from './straights';

export interface FitOptions extends Roughness {
  /** A shape lies nowhere farther than this from the border, pixels. */
  tolerance: number;
}

/** A straight stretch may stray so far from its line, pixels, beyond three times the noise. */
const STRAIGHT_OFF = 0.06;
/** What is left at the ends of straight stretches shorter than this is made straight to the corner, pixels. */
const STUB_PX = 2;
/** A corner moves no farther than this to where straight sides meet, pixels. */
const MOVES_PX = 1.5;

/** From one stop to the next: the points that say something, ends included, and the straight stretches among them. */
interface Side {
  from: Stop;
  to: Stop;
  points: Point[];
  /** Index in the border of each point. */
  index: number[];
  straights: Straight[];
}

/**
 * The fewest lines and curves that keep to a border: corners stay sharp, straight stretches straight, circles are circles.
 * Source: greedy longest curves (the fewest, since each part of a fitting stretch fits), each by least squares after Schneider (1990).
 * @param ends places of the nodes at its ends, for a border that is no loop
 */
export function shapeOfBorder(points: readonly Point[], ends: { from: Point; to: Point } | null, options: FitOptions): Subpath {
  const border = new Border(points, ends === null);
  const circle = ends ? null : circleOf(points, options.tolerance);
  if (circle) return circle;
  const stops = stopsOf(border, ends, options);
  const off = STRAIGHT_OFF + 3 * options.noise;
  const sides = stops.slice(1).map((to, k) => sideOf(border, stops[k]!, to, off));
  if (ends === null && sides[0]!.from.blur > 0) cornerBetween(sides.at(-1)!, sides[0]!);
  sides.slice(1).forEach((side, k) => cornerBetween(sides[k]!, side));
  const segments = sides.flatMap((side) => segmentsOf(border, side, options));
  return { start: sides[0]!.from.at, segments, closed: ends === null };
}

function sideOf(border: Border, from: Stop, to: Stop, off: number): Side {
  const points: Point[] = [];
  const index: number[] = [];
  for (let i = from.index + 1; i < to.index; i++) {
    const p = border.at(i)!;
    if (distance(p, from.at) <= from.blur || distance(p, to.at) <= to.blur) continue;
    points.push(p);
    index.push(i);
  }
  const straights = straightsAmong(points, off).map((s) => ({ ...s, first: s.first + 1, last: s.last + 1 }));
  return { from: { ...from }, to: { ...to }, points: [from.at, ...points, to.at], index: [from.index, ...index, to.index], straights };
}

/** Puts a corner where its straight sides meet, and lets it look along them. */
function cornerBetween(before: Side, after: Side): void {
  const arriving = before.straights.find((s) => reachesEnd(before, s));
  const leaving = after.straights.find((s) => reachesStart(after, s));
  const corner = before.to;
  let at = corner.at;
  if (arriving && leaving) at = meeting(arriving.line.middle, arriving.line.straight, leaving.line.middle, leaving.line.straight) ?? at;
  else if (arriving) at = onLine(arriving.line, at);
  else if (leaving) at = onLine(leaving.line, at);
  if (corner.fixed || distance(at, corner.at) > MOVES_PX) return;
  before.to.at = after.from.at = at;
  before.points[before.points.length - 1] = after.points[0] = at;
}

const reachesStart = ({ points }: Side, s: Straight): boolean =>
  distance(points[0]!, points[s.first]!) <= distance(points[0]!, points[1]!) + STUB_PX;
const reachesEnd = ({ points }: Side, s: Straight): boolean =>
  distance(points.at(-1)!, points[s.last]!) <= distance(points.at(-1)!, points.at(-2)!) + STUB_PX;

/** Lines along the straight stretches, curves between. */
function segmentsOf(border: Border, side: Side, options: FitOptions): Segment[] {
  const { points, straights, from, to } = side;
  const out: Segment[] = [];
  let [at, here] = [0, from];
  const last = points.length - 1;
  for (const s of straights) {
    const along = s.line.straight;
    const back = { x: -along.x, y: -along.y };
    if (!reachesStart(side, s) || at > 0) {
      const begin: Stop = {
        ...here,
        index: side.index[s.first]!,
        at: onLine(s.line, points[s.first]!),
        back,
        onward: along,
        blur: 0,
        fixed: false,
      };
      out.push(...curves(border, side, { at, stop: here }, { at: s.first, stop: begin }, options));
    }
    const isLast = reachesEnd(side, s);
    const end: Stop = isLast
      ? to
      : { ...to, index: side.index[s.last]!, at: onLine(s.line, points[s.last]!), back, onward: along, blur: 0, fixed: false };
    out.push({ to: end.at });
    [at, here] = [isLast ? last : s.last, end];
  }
  if (at < last) out.push(...curves(border, side, { at, stop: here }, { at: last, stop: to }, options));
  return out;
}

interface Place {
  /** Index among the side's points. */
  at: number;
  stop: Stop;
}

/** Curves from one place of a side to another, each as long as it can be. */
function curves(border: Border, side: Side, begin: Place, end: Place, { tolerance, noise }: FitOptions): Segment[] {
  const allowed = Math.max(tolerance, 2.5 * noise);
  const out: Segment[] = [];
  let { at, stop } = begin;
  const stopAt = (j: number): Stop => (j === end.at ? end.stop : smoothStop(border, side.index[j]!, begin.stop.index, end.stop.index));
  while (at < end.at) {
    const stretch = (j: number, to: Point): Point[] => [stop.at, ...side.points.slice(at + 1, j), to];
    const isStraight = (j: number): boolean => {
      const own = stretch(j, stopAt(j).at);
      return strayOf(own, 0, own.length - 1) <= allowed / 2;
    };
    const curveTo = (j: number): Segment | null => {
      const to = stopAt(j);
      const own = stretch(j, to.at);
      const { c1, c2, worst } = fittedCubic(own, 0, own.length - 1, stop.onward, to.back, allowed);
      return worst.squared <= allowed * allowed ? { c1, c2, to: to.at } : null;
    };
    const j = farthest(at, end.at, (k) => k - at < 3 || curveTo(k) !== null);
    const next = stopAt(j);
    out.push((isStraight(j) ? null : curveTo(j)) ?? { to: next.at });
    [at, stop] = [j, next];
  }
  return out;
}
