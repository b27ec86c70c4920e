import type { Job, Piece } from '../document/types';
import { SETTINGS } from '../document/catalogue';
import { offset } from '../geometry/area';
import { distance, type Area } from '../geometry/point';
import { Planner } from '../plan/planner';
import { PI, cos } from '../units/trig';
import { extendedUnder, FARTHEST_MM, goesRound, INSIDE_MM, type Wanted } from '../editing/extend';
import { PLACE_MM } from '../editing/edgePlaces';
import type { MeetingEdge, MeetingPlace } from './edgeMeetings';
import { forecast, gapsOf, type Forecast, type Gap } from './forecast';
import { movedSides } from './sides';

/** Cloth that shows less than this is not seen, mm. */
export const GAP_LIMIT_MM = 0.15;

/** What a correction changes, and the gaps before and after. */
export interface Correction {
  /** Pieces in their corrected shape; only those that change. */
  pieces: Piece[];
  before: Gap[];
  after: Gap[];
}

export interface CorrectOptions {
  planner?: Planner;
  /** Only gaps of these pieces (ids), as the piece sewn first; all when absent. */
  only?: readonly string[];
  /** What is known of the gaps beside what the forecast says, as a sew-out tells it. */
  seen?: (meetings: readonly MeetingEdge[]) => readonly MeetingEdge[];
  progress?: (done: number) => void;
}

const ROUNDS = 5;
/** Edges are brought together by this much more than the gap, mm. */
const SPARE_MM = 0.12;
/** What a line should hide is drawn so far beyond it at most, mm. */
const BEYOND_LINE_MM = 2.5;
/** A corrected edge comes back to the drawn one over so long a way, mm. */
const FADE_MM = 5;

/**
 * Makes the forecast land on the drawing: extends areas under what is sewn over their edges until no more cloth is
 * predicted to show than can be seen. What is sewn later, the outlines above all, stays where it is drawn.
 */
export function correct(job: Job, options: CorrectOptions = {}): Correction {
  const planner = options.planner ?? new Planner();
  const progress = options.progress ?? ((): void => undefined);
  const mayChange = (index: number): boolean => {
    const piece = job.pieces[index]!;
    return !piece.locked && (options.only?.includes(piece.id) ?? true);
  };
  const look = (at: Job, round: number): Forecast => forecast(at, { planner, progress: (done) => progress((round + done) / (ROUNDS + 1)) });
  const meetingsOf = (f: Forecast): readonly MeetingEdge[] => options.seen?.(f.meetings) ?? f.meetings;
  const gapsIn = (meetings: readonly MeetingEdge[]): Gap[] => gapsOf(meetings, GAP_LIMIT_MM).filter((g) => mayChange(g.first));
  let present = job;
  let seen = meetingsOf(look(job, 0));
  const before = gapsIn(seen);
  let best = { job, gaps: before };
  for (let round = 1; round <= ROUNDS && gapsIn(seen).length > 0; round++) {
    const next = corrected(present, job, seen, mayChange, planner);
    if (!next) break;
    present = next;
    seen = meetingsOf(look(present, round));
    const gaps = gapsIn(seen);
    if (badness(gaps) < badness(best.gaps)) best = { job: present, gaps };
  }
  return { pieces: best.job.pieces.filter((p, i) => p !== job.pieces[i]), before, after: best.gaps };
}

/** Gap times length, mm². */
const badness = (gaps: readonly Gap[]): number => gaps.reduce((sum, g) => sum + g.gapMm * g.alongMm, 0);

function corrected(
  present: Job,
  drawn: Job,
  meetings: readonly MeetingEdge[],
  mayChange: (index: number) => boolean,
  planner: Planner,
): Job | null {
  const shaped = planner.shape(present);
  const drawnShapes = planner.shape(drawn).map((s) => s.shape?.painted ?? []);
  const pieces = present.pieces.slice();
  for (const { first, later, line, places } of meetings) {
    if (!mayChange(first) || !places.some((p) => p.gapMm > GAP_LIMIT_MM)) continue;
    const painted = shaped[later]!.shape!.painted;
    // A line is too narrow to hide anything: what is drawn beyond it is sewn under it, since the cloth draws it in.
    const cover = line ? offset(painted, BEYOND_LINE_MM) : painted;
    const piece = pieces[first]!;
    pieces[first] = edgeCorrected(piece, drawn.pieces[first]!, drawnShapes[first]!, cover, places);
  }
  return pieces.some((p, i) => p !== present.pieces[i]) ? { ...present, pieces } : null;
}

/** One piece with an edge corrected: an area or a column's sides where they gape, a stroke as a whole, since it has one width. */
function edgeCorrected(piece: Piece, drawn: Piece, drawnArea: Area, cover: Area, places: readonly MeetingPlace[]): Piece {
  if (piece.area) return extendedUnder(piece, drawn, cover, wantedOf(places));
  if (!piece.sides) return widened(piece, places);
  return movedSides(piece, offset(cover, -INSIDE_MM), offset(drawnArea, FARTHEST_MM), wantedOf(places));
}

/** A stroke's rows made longer by the worst gap. */
function widened(piece: Piece, places: readonly MeetingPlace[]): Piece {
  const gap = Math.max(...places.map((p) => p.gapMm));
  const own = piece.settings.pullComp ?? 0;
  const pullComp = Math.round(Math.min(SETTINGS.pullComp.max, own + gap + SPARE_MM) * 100) / 100;
  return pullComp > own ? { ...piece, settings: { ...piece.settings, pullComp } } : piece;
}

/** How far each place of an edge is to be moved: by its gap and a little more, fading out to both sides. */
function wantedOf(places: readonly MeetingPlace[]): Wanted[] {
  const reach = Math.ceil(FADE_MM / PLACE_MM);
  const count = places.length;
  const [before, after] = goesRound(places) ? [reach, reach + count] : [0, count];
  return places.map((place, i) => {
    let mm = 0;
    for (let k = Math.max(-before, i - reach); k < Math.min(after, i + reach + 1); k++) {
      const { at, gapMm } = places[(k + count) % count]!;
      const away = distance(at, place.at);
      if (gapMm > GAP_LIMIT_MM && away < FADE_MM) mm = Math.max(mm, ((gapMm + SPARE_MM) * (1 + cos((PI * away) / FADE_MM))) / 2);
    }
    return { place, mm };
  });
}
