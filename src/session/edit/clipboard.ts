import { among } from '@/core/document/among';
import type { Piece, Thread } from '@/core/document/types';
import { freeId, threadIn } from './commands';
import { useJob } from '../job/jobStore';

interface Copied {
  pieces: readonly Piece[];
  threads: readonly Thread[];
}

let copied: Copied | null = null;

/** Keeps copies of pieces, to be pasted into this job or another one. @returns how many */
export function copyToClipboard(ids: readonly string[]): number {
  const job = useJob.getState().job;
  const chosen = among(ids);
  const pieces = job?.pieces.filter((p) => chosen(p.id)) ?? [];
  if (job && pieces.length > 0) copied = { pieces, threads: job.threads };
  return pieces.length;
}

export const hasCopy = (): boolean => copied !== null;

/** Puts what was copied into the open job, in place, sewn last, with the threads it needs. @returns ids of the new pieces */
export function pasteFromClipboard(): string[] {
  const from = copied;
  const job = useJob.getState().job;
  if (!from || !job) return [];
  const taken = new Set(job.pieces.map((p) => p.id));
  const ids = from.pieces.map(() => freeId(taken));
  useJob.getState().change(`Paste ${ids.length} ${ids.length === 1 ? 'piece' : 'pieces'}`, (draft) => {
    from.pieces.forEach((piece, i) => {
      const thread = from.threads.find((t) => t.id === piece.thread)!;
      const own = withThreads(piece, (id) => {
        const found = from.threads.find((t) => t.id === id);
        return found && threadIn(draft, found);
      });
      draft.pieces.push({ ...own, id: ids[i]!, thread: threadIn(draft, thread) });
    });
  });
  return ids;
}

/** A text whose letters of other threads have those of another job; a thread that is not known is the text's own. */
function withThreads(piece: Piece, to: (id: string) => string | undefined): Piece {
  const letters = piece.lettering?.letters;
  if (!letters) return piece;
  const mapped = Object.entries(letters).map(([place, { thread, ...own }]) => {
    const id = thread === undefined ? undefined : to(thread);
    return [place, { ...own, ...(id === undefined ? {} : { thread: id }) }] as const;
  });
  return { ...piece, lettering: { ...piece.lettering!, letters: Object.fromEntries(mapped) } };
}
