import type { Piece } from '../document/types';

/** A piece without some of what was set on its shape. */
export function without(piece: Piece, keys: readonly ('start' | 'end' | 'slants')[]): Piece {
  const out = { ...piece };
  for (const key of keys) delete out[key];
  return out;
}
