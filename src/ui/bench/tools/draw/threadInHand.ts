import { useJob } from '@/session/job/jobStore';
import { chosenPiece } from '../chosenPiece';

/** Thread of the chosen piece, else of the one sewn last. */
export function threadInHand(): string | null {
  const job = useJob.getState().job;
  const model = chosenPiece() ?? job?.pieces[job.pieces.length - 1];
  return model?.thread ?? job?.threads[0]?.id ?? null;
}
