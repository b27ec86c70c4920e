import type { SeenMark } from '../document/sewoutTypes';
import type { Job } from '../document/types';
import type { MeetingEdge, MeetingPlace, PredictedOutline } from '../forecast/edgeMeetings';
import type { Forecast } from '../forecast/forecast';
import { sewnMm, type LetterHeight } from '../forecast/textHeights';
import { distance, type Point } from '../geometry/point';

/** A mark that a ruler was laid on and that the forecast can speak of. */
export type Measured = Pick<SeenMark, 'kind' | 'piece' | 'against' | 'at' | 'to' | 'mm' | 'axis' | 'letter'> & { mm: number };

/** Kinds whose figure tells of how the cloth gives way. */
export const TELLING = ['gap', 'overlap', 'height', 'size'] as const;

export const isMeasured = <M extends Pick<SeenMark, 'kind' | 'mm'>>(mark: M): mark is M & { mm: number } =>
  mark.mm !== undefined && (TELLING as readonly string[]).includes(mark.kind);

/** A measurement at a place that is farther than this from the edge it names is of another edge, mm. */
const NEAR_MM = 6;

/** Middle of what was measured across. */
export const placeOfMark = ({ at, to }: Pick<SeenMark, 'at' | 'to'>): Point | null =>
  at ? { x: (at[0] + (to ?? at)[0]) / 2, y: (at[1] + (to ?? at)[1]) / 2 } : null;

/** Where a gap mark lies: the edge where its two pieces meet, and the place on it. */
export interface GapPlace {
  edge: MeetingEdge;
  place: MeetingPlace;
}

/**
 * The meeting that a gap or overlap was measured at: of its two pieces, in either order, or of whatever meets nearest to it. Where
 * no place is given, the one that gapes most.
 */
export function gapPlaceOf(job: Pick<Job, 'pieces'>, meetings: readonly MeetingEdge[], mark: Omit<Measured, 'mm'>): GapPlace | null {
  const named = [mark.piece, mark.against].flatMap((id) => (id === undefined ? [] : [job.pieces.findIndex((p) => p.id === id)]));
  if (named.includes(-1)) return null;
  const at = placeOfMark(mark);
  const edges = meetings.filter(({ first, later }) => named.every((k) => k === first || k === later));
  let best: GapPlace | null = null;
  let least = Infinity;
  for (const edge of edges) {
    for (const place of edge.places) {
      const cost = at ? distance(at, place.at) : -place.gapMm;
      if (cost < least) [best, least] = [{ edge, place }, cost];
    }
  }
  return at && least > NEAR_MM ? null : best;
}

/** What a forecast says where a mark was measured, mm; null where it has nothing to say. */
export function foreseenAt(job: Job, { meetings, texts, outlines, predicted }: Forecast, mark: Measured): number | null {
  switch (mark.kind) {
    case 'gap':
      return gapPlaceOf(job, meetings, mark)?.place.gapMm ?? null;
    case 'overlap': {
      const found = gapPlaceOf(job, meetings, mark);
      return found && -found.place.gapMm;
    }
    case 'size':
      if (mark.piece !== undefined) return extentOf(job, outlines, mark.piece, mark.axis ?? 'x');
      return mark.axis === 'y' ? predicted.heightMm : predicted.widthMm;
    default:
      return heightAt(job, texts, outlines, mark);
  }
}

function heightAt(job: Job, texts: Forecast['texts'], outlines: Forecast['outlines'], mark: Measured): number | null {
  const index = job.pieces.findIndex((p) => p.id === mark.piece);
  if (index < 0) return null;
  const letters = texts.find((t) => t.piece === index)?.heights;
  if (letters && letters.length > 0) return sewnMm(letterOf(letters, mark.letter));
  return extentOf(job, outlines, job.pieces[index]!.id, 'y');
}

/** The letter that a height is of; where none is named, the one in the middle of those as high as the highest are meant to be. */
function letterOf(letters: readonly LetterHeight[], index?: number): LetterHeight {
  const named = letters.find((l) => l.index === index);
  if (named) return named;
  const top = Math.max(...letters.map((l) => l.wantedTop));
  const high = letters.filter((l) => l.wantedTop > top - 0.2).sort((a, b) => sewnMm(a) - sewnMm(b));
  return high[high.length >> 1]!;
}

/** How far a piece reaches across or down as it is predicted, mm. */
function extentOf({ pieces }: Pick<Job, 'pieces'>, outlines: readonly PredictedOutline[], id: string, axis: 'x' | 'y'): number | null {
  const reach = outlines.filter((o) => pieces[o.piece]?.id === id).flatMap((o) => o.places.map((p) => p.at[axis] + p.offMm * p.out[axis]));
  return reach.length > 0 ? Math.max(...reach) - Math.min(...reach) : null;
}
