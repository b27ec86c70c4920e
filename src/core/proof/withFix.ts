import { withSettings } from '../document/settings';
import type { Job, Piece } from '../document/types';
import type { Fix } from './finding';

/** Pieces with one of them moved right after another. */
function movedAfter(pieces: readonly Piece[], { piece, after }: NonNullable<Fix['sewRightAfter']>[number]): Piece[] {
  const moved = pieces.find((p) => p.id === piece);
  return moved ? pieces.flatMap((p) => (p.id === piece ? [] : p.id === after ? [p, moved] : [p])) : pieces.slice();
}

/** The job with a fix made. */
export function withFix(before: Job, fix: Fix): Job {
  const job = { ...before, pieces: (fix.sewRightAfter ?? []).reduce(movedAfter, before.pieces) };
  return {
    ...job,
    brief: { ...job.brief, ...fix.brief },
    pieces: job.pieces.flatMap((piece) => {
      const change = fix.pieces?.find((c) => c.id === piece.id);
      if (!change) return [piece];
      const kept = Object.entries({ ...piece, ...change.patch }).filter(
        ([key]) => !(change.without as string[] | undefined)?.includes(key),
      );
      const made = {
        ...(Object.fromEntries(kept) as unknown as typeof piece),
        settings: withSettings(piece.settings, change.settings ?? {}),
      };
      return change.then ? [made, change.then] : [made];
    }),
  };
}
