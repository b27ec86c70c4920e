import { artworkName } from '@/core/document/fileNames';
import { waysFor } from '@/core/cloth/library';
import { DEFAULT_BRIEF } from '@/core/document/job';
import type { Brief, Job } from '@/core/document/types';
import { checkSize, isBundle } from '@/platform/files';
import { keepNewJob, keptArtwork, keptJob, keptStamp } from '@/platform/storage/records';
import { loadLibrary } from '@/platform/storage/shop';
import { takeShelf } from '@/session/shop/shelfFile';
import { engine, type CallOptions } from '@/workers/client';

const freshId = (): string => crypto.randomUUID().slice(0, 8);
/** An id that is fit to be part of an address as it is. */
const isPlainId = (id: string): boolean => /^[\w-]{1,80}$/.test(id);

/** Width taken for artwork that does not say how large it is, mm; the brief asks for the real one. */
const FIRST_GUESS_MM = 80;

export interface NewJob {
  name: string;
  file: string;
  svg: string;
  brief?: Partial<Brief>;
  /** What is done to it before it is kept. */
  work?(job: Job): Job;
  /** A fresh one when absent. */
  id?: string;
  /** Milliseconds since 1970; now when absent. */
  updated?: number;
}

/** A job that was made but that the browser has no room for: it can be saved to a file. */
export class NotKept extends Error {
  constructor(
    readonly job: Job,
    readonly artwork: Record<string, string>,
    cause: Error,
  ) {
    super(cause.message);
    this.name = 'NotKept';
  }
}

async function keep(job: Job, artwork: Record<string, string>, updated = Date.now()): Promise<Job> {
  try {
    await keepNewJob(job, artwork, updated);
    return job;
  } catch (error) {
    throw new NotKept(job, artwork, error as Error);
  }
}

/** Makes a job from a drawing, with its pieces, and puts it on the shelf. */
export async function jobFromDrawing({ name, file, svg, brief = {}, work, id, updated }: NewJob, options: CallOptions = {}): Promise<Job> {
  const shop = waysFor(await loadLibrary(), brief.cloth ?? DEFAULT_BRIEF.cloth);
  const { recipe, ...ways } = shop;
  const how = { id: id ?? freshId(), name, file, brief: { ...(recipe ? { recipe } : {}), ...brief }, ...ways, guessMm: FIRST_GUESS_MM };
  const made = await engine.call('newJob', { svg, ...how }, options);
  return keep(work ? work(made.job) : made.job, { [file]: svg }, updated);
}

/** What became of a dropped file: a job to go to, or a shelf whose jobs were put back. */
export type TakenIn = { job: Job } | { shelf: { put: number; known: number; damaged: number } };

/** Takes in a dropped file: a drawing becomes a new job, a bundle comes back as the job that it was, a whole shelf as its jobs. */
export async function takeIn(file: File, options: CallOptions = {}): Promise<TakenIn> {
  checkSize(file);
  if (!isBundle(file)) {
    const name = file.name.replace(/\.[^.]+$/, '').slice(0, 80) || 'New job';
    return { job: await jobFromDrawing({ name, file: artworkName(file.name), svg: await file.text() }, options) };
  }
  const bytes = await file.arrayBuffer();
  const read = await engine.call('readFile', { bytes }, { transfer: [bytes], ...options });
  if ('shelf' in read) return { shelf: await takeShelf(read.shelf) };
  const { job, artwork } = read.bundle;
  const fit = isPlainId(job.id) && (await keptStamp(job.id)) === null;
  return { job: await keep(fit ? job : { ...job, id: freshId() }, artwork) };
}

/** The same job once more, under a new name. */
export async function duplicateJob(id: string): Promise<void> {
  const found = await keptJob(id);
  if (!found) return;
  await keep({ ...found.job, id: freshId(), name: `${found.job.name.slice(0, 190)} (copy)` }, await keptArtwork(id));
}
