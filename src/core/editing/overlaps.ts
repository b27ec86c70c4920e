import { areaOf, intersect, perimeterOf } from '../geometry/area';
import { boundsOf, boundsTouch, distance, type Area, type Point } from '../geometry/point';
import { nearestOnLine, resample } from '../geometry/line';

/** How two neighbours meet. */
export interface Meeting {
  /** Indices of the two pieces. */
  a: number;
  b: number;
  /** Mean depth of the overlap, mm; below 0 a gap, as its least width. */
  overlapMm: number;
  at: Point;
}

/** Neighbours farther apart than this do not meet, mm. */
const NEAR_MM = 0.8;
const LEAST_OVERLAP_MM2 = 0.02;

/** Overlaps and narrow gaps between painted areas that should meet. A piece that lies wholly within another is no neighbour. */
export function meetingsOf(areas: readonly Area[]): Meeting[] {
  const boxes = areas.map((a) => boundsOf(a));
  const out: Meeting[] = [];
  for (let a = 0; a < areas.length; a++) {
    for (let b = a + 1; b < areas.length; b++) {
      if (areas[a]!.length === 0 || areas[b]!.length === 0 || !boundsTouch(boxes[a]!, boxes[b]!, NEAR_MM)) continue;
      const meeting = meet(areas[a]!, areas[b]!);
      if (meeting) out.push({ a, b, ...meeting });
    }
  }
  return out;
}

function meet(a: Area, b: Area): { overlapMm: number; at: Point } | null {
  const common = intersect(a, b);
  const size = areaOf(common);
  if (size > LEAST_OVERLAP_MM2) {
    if (size > 0.9 * Math.min(areaOf(a), areaOf(b))) return null;
    const largest = common.reduce((p, q) => (areaOf([q]) > areaOf([p]) ? q : p));
    return { overlapMm: (2 * size) / perimeterOf(common), at: largest[largest.length >> 1]! };
  }
  let best = { away: NEAR_MM, at: { x: 0, y: 0 } };
  for (const ring of a) {
    for (const p of resample([...ring, ring[0]!], 0.5)) {
      for (const other of b) {
        const found = nearestOnLine([...other, other[0]!], p);
        if (found.distance < best.away) best = { away: found.distance, at: { x: (p.x + found.point.x) / 2, y: (p.y + found.point.y) / 2 } };
      }
    }
  }
  return best.away < NEAR_MM ? { overlapMm: -best.away, at: best.at } : null;
}

/** Places where two neighbours overlap by less than they should, worst first. */
export const shortMeetings = (meetings: readonly Meeting[], leastMm: number): Meeting[] =>
  meetings.filter((m) => m.overlapMm < leastMm).sort((p, q) => p.overlapMm - q.overlapMm || distance(p.at, q.at));
