import type { Piece } from '../../document/types';
import { simplifyLine } from '../../geometry/area';
import { ringsToData } from '../../geometry/path';
import type { Point } from '../../geometry/point';
import { layOut } from '../../lettering/layout';
import { styleOf } from '../../lettering/styleOf';
import { letterOf } from './letter';
import { appliquesApart } from './styles/applique';
import { fillsApart } from './styles/fill';
import { ALONG_MIDDLES, linesApart, ROUND_OUTLINES } from './styles/lineStyles';

/** Sides keep so near to the letter's own, mm. */
const OFF_MM = 0.02;

/** A text as pieces of their own, as what it is sewn as; without ids. */
export function piecesApart(piece: Piece): Omit<Piece, 'id'>[] {
  switch (piece.lettering && styleOf(piece.lettering)) {
    case 'line':
      return linesApart(piece, ALONG_MIDDLES);
    case 'outline':
      return linesApart(piece, ROUND_OUTLINES);
    case 'fill':
      return fillsApart(piece);
    case 'applique':
      return appliquesApart(piece);
    default:
      return columnsApart(piece);
  }
}

/** A text as columns, each a satin by its two sides, in sewing order. */
function columnsApart(piece: Piece): Omit<Piece, 'id'>[] {
  if (!piece.lettering) return [];
  const laid = layOut(piece.lettering);
  const side = (points: readonly Point[]): string => ringsToData([simplifyLine(points, OFF_MM)], false);
  return laid.letters.flatMap((glyph) =>
    letterOf(glyph, laid, piece.settings.corners).columns.map(({ track }, i): Omit<Piece, 'id'> => ({
      name: `${glyph.char}, column ${i + 1}`,
      kind: 'satin',
      thread: piece.thread,
      sides: [side(track.left), side(track.right)],
      settings: {},
    })),
  );
}
