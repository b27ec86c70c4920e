import { create } from 'zustand';
import { useJob } from '@/session/job/jobStore';
import { chosenPiece } from '../chosenPiece';

/** The thread that was taken for what is drawn next; null when that follows the chosen piece. */
export const useTakenThread = create<{ thread: string | null }>(() => ({ thread: null }));

/** Thread of what is drawn next: the one taken for it, else that of the chosen piece, else that of the piece sewn last. */
export function threadInHand(): string | null {
  const job = useJob.getState().job;
  const { thread } = useTakenThread.getState();
  if (thread !== null && job?.threads.some((t) => t.id === thread)) return thread;
  const model = chosenPiece() ?? job?.pieces[job.pieces.length - 1];
  return model?.thread ?? job?.threads[0]?.id ?? null;
}
