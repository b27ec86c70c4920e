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
      draft.pieces.push({ ...piece, id: ids[i]!, thread: threadIn(draft, thread) });
    });
  });
  return ids;
}
