import { nothingToSew } from '@/core/artwork/digitize';
import { artworkName } from '@/core/document/fileNames';
import { emptyJob, smallestHoop } from '@/core/document/job';
import type { AcceptedFinding, Brief, Job } from '@/core/document/types';
import { InputError } from '@/core/document/errors';
import { checkSize, isBundle } from '@/platform/files';
import { keepNewJob, keptArtwork, keptJob, keptStamp } from '@/platform/storage/records';
import { loadLibrary } from '@/platform/storage/shop';
import { takeShelf } from '@/session/shop/shelfFile';
import { engine, type CallOptions } from '@/workers/client';
import type { Survey } from '@/workers/protocol';
import { WIDEST_SATIN_MM } from '@/core/units/craft';

const freshId = (): string => crypto.randomUUID().slice(0, 8);
/** An id that is fit to be part of an address as it is. */
const isPlainId = (id: string): boolean => /^[\w-]{1,80}$/.test(id);

/** Width taken for artwork that does not say how large it is, mm; the brief asks for the real one. */
const FIRST_GUESS_MM = 80;

async function surveyAtOwnSize(svg: string, brief: Partial<Brief>, options: CallOptions): Promise<Survey> {
  const request = { svg, cloth: brief.cloth ?? 'pique', settings: { satinLimit: WIDEST_SATIN_MM } };
  const guess = (): Promise<Survey> => engine.call('survey', { ...request, width: FIRST_GUESS_MM }, options);
  try {
    const own = await engine.call('survey', { ...request, ...brief.size }, options);
    // Drawings are often tiny on their page: the size that is wanted is asked for in the brief.
    return own.pieces.length > 0 || brief.size ? own : await guess();
  } catch (error) {
    if ((error as { code?: string }).code !== 'no-size') throw error;
    return guess();
  }
}

export interface NewJob {
  name: string;
  file: string;
  svg: string;
  brief?: Partial<Brief>;
  /** Findings that are lived with from the start. */
  accepted?: AcceptedFinding[];
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
export async function jobFromDrawing(
  { name, file, svg, brief = {}, accepted, id, updated }: NewJob,
  options: CallOptions = {},
): Promise<Job> {
  const survey = await surveyAtOwnSize(svg, brief, options);
  if (survey.pieces.length === 0) throw nothingToSew(survey.widthMm, survey.heightMm);
  const hoop = brief.hoop ?? smallestHoop(survey.widthMm, survey.heightMm);
  if (!hoop) {
    throw new InputError(
      'too-big-for-hoop',
      `This artwork is ${survey.widthMm.toFixed(0)} x ${survey.heightMm.toFixed(0)} mm, larger than any hoop; make it smaller and drop it again.`,
    );
  }
  const base = emptyJob(id ?? freshId(), name, { size: { width: Math.round(survey.widthMm * 10) / 10 }, ...brief, hoop });
  const { school } = await loadLibrary();
  const job: Job = {
    ...base,
    settings: { ...base.settings, ...school },
    threads: survey.threads,
    artwork: [{ id: 'a1', file, transform: survey.transform, locked: true, madeAt: { width: survey.widthMm, height: survey.heightMm } }],
    pieces: survey.pieces,
    ...(accepted ? { accepted } : {}),
  };
  return keep(job, { [file]: svg }, updated);
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
