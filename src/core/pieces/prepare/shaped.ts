import type { Piece } from '../../document/types';
import type { PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';

/** A piece with its shape and settings, not yet stitched. */
export interface Shaped {
  piece: Piece;
  /** The piece as the shop's school shapes it. */
  laid: Piece;
  shape: PreparedShape | null;
  settings: ResolvedSettings | null;
}
