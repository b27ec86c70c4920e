import type { Piece } from '../document/types';
import { components } from '../geometry/area';
import { outlineOf } from '../geometry/outline';
import { ringsToData, type Matrix } from '../geometry/path';
import { joinPieces } from './outlines';
import { transformedPiece } from './transform';

/**
 * A piece with its copies under the maps, those that touch (or nearly) grown into one. The first keeps the piece's id,
 * the rest have none yet. Lines and columns by two sides stay separate copies.
 */
export function repeatedAsOne(piece: Piece, maps: readonly Matrix[]): Piece[] {
  const all = [piece, ...maps.map((m) => transformedPiece(piece, m))];
  const joined = piece.area ? joinPieces(all) : null;
  if (!joined?.area) return all.map((p, i) => (i === 0 ? p : { ...p, id: '' }));
  const parts = components(outlineOf(joined.area).area);
  const { slants, ...rest } = joined;
  // Each part keeps only the slants that lie over it; without telling which, several parts would turn by each other's.
  const kept = parts.length === 1 && slants ? { slants } : {};
  return parts.map((area, i) => ({ ...rest, ...kept, area: ringsToData(area), id: i === 0 ? piece.id : '' }));
}
