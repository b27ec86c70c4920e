import type { JobSettings, Piece } from '../document/types';

/** A piece as the shop's school shapes it: what the piece does not say of its corners, the school does. */
export function underSchool(piece: Piece, school: JobSettings): Piece {
  const own = piece.settings.corners;
  if (piece.kind !== 'satin' || !piece.area || own !== undefined || school.corners !== 'butt') return piece;
  return { ...piece, settings: { ...piece.settings, corners: 'butt' } };
}
