import type { Piece } from '../../document/types';
import { simplifyLine } from '../../geometry/area';
import { ringsToData } from '../../geometry/path';
import type { Point } from '../../geometry/point';
import { layOut } from '../../lettering/layout';
import { letterOf } from './letter';

/** Sides keep so near to the letter's own, mm. */
const OFF_MM = 0.02;

/** A text as columns of their own, each a satin by its two sides, in sewing order; without ids. */
export function columnsApart(piece: Piece): Omit<Piece, 'id'>[] {
  if (!piece.lettering) return [];
  const laid = layOut(piece.lettering);
  const side = (points: readonly Point[]): string => ringsToData([simplifyLine(points, OFF_MM)], false);
  return laid.letters.flatMap((glyph) =>
    letterOf(glyph, laid).columns.map(({ track }, i): Omit<Piece, 'id'> => ({
      name: `${glyph.char}, column ${i + 1}`,
      kind: 'satin',
      thread: piece.thread,
      sides: [side(track.left), side(track.right)],
      settings: {},
    })),
  );
}
