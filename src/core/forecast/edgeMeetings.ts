import { formOf } from '../pieces/registry';
import type { Area } from '../geometry/point';
import { boundsOf, boundsTouch, dot } from '../geometry/point';
import { contains } from '../geometry/area';
import type { StitchPlan } from '../plan/plan';
import type { Shaped } from '../pieces/prepare/shaped';
import { HIDES_TO_MM } from '../units/craft';
import { hypot } from '../units/trig';
import { coverOf, driftOf, edgeOfCover, edgeOfLine, type CoverOf } from './rowEnds';
import type { SheetResult } from './sheet';
import { PLACE_MM, placesAlong, type EdgePlace } from '../editing/edgePlaces';

/** A place on the drawn edge of a piece with what is predicted there. Distances are along `out`, mm. */
export interface PredictedPlace extends EdgePlace {
  /** Where the sewn edge comes to lie against the drawn one; below 0 it is drawn in. */
  offMm: number;
  /** Something sewn later lies over it: nobody sees it. */
  covered: boolean;
}

/** A drawn outline of a piece as it is predicted to come out. */
export interface PredictedOutline {
  piece: number;
  places: PredictedPlace[];
}

/** A place where a piece meets one that is sewn later. */
export interface MeetingPlace extends EdgePlace {
  /** Cloth that shows between the two, mm; below 0 they overlap by as much. */
  gapMm: number;
  /** The same if nothing moved. */
  drawnGapMm: number;
  /** A third piece lies beneath: its thread shows there, not the cloth. */
  backed: boolean;
}

/** An edge of a piece along which another, sewn later, should meet it. */
export interface MeetingEdge {
  /** Indices in the job: sewn first, sewn later. */
  first: number;
  later: number;
  /** What is sewn later is a line along the edge: it hides its own width, and nothing is meant to lie under it. */
  line: boolean;
  places: MeetingPlace[];
}

/** A later piece that lies at one of these places outside the edge is meant to meet it, mm; narrow columns and lines lie on it. */
const BESIDE_MM = 0.5;
const NARROW_MM = 1.4;
const BESIDES_MM = [BESIDE_MM, 0.3, 0.1];
/** A line is looked for so far to either side of the edge, mm: what is extended beneath it is drawn beyond it. */
const LINE_WITHIN_MM = 2.6;
const LINES_MM = [...BESIDES_MM, ...Array.from({ length: 12 }, (_, i) => -0.1 - 0.2 * i)];
/** A later piece is looked for so far inward of the edge, mm. */
const INWARD_MM = 6;
/** Cover that lies farther apart than this as drawn does not meet, mm. */
const APART_MM = 0.3;
/** What lies beneath a gap is looked for so far outside the edge, mm. */
const JUST_OUTSIDE_MM = 0.2;

/** Everything about the edges of a sewn job: as drawn, and as they are predicted to come out. */
export function edgesOf(
  plan: StitchPlan,
  shaped: readonly Shaped[],
  sheet: SheetResult,
  biteMm: number,
): { outlines: PredictedOutline[]; meetings: MeetingEdge[] } {
  const covers = shaped.map((s, i) => (s.shape && s.shape.painted.length > 0 ? coverOf(plan, i, formOf(s.piece) === 'column') : null));
  const boxes = shaped.map((s) => boundsOf(s.shape?.painted ?? []));
  const backed = ({ at, out }: EdgePlace, first: number, later: number): boolean => {
    const p = { x: at.x + out.x * JUST_OUTSIDE_MM, y: at.y + out.y * JUST_OUTSIDE_MM };
    return shaped.some(
      ({ piece, shape }, i) => i < later && i !== first && covers[i] !== null && formOf(piece) !== 'line' && contains(shape!.painted, p),
    );
  };
  const outlines: PredictedOutline[] = [];
  const meetings: MeetingEdge[] = [];
  shaped.forEach((s, first) => {
    const cover = covers[first];
    if (!cover) return;
    const later = shaped.flatMap((_, k) => (k > first && covers[k] && boundsTouch(boxes[first]!, boxes[k]!, BESIDE_MM) ? [k] : []));
    const hiding = later.filter((k) => formOf(shaped[k]!.piece) !== 'line');
    const drawnAsLine = formOf(s.piece) === 'line';
    for (const ring of placesAlong(s.shape!.painted)) {
      const places = ring.flatMap((place) =>
        predicted(plan, cover, sheet, place, biteMm).map((p) => ({
          ...p,
          covered: hiding.some((k) => contains(shaped[k]!.shape!.painted, place.at)),
        })),
      );
      if (places.length > 0) outlines.push({ piece: first, places: calmed(places, 'offMm') });
      for (const k of drawnAsLine ? hiding : later) {
        const line = !hiding.includes(k);
        const { painted, facts } = shaped[k]!.shape!;
        const places = line ? LINES_MM : facts.widthMm < NARROW_MM ? BESIDES_MM : [BESIDE_MM];
        const over = { cover: covers[k]!, painted, line, places };
        const hides = hiding.filter((h) => h !== k && (line || isDense(shaped[h]!)));
        // Nobody sees where an edge ends beside a line under something else, or how it meets another under, or over, a third.
        const open = hides.length === 0 ? ring : ring.filter((place) => !hides.some((h) => isUnder(shaped[h]!, place, line)));
        const met = open
          .flatMap((place) => meeting(plan, cover, over, sheet, place, biteMm))
          .map((m) => ({
            ...m,
            backed: backed(m, first, k),
          }));
        if (met.length > 0) meetings.push({ first, later: k, line, places: calmed(calmed(met, 'gapMm'), 'drawnGapMm') });
      }
    }
  });
  return { outlines, meetings };
}

