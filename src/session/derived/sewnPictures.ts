import { keepPicture, keptJob, keptPicture, type Shown } from '@/platform/storage/records';
import { prover } from '@/workers/client';

/*
 * Pictures for the shelf are sewn one at a time by the worker that nobody waits for, so that what a person asks for meanwhile
 * (a job on the bench) is not held up.
 */

let last: Promise<unknown> = Promise.resolve();

/** The kept picture of a job as it stands, or one that is sewn now and kept. Null when it was given up or cannot be made. */
export async function sewnPicture(id: string, mark: string, signal: AbortSignal): Promise<Shown | null> {
  const kept = await keptPicture(id, mark).catch(() => null);
  if (kept || signal.aborted) return kept;
  const turn = last.then(() => sew(id, signal));
  last = turn.catch(() => undefined);
  return turn.catch(() => null);
}

async function sew(id: string, signal: AbortSignal): Promise<Shown | null> {
  const found = signal.aborted ? null : await keptJob(id);
  if (!found || found.job.pieces.length === 0) return null;
  const { png, figures } = await prover.call('thumbnail', { job: found.job }, { signal });
  const shown = { mark: found.stamp.mark, picture: png, figures };
  void keepPicture(id, shown).catch(() => undefined);
  return shown;
}
