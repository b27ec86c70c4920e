import { keepPicture, keptJob, keptPicture, type Shown } from '@/platform/storage/records';
import { keepPlan } from '@/platform/storage/plans';
import { prover } from '@/workers/client';
import type { Protocol } from '@/workers/protocol/messages';

/*
 * Pictures for the shelf are sewn one at a time by the worker that nobody waits for, so that what a person asks for meanwhile
 * (a job on the bench) is not held up.
 */

let last: Promise<unknown> = Promise.resolve();
let work = new AbortController();

/** Gives up all pictures that are being sewn, for something that a person waits for. */
export function giveUpPictures(): void {
  work.abort();
  work = new AbortController();
}

/** The kept picture of a job as it stands, or one that is sewn now and kept. Null when it was given up or cannot be made. */
export async function sewnPicture(id: string, mark: string, signal: AbortSignal): Promise<Shown | null> {
  const kept = await keptPicture(id, mark).catch(() => null);
  if (kept || signal.aborted) return kept;
  const wanted = AbortSignal.any([signal, work.signal]);
  const turn = last.then(() => sew(id, wanted));
  last = turn.catch(() => undefined);
  return turn.catch(() => null);
}

async function sew(id: string, signal: AbortSignal): Promise<Shown | null> {
  const found = signal.aborted ? null : await keptJob(id);
  if (!found || found.job.pieces.length === 0) return null;
  const sewn = await prover.call('thumbnail', { job: found.job }, { signal });
  void keepShown(id, found.stamp.mark, sewn).catch(() => undefined);
  return { mark: found.stamp.mark, picture: sewn.png, figures: sewn.figures };
}

/** Keeps what was sewn of one state of a job: its picture for the Shelf, its plan for the Bench. */
export async function keepShown(id: string, mark: string, { png, figures, sewn }: Protocol['thumbnail']['out']): Promise<void> {
  await keepPicture(id, { mark, picture: png, figures });
  if (sewn) await keepPlan(id, { mark, figures, ...sewn });
}
