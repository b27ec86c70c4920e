import type { Piece } from '../../../document/types';
import { areaOf, components, unite } from '../../../geometry/area';
import { ringsToData } from '../../../geometry/path';
import type { StitchBuffer } from '../../../stitches/buffer';
import { appliqueKind, sewLaidOn, type AppliqueShape } from '../../applique';
import type { PieceKind, PreparedShape } from '../../kind';
import type { ResolvedSettings } from '../../resolve';
import { medianWidth } from '../../satin/track';
import { placedLetters, type LetterPath } from '../placed';

/** The satin round a letter takes no more than this of its strokes on each side, and is as wide as practitioners sew it at most, mm. */
const SHARE = 0.4;
const WIDEST_MM = 3.5;
const NARROWEST_MM = 1.5;

interface ClothShape extends PreparedShape {
  parts: AppliqueShape[];
}

/** Each part of each letter as cloth to be laid on. */
function clothOf(piece: Piece): { letter: LetterPath; part: Piece }[] {
  const letters = placedLetters(piece);
  const strokeMm = medianWidth(letters.flatMap((l) => l.letter.columns.map((c) => c.track)));
  const width = piece.width ?? Math.min(WIDEST_MM, Math.max(NARROWEST_MM, Math.round(SHARE * strokeMm * 10) / 10));
  return letters.flatMap((letter) =>
    components(letter.letter.painted).map((area) => ({
      letter,
      part: { ...piece, kind: 'applique' as const, area: ringsToData(area), width },
    })),
  );
}

function prepare(piece: Piece): ClothShape | null {
  const parts = clothOf(piece).flatMap(({ part }) => appliqueKind.prepare(part) ?? []);
  if (parts.length === 0) return null;
  const painted = unite(...parts.map((p) => p.painted));
  return {
    facts: parts[0]!.facts,
    cover: painted,
    painted,
    areaMm2: areaOf(painted),
    ends: parts[0]!.ends,
    parts,
  };
}

function stitch(out: StitchBuffer, { parts }: ClothShape, set: ResolvedSettings): void {
  sewLaidOn(
    out,
    parts.map((shape) => ({ shape, ends: shape.ends[0]! })),
    set,
  );
}

/** Letters of cloth: all placed, all tacked down, all covered, with two stops for the whole text. */
export const appliqueLettering: PieceKind<ClothShape> = {
  form: appliqueKind.form,
  isText: true,
  ...(appliqueKind.laidOnLayers === undefined ? {} : { laidOnLayers: appliqueKind.laidOnLayers }),
  settings: appliqueKind.settings,
  sentence: (s, widthMm) => `Lettering of cloth. ${appliqueKind.sentence(s, widthMm)}`,
  prepare,
  stitch,
};

/** A text as pieces of appliqué of their own. */
export const appliquesApart = (piece: Piece): Omit<Piece, 'id'>[] =>
  clothOf(piece).map(({ letter: { char, thread }, part: { area, width } }) => ({
    name: char,
    kind: 'applique',
    thread: thread ?? piece.thread,
    area: area!,
    width: width!,
    settings: { ...piece.settings },
  }));
