import { SHAPE_KEYS } from '../document/catalogue';
import { reasonOf } from '../document/errors';
import type { JobSettings, Piece } from '../document/types';
import type { Form, PieceKind, PreparedShape } from './kind';
import { KINDS } from './kinds';
import type { ResolveContext, ResolvedSettings, ShapeFacts } from './resolve';
import { tiesFor } from './rules/tieSettings';
import type { StitchBuffer } from '../stitches/buffer';
import type { StartEnd } from '../stitches/startEnd';

type Kindly = Pick<Piece, 'kind' | 'lettering'>;

function kindOf(piece: Kindly): PieceKind<never> {
  const kind = KINDS[piece.kind];
  return kind.inStyle?.(piece) ?? kind;
}

/** What a piece is sewn as. */
export const formOf = (piece: Kindly): Form => kindOf(piece).form;

/** All settings of a piece with their sources. */
export function resolveSettings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): ResolvedSettings {
  const { form, settings } = kindOf(piece);
  return { ...settings(piece, facts, ctx), ...tiesFor(piece.settings, form === 'column' ? facts.widthMm : null, ctx.recipe, ctx.settings) };
}

/** A piece as the shop's school shapes it. */
export const underSchool = (piece: Piece, school: JobSettings): Piece => kindOf(piece).underSchool?.(piece, school) ?? piece;

/** How broad a piece usually is where a row crosses it, mm. */
export const usualWidthMm = (piece: Piece, shape: PreparedShape, settings: ResolvedSettings | null): number =>
  (settings && kindOf(piece).usualWidthMm?.(shape as never, settings)) ?? shape.facts.widthMm;

/** A piece in one sentence, as a practitioner would say it. */
export const sentenceOf = (piece: Piece, settings: ResolvedSettings, widthMm: number): string => kindOf(piece).sentence(settings, widthMm);

/** Whether a piece's lines hide a run that goes exactly along them. */
export const hidesAlong = (piece: Piece, settings: ResolvedSettings): boolean => kindOf(piece).hidesAlong?.(settings) ?? false;

/** Cloth that a piece lays on the work, in layers of cover. */
export const laidOnLayers = (piece: Piece): number => kindOf(piece).laidOnLayers ?? 0;
/** Whether a piece is a text of several letters. */
export const isText = (piece: Piece): boolean => kindOf(piece).isText === true;

/** What a prepared shape depends on; pieces with the same key have the same shape. */
export function shapeKey(p: Piece): string {
  const shape = [p.kind, p.line, p.width, p.cap, p.join, p.sides, p.area, p.slants, p.carve, p.motif, p.sewnOver, p.lettering];
  return JSON.stringify([...shape, ...SHAPE_KEYS.map((key) => p.settings[key])]);
}

/**
 * Prepared shapes by content. A shape is needed when a piece is proposed, planned and pointed at; the geometry behind it
 * is the dearest part of all three. Oldest entries go first, so memory stays bounded.
 */
const prepared = new Map<string, PreparedShape | null>();
const MOST_PREPARED = 1500;

/** The shape of a piece, ready for stitching; null when its record holds none. */
export function prepareShape(piece: Piece): PreparedShape | null {
  const key = shapeKey(piece);
  const known = prepared.get(key);
  if (known !== undefined) return known;
  const made = workedOut(piece, key);
  if (prepared.size >= MOST_PREPARED) prepared.delete(prepared.keys().next().value!);
  prepared.set(key, made);
  return made;
}

/** Why shapes could not be worked out, by their keys. */
const problems = new Map<string, string>();

/** A shape that the geometry behind it cannot bear is no shape; the job's other pieces are not lost for it. */
function workedOut(piece: Piece, key: string): PreparedShape | null {
  try {
    return kindOf(piece).prepare(piece);
  } catch (error) {
    if (problems.size >= MOST_PREPARED) problems.clear();
    problems.set(key, reasonOf(error, 'its shape cannot be worked out; draw it anew'));
    return null;
  }
}

/** Why a piece has no shape; null when its record simply holds none. */
export const shapeProblem = (piece: Piece): string | null => problems.get(shapeKey(piece)) ?? null;

/** Stitches a shape prepared from the same piece. */
export function stitchShape(piece: Piece, out: StitchBuffer, shape: PreparedShape, set: ResolvedSettings, ends: StartEnd): void {
  kindOf(piece).stitch(out, shape as never, set, ends);
}
