import type { Piece } from '../document/types';
import { contains } from '../geometry/area';
import { fittedLineData } from '../geometry/fit';
import { resample } from '../geometry/line';
import { dataToRings } from '../geometry/path';
import { add, distance, scale, type Area, type Line, type Point } from '../geometry/point';
import type { Wanted } from '../editing/extend';

/** Sides are looked at so often, mm. */
const STEP_MM = 1;
/** A place of an edge belongs to a point of a side within this, mm. */
const NEAR_MM = 1.5;
const KEEP_MM = 0.02;
/** Shorter moves are not worth a new side, mm. */
const LEAST_MOVE_MM = 0.05;
/** A move that would come out from under what covers it is made smaller in so many steps. */
const STEPS = 8;

/**
 * A column given by its two sides, with each side moved out along the edges where cloth would show, and its open ends run
 * longer where it is an end that gapes: as far as what is sewn over it hides that.
 * @param cover what is sewn over it, drawn in by what must stay hidden
 * @param most where no point of it may come out of
 * @param wanted places along its edge with how far each is to be moved
 * @returns the same piece when nothing of it can be moved
 */
export function movedSides(piece: Piece, cover: Area, most: Area, wanted: readonly Wanted[]): Piece {
  const moving = wanted.filter((w) => w.mm > 0);
  if (!piece.sides || moving.length === 0) return piece;
  let moved = 0;
  const sides = piece.sides.map((data) => {
    const line = dataToRings(data)[0] ?? [];
    if (line.length < 2) return data;
    const next = divided(line).map((p) => {
      const to = movedPoint(p, cover, most, moving);
      moved = Math.max(moved, distance(p, to));
      return to;
    });
    return fittedLineData(next, KEEP_MM);
  });
  return moved < LEAST_MOVE_MM ? piece : { ...piece, sides: sides as NonNullable<Piece['sides']> };
}

/** The side with its own points, and more of them where they lie far apart. */
const divided = (line: Line): Point[] => line.flatMap((to, i) => (i === 0 ? [to] : resample([line[i - 1]!, to], STEP_MM).slice(1)));

function movedPoint(p: Point, cover: Area, most: Area, wanted: readonly Wanted[]): Point {
  let nearest: Wanted | null = null;
  let away = NEAR_MM;
  for (const w of wanted) {
    const d = distance(w.place.at, p);
    if (d < away) [nearest, away] = [w, d];
  }
  if (!nearest) return p;
  for (let k = STEPS; k > 0; k--) {
    const to = add(p, scale(nearest.place.out, (nearest.mm * k) / STEPS));
    if (contains(cover, to) && contains(most, to)) return to;
  }
  return p;
}
