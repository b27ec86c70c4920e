import type { Job } from '../../document/types';
import type { MeetingEdge, MeetingPlace } from '../../forecast/edgeMeetings';
import { distance, type Point } from '../../geometry/point';
import { gapPlaceOf, type Measured } from '../measured';

/** What one measured gap says of the edge that it was measured at. */
interface SeenGap {
  first: number;
  later: number;
  at: Point;
  /** How much more the cloth moved there than the forecast says. */
  times: number;
  /** What it moved beyond that, mm, where the forecast expects next to no movement. */
  beyondMm: number;
}

/** Movement that is too small to be compared, mm. */
const LEAST_MOVED_MM = 0.15;
/** A gap that the forecast does not explain fades out over so long a way along its edge, mm. */
const FADE_MM = 8;
const MOST_TIMES = 5;

/** What measured gaps say, held against a forecast of the job that they were measured on. */
export function seenGapsOf(job: Pick<Job, 'pieces'>, meetings: readonly MeetingEdge[], marks: readonly Measured[]): SeenGap[] {
  return marks.flatMap((mark): SeenGap[] => {
    const found = mark.kind === 'gap' ? gapPlaceOf(job, meetings, mark) : null;
    if (!found) return [];
    const { drawnGapMm, gapMm, at } = found.place;
    const [foreseen, measured] = [gapMm - drawnGapMm, mark.mm - drawnGapMm];
    const times = foreseen > LEAST_MOVED_MM ? Math.min(MOST_TIMES, Math.max(1, measured / foreseen)) : 1;
    const beyondMm = Math.max(0, measured - times * Math.max(0, foreseen));
    return [{ first: found.edge.first, later: found.edge.later, at, times, beyondMm }];
  });
}

/** Meetings with the gaps that the cloth showed: what moved more than foreseen moves more along the whole edge, nothing less than foreseen. */
export function withSeenGaps(meetings: readonly MeetingEdge[], seen: readonly SeenGap[]): MeetingEdge[] {
  return meetings.map((edge) => {
    const own = seen.filter((g) => g.first === edge.first && g.later === edge.later);
    return own.length === 0 ? edge : { ...edge, places: edge.places.map((place) => ({ ...place, gapMm: gapAt(place, own) })) };
  });
}

function gapAt({ at, drawnGapMm, gapMm }: MeetingPlace, seen: readonly SeenGap[]): number {
  const nearest = seen.reduce((a, b) => (distance(b.at, at) < distance(a.at, at) ? b : a));
  const beyond = Math.max(0, ...seen.map((g) => g.beyondMm * Math.max(0, 1 - distance(g.at, at) / FADE_MM)));
  const moved = gapMm - drawnGapMm;
  return drawnGapMm + (moved > 0 ? moved * nearest.times : moved) + beyond;
}
