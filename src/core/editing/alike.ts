import type { Piece } from '../document/types';
import { congruence, directionOn, printOf } from '../geometry/congruent';
import { dataToRings } from '../geometry/path';

/** What runs on under neighbours differs among pieces of one shape by up to this, mm. */
const HIDDEN_MM = 1.6;

/** Pieces of the shape of one, itself among them; only itself when it is alone. */
export const alikeOf = (pieces: readonly Piece[], { id, alike }: Pick<Piece, 'id' | 'alike'>): string[] =>
  alike === undefined ? [id] : pieces.filter((p) => p.alike === alike).map((p) => p.id);

/** A piece sewn as another of its shape is: its kind, thread and settings; rows set by hand lie on it as they lie on the other. */
export function sewnLike(piece: Piece, model: Piece): Piece {
  const { angle, ...settings } = model.settings;
  const own = angle === undefined ? undefined : directionFor(piece, model, angle);
  const out: Piece = {
    ...piece,
    kind: model.kind,
    thread: model.thread,
    settings: { ...settings, ...(own === undefined ? {} : { angle: own }) },
  };
  if (piece.kind !== model.kind) delete out.why;
  return out;
}

/** A direction of rows on one piece as it lies on another of its shape; the same where the shapes cannot be laid on one another. */
function directionFor(piece: Piece, model: Piece, deg: number): number {
  const [from, to] = [model, piece].map((p) => (p.area === undefined ? null : printOf(dataToRings(p.area))));
  const as = from && to ? congruence(from, to, HIDDEN_MM) : null;
  return as ? Math.round(directionOn(as, deg)) % 180 : deg;
}