const isDense = ({ settings }: Shaped): boolean => (settings?.spacing?.value ?? Infinity) < HIDES_TO_MM;

/** Whether an edge lies under a piece at a place; where areas meet, what lies just beyond it as well. */
function isUnder({ shape }: Shaped, { at, out }: EdgePlace, line: boolean): boolean {
  const beyond = { x: at.x + out.x * BESIDE_MM, y: at.y + out.y * BESIDE_MM };
  return contains(shape!.painted, at) && (line || contains(shape!.painted, beyond));
}

/** Half of the stretch over which places are calmed: the sheet itself knows nothing finer than its cells. */
const CALM_PLACES = 2;
/** Places whose directions agree less are not of one edge. */
const SAME_EDGE = 0.8;

/** Places whose figure is the median of those about it: rows that end a little sooner or later do not make an edge ragged. */
function calmed<K extends string, T extends EdgePlace & Record<K, number>>(places: readonly T[], key: K): T[] {
  return places.map((place, i) => {
    const near: number[] = [];
    for (let k = Math.max(0, i - CALM_PLACES); k <= Math.min(places.length - 1, i + CALM_PLACES); k++) {
      const p = places[k]!;
      const apart = hypot(p.at.x - place.at.x, p.at.y - place.at.y);
      if (apart <= (CALM_PLACES + 1) * PLACE_MM && dot(p.out, place.out) > SAME_EDGE) near.push(p[key]);
    }
    near.sort((a, b) => a - b);
    const middle = near.length >> 1;
    return { ...place, [key]: near.length % 2 === 1 ? near[middle]! : (near[middle - 1]! + near[middle]!) / 2 };
  });
}

function predicted(
  plan: StitchPlan,
  cover: CoverOf,
  sheet: SheetResult,
  place: EdgePlace,
  biteMm: number,
): Omit<PredictedPlace, 'covered'>[] {
  const edge = edgeOfCover(plan, cover, place, biteMm, 1);
  if (!edge) return [];
  return [{ ...place, offMm: edge.laidMm - edge.bittenMm + driftOf(plan, sheet, edge.event, place.out) }];
}

/** What is sewn later along an edge. */
interface Over {
  cover: CoverOf;
  painted: Area;
  line: boolean;
  /** Where it is looked for, mm outside the edge. */
  places: readonly number[];
}

function meeting(
  plan: StitchPlan,
  cover: CoverOf,
  over: Over,
  sheet: SheetResult,
  place: EdgePlace,
  biteMm: number,
): Omit<MeetingPlace, 'backed'>[] {
  const { at, out } = place;
  const meant = (mm: number): boolean => contains(over.painted, { x: at.x + mm * out.x, y: at.y + mm * out.y });
  if (!over.places.some(meant)) return [];
  const own = edgeOfCover(plan, cover, place, biteMm, 1, undefined, undefined, true);
  const other = over.line
    ? edgeOfLine(plan, over.cover, place, LINE_WITHIN_MM)
    : edgeOfCover(plan, over.cover, place, biteMm, -1, INWARD_MM, 1.5, true);
  if (!own || !other) return [];
  const drawnGapMm = other.laidMm - own.laidMm;
  // What does not meet as drawn was not meant to, or is another matter than the pull.
  if (drawnGapMm > APART_MM) return [];
  const drift = driftOf(plan, sheet, own.event, out, other.event);
  return [{ ...place, drawnGapMm, gapMm: drawnGapMm - other.bittenMm + own.bittenMm - drift }];
}
