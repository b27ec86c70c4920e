import { distance, dot, sub, type Point } from '../../geometry/point';
import { armOf, type Arm } from './arms';
import { farthest } from './farthest';

/** A straight stretch among a list of points: from one index to another, both in it, and the line itself. */
export interface Straight {
  first: number;
  last: number;
  line: Arm;
}

/** Shorter stretches are not told from bends, pixels; those that end in a bend have to be longer. */
const LEAST_PX = 8;
const LEAST_INTO_BEND_PX = 20;
/** A stretch is bent when its best parabola rises by more than this share of what it may stray. */
const RISES = 0.55;
const RISES_INTO_BEND = 0.25;
/** So near to the end of the border a stretch ends with it, points. */
const AT_END = 3;
/** The middle share of a found stretch, from which it is grown again to both sides. */
const MIDDLE = 0.3;

/**
 * Straight stretches of a border, in order: as long as they go within `off` pixels of their own line, and not bent as part of a circle is.
 * @param off about three times the noise of the points
 */
export function straightsAmong(points: readonly Point[], off: number): Straight[] {
  const out: Straight[] = [];
  const last = points.length - 1;
  let at = 0;
  while (at < last) {
    const end = farthestStraight(points, at, off);
    const found = distance(points[at]!, points[end]!) >= LEAST_PX ? grown(points, at, end, off, out.at(-1)?.last ?? 0) : null;
    if (found) {
      out.push(found);
      at = Math.max(at + 1, found.last);
    } else at = Math.max(at + 1, at + Math.floor((end - at) / 4));
  }
  return out;
}

/** How far the chord from a point stays near to all between. */
const farthestStraight = (points: readonly Point[], at: number, off: number): number =>
  farthest(at, points.length - 1, (end) => strayOf(points, at, end) <= off);

/** Farthest distance of the points between two from the chord that joins these. */
export function strayOf(points: readonly Point[], from: number, to: number): number {
  const [a, b] = [points[from]!, points[to]!];
  const mm = distance(a, b);
  if (mm === 0) return Infinity;
  const along = { x: (b.x - a.x) / mm, y: (b.y - a.y) / mm };
  let worst = 0;
  for (let i = from + 1; i < to; i++) {
    const d = sub(points[i]!, a);
    const x = dot(d, along);
    worst = Math.max(worst, Math.abs(d.y * along.x - d.x * along.y), -x, x - mm);
  }
  return worst;
}

/** A stretch with the ends that its own middle has; null when it is bent or short. */
function grown(points: readonly Point[], from: number, to: number, off: number, notBefore: number): Straight | null {
  const inner = [Math.round(from + (to - from) * MIDDLE), Math.round(to - (to - from) * MIDDLE)] as const;
  let [first, last] = inner;
  let line = armOf(points.slice(first, last + 1), points[first]!);
  if (!line) return null;
  for (let round = 0; round < 3; round++) {
    const near = (i: number): boolean => offLine(line!, points[i]!) <= off;
    while (first > notBefore && near(first - 1)) first--;
    while (last + 1 < points.length && near(last + 1)) last++;
    line = armOf(points.slice(first, last + 1), points[first]!)!;
    while (first < inner[0] && !near(first)) first++;
    while (last > inner[1] && !near(last)) last--;
  }
  const mm = distance(points[first]!, points[last]!);
  const whole = first < AT_END && last >= points.length - AT_END;
  if (mm < (whole ? LEAST_PX : LEAST_INTO_BEND_PX)) return null;
  [first, last] = withoutBends(points, { first, last, line }, off);
  if (last - first < 2) return null;
  if ((Math.abs(line.bend) * mm * mm) / 8 > (whole ? RISES : RISES_INTO_BEND) * off) return null;
  return { first, last, line };
}

/** Where the bends at its free ends begin: an arc leaves its tangent by the square of the way, so two places of it tell where it began. */
function withoutBends(points: readonly Point[], { first, last, line }: Straight, off: number): [number, number] {
  const tight = TIGHT * off;
  const shortened = (from: number, step: 1 | -1): number => {
    let near = from;
    while (near !== from + step * (last - first) && offLine(line, points[near]!) > tight) near += step;
    const on = near + Math.round(Math.abs(near - from) / (1 / Math.sqrt(TIGHT) - 1)) * step;
    return step > 0 ? Math.min(on, last) : Math.max(on, first);
  };
  return [first < AT_END ? first : shortened(first, 1), last >= points.length - AT_END ? last : shortened(last, -1)];
}
const TIGHT = 0.4;

const offLine = ({ middle, straight }: Arm, p: Point): number => {
  const d = sub(p, middle);
  return Math.abs(d.y * straight.x - d.x * straight.y);
};

/** The place of a line nearest to a point. */
export function onLine({ middle, straight }: Arm, p: Point): Point {
  const t = dot(sub(p, middle), straight);
  return { x: middle.x + straight.x * t, y: middle.y + straight.y * t };
}
