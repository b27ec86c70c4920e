import type { Job, Piece } from '../document/types';
import { RANGES } from '../document/ranges';
import { areaOf, intersect, offset, subtract, unite } from '../geometry/area';
import { fittedData } from '../geometry/fit';
import { outlineOf } from '../geometry/outline';
import { add, distance, scale, type Area, type Point } from '../geometry/point';
import { Planner } from '../plan/build';
import { PI, cos } from '../units/trig';
import { PLACE_MM, type MeetingEdge, type MeetingPlace } from './edges';
import { forecast, gapsOf, type Forecast, type Gap } from './forecast';
import { movedSides } from './sides';
import type { Wanted } from './wanted';

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
  progress?: (done: number) => void;
}

const ROUNDS = 5;
/** Edges are brought together by this much more than the gap, mm. */
const SPARE_MM = 0.12;
/** No edge is moved farther in all, mm: what would need more needs another stabilizer. */
const FARTHEST_MM = 4;
/** A corrected edge comes back to the drawn one over so long a way, mm. */
const FADE_MM = 5;
/** What is added stays so far inside what covers it, mm. */
const INSIDE_MM = 0.3;
const KEEP_MM = 0.02;
const LEAST_ADDED_MM2 = 0.05;

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
  const gapsIn = (f: Forecast): Gap[] => gapsOf(f.meetings, GAP_LIMIT_MM).filter((g) => mayChange(g.first));
  let present = job;
  let seen = look(job, 0);
  const before = gapsIn(seen);
  let best = { job, gaps: before };
  for (let round = 1; round <= ROUNDS && gapsIn(seen).length > 0; round++) {
    const next = corrected(present, job, seen.meetings, mayChange, planner);
    if (!next) break;
    present = next;
    seen = look(present, round);
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
  for (const { first, later, places } of meetings) {
    if (!mayChange(first) || !places.some((p) => p.gapMm > GAP_LIMIT_MM)) continue;
    const cover = shaped[later]!.shape!.painted;
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

/**
 * A piece with its area extended along an edge, as far as what is sewn over it hides that.
 * @param drawn the piece as it was before any correction: no edge goes farther from it than is sensible
 * @param wanted places along the edge with how far each is to be moved, in order
 */
export function extendedUnder(piece: Piece, drawn: Piece, cover: Area, wanted: readonly Wanted[]): Piece {
  const area = outlineOf(piece.area!).area;
  const strips = runsOf(wanted).map(stripOf);
  if (strips.length === 0) return piece;
  const most = offset(outlineOf(drawn.area!).area, FARTHEST_MM);
  const added = intersect(intersect(unite(...strips), offset(cover, -INSIDE_MM)), most);
  if (areaOf(subtract(added, area)) < LEAST_ADDED_MM2) return piece;
  return { ...piece, area: fittedData(unite(area, added), KEEP_MM) };
}

/** A stroke's rows made longer by the worst gap. */
function widened(piece: Piece, places: readonly MeetingPlace[]): Piece {
  const gap = Math.max(...places.map((p) => p.gapMm));
  const own = piece.settings.pullComp ?? 0;
  const pullComp = Math.round(Math.min(RANGES.pullComp.max, own + gap + SPARE_MM) * 100) / 100;
  return pullComp > own ? { ...piece, settings: { ...piece.settings, pullComp } } : piece;
}

/** How far each place of an edge is to be moved: by its gap and a little more, fading out to both sides. */
function wantedOf(places: readonly MeetingPlace[]): Wanted[] {
  const reach = Math.ceil(FADE_MM / PLACE_MM);
  return places.map((place, i) => {
    let mm = 0;
    for (let k = Math.max(0, i - reach); k <= Math.min(places.length - 1, i + reach); k++) {
      const { at, gapMm } = places[k]!;
      const away = distance(at, place.at);
      if (gapMm > GAP_LIMIT_MM && away < FADE_MM) mm = Math.max(mm, ((gapMm + SPARE_MM) * (1 + cos((PI * away) / FADE_MM))) / 2);
    }
    return { place, mm };
  });
}

/** Stretches of neighbouring places that are to be moved. */
function runsOf(wanted: readonly Wanted[]): Wanted[][] {
  const runs: Wanted[][] = [];
  let run: Wanted[] = [];
  for (const one of wanted) {
    const before = run[run.length - 1];
    if (before && (one.mm === 0 || distance(before.place.at, one.place.at) > 3 * PLACE_MM)) {
      runs.push(run);
      run = [];
    }
    if (one.mm > 0) run.push(one);
  }
  runs.push(run);
  return runs.filter((r) => r.length > 1);
}

/** The strip between an edge, from a little inside of it, and where it is to come. */
function stripOf(run: readonly Wanted[]): Area {
  const inner = run.map(({ place }): Point => add(place.at, scale(place.out, -INSIDE_MM)));
  const outer = run.map(({ place, mm }): Point => add(place.at, scale(place.out, mm)));
  return unite([[...outer, ...inner.reverse()]]);
}
