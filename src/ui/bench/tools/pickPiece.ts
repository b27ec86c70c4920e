import { select, selectAll, toggleSelected } from '@/session/view/viewStore';
import { pieceAt, withGroups } from './pick';
import type { Spot } from './tool';

/** Chooses the piece at a place, or with Shift adds it to what is chosen. @returns whether there is one */
export function pickPiece({ at, shift }: Spot): boolean {
  const id = pieceAt(at);
  if (id && shift) toggleSelected(id);
  else if (id) selectAll(withGroups([id]));
  return id !== null;
}

export const letGo = (): void => select(null);
