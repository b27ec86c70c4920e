import type { Job } from '@/core/document/types';
import { keepPicture, keptPicture, type Shown } from '@/platform/storage/records';
import { prover } from '@/workers/client';

/*
 * Pictures for the shelf are sewn one at a time by the worker that nobody waits for, so that what a person asks for meanwhile
 * (a job on the bench) is not held up.
 */

let last: Promise<unknown> = Promise.resolve();

/** The kept picture of a job as it stands, or one that is sewn now and kept. Null when it was given up or cannot be made. */
export async function sewnPicture(job: Job, mark: string, signal: AbortSignal): Promise<Shown | null> {
  const kept = await keptPicture(job.id, mark).catch(() => null);
  if (kept || job.pieces.length === 0 || signal.aborted) return kept;
  const turn = last.then(() => sew(job, mark, signal));
  last = turn.catch(() => undefined);
  return turn.catch(() => null);
}

async function sew(job: Job, mark: string, signal: AbortSignal): Promise<Shown> {
  const { png, figures } = await prover.call('thumbnail', { job }, { signal });
  const shown = { mark, picture: png, figures };
  void keepPicture(job.id, shown).catch(() => undefined);
  return shown;
}
