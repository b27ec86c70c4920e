import type { Piece } from '../document/types';
import { PLACE_MM, type EdgePlace } from './edgePlaces';
import { areaOf, intersect, offset, subtract, unite } from '../geometry/area';
import { fittedData } from '../geometry/fit';
import { outlineOf } from '../geometry/outline';
import { add, distance, scale, type Area, type Point } from '../geometry/point';

/** No edge is moved farther in all, mm: what would need more needs another stabilizer. */
export const FARTHEST_MM = 4;
/** What is added stays so far inside what covers it, mm. */
export const INSIDE_MM = 0.3;
const KEEP_MM = 0.02;
const LEAST_ADDED_MM2 = 0.05;

/** A place of an edge with its direction outward (length 1), and how far it is to be moved out, mm. */
export interface Wanted {
  place: EdgePlace;
  mm: number;
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
  return closedUp(runs, wanted).filter((r) => r.length > 1);
}

/** Where places go round an outline, its last stretch goes on in its first: else a slot stays open between the two. */
function closedUp(runs: Wanted[][], wanted: readonly Wanted[]): Wanted[][] {
  const [first, last] = [runs[0]!, runs[runs.length - 1]!];
  const goesOn = goesRound(wanted.map((w) => w.place)) && first[0] === wanted[0] && last[last.length - 1] === wanted[wanted.length - 1];
  if (!goesOn || first.length === 0) return runs;
  return first === last ? [[...first, first[0]!]] : [...runs.slice(1, -1), [...last, ...first]];
}

/** Whether places that follow an edge come back to where they began. */
export const goesRound = (places: readonly EdgePlace[]): boolean =>
  places.length > 2 && distance(places[0]!.at, places[places.length - 1]!.at) <= 3 * PLACE_MM;

/** The strip between an edge, from a little inside of it, and where it is to come. */
function stripOf(run: readonly Wanted[]): Area {
  const inner = run.map(({ place }): Point => add(place.at, scale(place.out, -INSIDE_MM)));
  const outer = run.map(({ place, mm }): Point => add(place.at, scale(place.out, mm)));
  return unite([[...outer, ...inner.reverse()]]);
}
