import type { Resolved } from '../../document/resolved';
import type { Corners, JobSettings, Piece } from '../../document/types';
import { pick, rule, type ResolveContext, type ShapeFacts, type WithoutTies } from '../resolve';
import { cornersOfSchool, satinSettings } from '../satin/settings';
import { CUT_BY_HAND_MM } from '../../units/craft';
import { SMALL_BELOW_MM } from '../../lettering/sized';

/** Spacing of rows in small letters on rough cloth, which swallows finer ones, mm (craft §8). */
const ROUGH_SPACING_MM = 0.45;
const ROUGH = new Set(['terry', 'fleece', 'cap']);

/** Settings of a text: those of satin, with compensation by the length of each row and no more, so that counters stay open. */
export function letteringSettings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): WithoutTies {
  const small = (piece.lettering?.height ?? Infinity) < SMALL_BELOW_MM;
  const rough = small && ROUGH.has(ctx.recipe.key) ? { spacing: rule(ROUGH_SPACING_MM, 'small letters on rough cloth') } : {};
  const satin = satinSettings(piece, facts, ctx, { ...rough, thinBars: false });
  const corners = piece.lettering?.outlines ? satin.corners! : cornersOfStrokes(piece, ctx.settings);
  return { ...satin, corners, joining: joiningFor(ctx.settings), ...heldFor(ctx.settings) };
}

function cornersOfStrokes({ settings }: Piece, { corners }: JobSettings): Resolved<Corners> {
  return pick(settings.corners, corners ? rule<Corners>(corners, 'your school') : rule<Corners>('butt', 'one stroke ends under the other'));
}

/** A text as the shop's school shapes it: what it does not say of its corners, the school does. */
export function textOfSchool(piece: Piece, school: JobSettings): Piece {
  if (piece.lettering?.outlines) return cornersOfSchool(piece, school);
  if (piece.settings.corners !== undefined || school.corners === undefined) return piece;
  return { ...piece, settings: { ...piece.settings, corners: school.corners } };
}

/** Ways between letters that a hand will cut are tied on both sides: from a distance, or at every letter that stands apart (craft §6). */
export function heldFor({ tieWhen, tieDistance = CUT_BY_HAND_MM }: JobSettings): { held?: Resolved<number> } {
  if (tieWhen === 'distance') return { held: rule(tieDistance, 'the distance from which a hand cuts') };
  return tieWhen === 'always' ? { held: rule(APART_MM, 'every letter that stands apart is tied') } : {};
}
const APART_MM = 0.3;

/** Over more bare cloth than this the thread is cut between letters (craft §6). */
export function joiningFor({ lettering, trimDistance = 5 }: JobSettings): Resolved<number> {
  if (lettering === 'clean') return rule(0, 'your school cuts between all letters');
  return rule(trimDistance, 'the distance at which threads are cut');
}
