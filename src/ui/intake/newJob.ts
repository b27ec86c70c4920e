import { requireDrawing, TELLING_BYTES } from '@/core/artwork/otherFile';
import { artworkName } from '@/core/document/fileNames';
import { waysFor } from '@/core/cloth/library';
import { DEFAULT_BRIEF } from '@/core/document/job';
import { marksOf } from '@/core/editing/handChanges';
import type { Brief, Job, TracedFrom } from '@/core/document/types';
import { checkSize, isBundle, isPicture } from '@/platform/files';
import { copyPhotos, keepPhotos } from '@/platform/storage/photos';
import { keepNewJob, keptArtwork, keptJob, keptStamp, shelfEntries } from '@/platform/storage/records';
import { loadLibrary } from '@/platform/storage/shop';
import { tracePicture } from '@/session/derived/tracePicture';
import { takeShelf } from '@/session/shop/shelfFile';
import { tellMade } from '@/session/edit/asMade';
import { loadShopUnits } from '@/session/view/unitsStore';
import { engine, type CallOptions } from '@/workers/client';
import { tellBegun } from './begunStore';
import { FIRST_GUESS_MM } from './firstSize';
import { NotKept } from './notKept';

const freshId = (): string => crypto.randomUUID().slice(0, 8);
/** An id that is fit to be part of an address as it is. */
const isPlainId = (id: string): boolean => /^[\w-]{1,80}$/.test(id);

export interface NewJob {
  name: string;
  file: string;
  svg: string;
  brief?: Partial<Brief>;
  /** The picture of which the drawing was traced, as text. */
  picture?: { from: TracedFrom; text: string };
  /** What is done to it before it is kept. */
  work?(job: Job): Job;
  /** A fresh one when absent. */
  id?: string;
  /** Milliseconds since 1970; now when absent. */
  updated?: number;
}

/** @param before what has to be kept first: the job's photos */
async function keep(job: Job, artwork: Record<string, string>, updated = Date.now(), before?: () => Promise<void>): Promise<Job> {
  try {
    await before?.();
    await keepNewJob(job, artwork, updated);
    return job;
  } catch (error) {
    throw new NotKept(job, artwork, error as Error);
  }
}

/** Makes a job from a drawing, with its pieces, and puts it on the shelf. */
export async function jobFromDrawing(
  { name, file, svg, brief = {}, picture, work, id, updated }: NewJob,
  options: CallOptions = {},
): Promise<Job> {
  const shop = waysFor(await loadLibrary(), brief.cloth ?? DEFAULT_BRIEF.cloth);
  const { recipe, ...ways } = shop;
  const units = await loadShopUnits();
  const begun = { ...(recipe ? { recipe } : {}), ...(units === 'in' ? { units } : {}), ...brief };
  const how = { id: id ?? freshId(), name, file, brief: begun, ...ways, guessMm: FIRST_GUESS_MM };
  const made = await engine.call('newJob', { svg, ...how }, options);
  // What comes with Cobble has an id of its own, and nobody waits to hear about it.
  if (id === undefined) tellBegun(made.job.id, made.notes);
  tellMade(made.job);
  const job = picture
    ? { ...made.job, artwork: made.job.artwork.map((a) => ({ ...a, picture: picture.from, made: marksOf(made.job.pieces) })) }
    : made.job;
  return keep(work ? work(job) : job, { [file]: svg, ...(picture ? { [picture.from.file]: picture.text } : {}) }, updated);
}

/** What became of a dropped file: a job to go to, or a shelf whose jobs were put back. */
export type TakenIn = { job: Job } | { shelf: { put: number; known: number; damaged: number } };

/** Traces a picture at a first size and makes a job of what it shows. */
async function jobFromPicture(file: File, { signal, progress }: CallOptions): Promise<Job> {
  const half = (from: number): CallOptions => ({
    ...(signal ? { signal } : {}),
    ...(progress ? { progress: (done) => progress(from + done / 2) } : {}),
  });
  const named = artworkName(file.name || 'picture.png');
  const { svg, picture, found } = await tracePicture(await file.arrayBuffer(), named, { widthMm: FIRST_GUESS_MM }, half(0));
  const stem = named.replace(/\.[^.]*$/, '');
  return jobFromDrawing(
    { name: stem.slice(0, 80) || 'New job', file: `${stem}.svg`, svg, picture: { from: { file: named, found }, text: picture } },
    half(0.5),
  );
}

/** A name that no job of the shelf has: two cards of one name cannot be told apart. */
async function freeName(name: string): Promise<string> {
  const taken = new Set((await shelfEntries()).map((e) => ('head' in e ? e.head.name : '')));
  let free = name;
  for (let n = 2; taken.has(free); n++) free = `${name.slice(0, 190)} (${n})`;
  return free;
}

/** Takes in a dropped file: a picture is traced, a drawing becomes a new job, a bundle comes back as the job that it was, a whole shelf as its jobs. */
export async function takeIn(file: File, options: CallOptions = {}): Promise<TakenIn> {
  if (!isBundle(file) && !isPicture(file)) requireDrawing(file.name, new Uint8Array(await file.slice(0, TELLING_BYTES).arrayBuffer()));
  checkSize(file);
  if (isPicture(file)) return { job: await jobFromPicture(file, options) };
  if (!isBundle(file)) {
    const name = file.name.replace(/\.[^.]+$/, '').slice(0, 80) || 'New job';
    return { job: await jobFromDrawing({ name, file: artworkName(file.name), svg: await file.text() }, options) };
  }
  const bytes = await file.arrayBuffer();
  const read = await engine.call('readFile', { bytes }, { transfer: [bytes], ...options });
  if ('shelf' in read) {
    const { signal = new AbortController().signal, progress = () => undefined } = options;
    return { shelf: await takeShelf(read.shelf, { signal, progress }) };
  }
  const { job, artwork, photos = {} } = read.bundle;
  const fit = isPlainId(job.id) && (await keptStamp(job.id)) === null;
  const taken = fit ? job : { ...job, id: freshId(), name: await freeName(job.name) };
  return { job: await keep(taken, artwork, Date.now(), () => keepPhotos(taken.id, photos)) };
}

/** The same job once more, under a new name. */
export async function duplicateJob(id: string): Promise<void> {
  const found = await keptJob(id);
  if (!found) return;
  const copy = freshId();
  const named = { ...found.job, id: copy, name: `${found.job.name.slice(0, 190)} (copy)` };
  await keep(named, await keptArtwork(id), Date.now(), () => (found.job.sewouts.length > 0 ? copyPhotos(id, copy) : Promise.resolve()));
}
