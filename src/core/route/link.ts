import { resample } from '../geometry/line';
import { distance, emptyBounds, type Bounds, type Point } from '../geometry/point';
import type { CoverGrid, MayShow } from './coverGrid';
import { TOUCHING_MM } from './coverGrid';
import type { RouteItem } from './item';
import { TRAVEL_STITCH_MM, type Pace } from './seconds';
import { hiddenWay } from './ways';

/** What was judged to be allowed is not cut because it comes out a hair longer, mm. */
const HAIR_MM = 0.15;

/** Why the thread is cut between two pieces of one colour. */
export type CutReason = 'asked' | 'barred' | 'open' | 'far';

/** How the needle comes to a piece from the one before it. */
export interface Link {
  how: 'stitch' | 'travel' | 'trim';
  /** Penetrations on the way, without those where it begins and ends. */
  way: Point[];
  reason?: CutReason;
  /** How much of a straight way would stay visible, mm. */
  shownMm: number;
  /** How much of the way that the thread takes lies on bare cloth, mm. */
  bareMm: number;
}

/**
 * Links the needle's place to the first penetration of the piece at position `k` of the order that the ground was laid in.
 * @param looked grows by the box of the cloth that was searched, mm
 */
export function linkTo(
  ground: CoverGrid,
  sequence: readonly RouteItem[],
  k: number,
  from: Point,
  to: Point,
  { pace, ...may }: { pace: Pace } & MayShow,
  looked: Bounds = emptyBounds(),
): Link {
  const shown = { ...may, slackMm: -HAIR_MM };
  const target = sequence[k]!;
  const gap = distance(from, to);
  const seen = ground.straight(from, to, k);
  const shownMm = seen.bareMm + seen.overMm;
  const cut = (reason: CutReason): Link => ({ how: 'trim', way: [], reason, shownMm, bareMm: 0 });
  if (target.approach?.how === 'trim') return cut('asked');
  if (target.approach?.how === 'travel') {
    const way = [from, ...(target.approach.way ?? []), to];
    const bareMm = way.slice(1).reduce((sum, p, i) => sum + ground.straight(way[i]!, p, k).bareMm, 0);
    return { how: 'travel', way: inStitches(way), shownMm, bareMm };
  }
  const bareMm = seen.bareMm;
  if (gap <= TOUCHING_MM && !seen.barred) return { how: 'stitch', way: [], shownMm, bareMm };
  const way = hiddenWay(ground, from, to, k, () => sequence.slice(k).flatMap((i) => i.lines), looked);
  if (way) {
    const length = way.slice(1).reduce((sum, p, i) => sum + distance(p, way[i]!), 0);
    if (length * pace.mm <= pace.trim) return { how: 'travel', way: inStitches(way), shownMm, bareMm: 0 };
    if (!ground.goesStraight(from, to, k, shown)) return cut('far');
  }
  if (ground.goesStraight(from, to, k, shown)) {
    const way = gap <= TRAVEL_STITCH_MM ? [] : inStitches([from, to]);
    return { how: gap <= TRAVEL_STITCH_MM ? 'stitch' : 'travel', way, shownMm, bareMm };
  }
  return cut(seen.barred ? 'barred' : 'open');
}

/** Penetrations along a way, its corners among them, without its ends. */
function inStitches(way: readonly Point[]): Point[] {
  const out: Point[] = [];
  way.forEach((p, i) => {
    if (i === 0) return;
    out.push(...resample([way[i - 1]!, p], TRAVEL_STITCH_MM).slice(1, -1));
    if (i < way.length - 1) out.push(p);
  });
  const clear = (p: Point, q: Point | undefined): boolean => q === undefined || distance(p, q) >= 0.5;
  return out.filter((p, i) => clear(p, way[0]) && clear(p, way[way.length - 1]) && (i === 0 || clear(p, out[i - 1])));
}
