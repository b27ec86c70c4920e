import { emptyJob, smallestHoop } from '@/core/document/job';
import type { AcceptedFinding, Brief, Job } from '@/core/document/types';
import { InputError } from '@/core/document/errors';
import { checkSize, isBundle } from '@/platform/files';
import { listJobs, loadLibrary, saveJob } from '@/platform/storage';
import { engine, type CallOptions } from '@/workers/client';
import type { Survey } from '@/workers/protocol';

const freshId = (): string => crypto.randomUUID().slice(0, 8);

/** Width taken for artwork that does not say how large it is, mm; the brief asks for the real one. */
const FIRST_GUESS_MM = 80;

async function surveyAtOwnSize(svg: string, brief: Partial<Brief>, options: CallOptions): Promise<Survey> {
  const request = { svg, cloth: brief.cloth ?? 'pique', settings: { satinLimit: 9 } };
  try {
    return await engine.call('survey', { ...request, ...brief.size }, options);
  } catch (error) {
    if (!(error as Error).message.includes('how large')) throw error;
    return engine.call('survey', { ...request, width: FIRST_GUESS_MM }, options);
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

/** Makes a job from a drawing, with its pieces, and puts it on the shelf. */
export async function jobFromDrawing(
  { name, file, svg, brief = {}, accepted, id, updated }: NewJob,
  options: CallOptions = {},
): Promise<Job> {
  const survey = await surveyAtOwnSize(svg, brief, options);
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
    artwork: [{ id: 'a1', file, transform: survey.transform, locked: true }],
    pieces: survey.pieces,
    ...(accepted ? { accepted } : {}),
  };
  await saveJob({ job, artwork: { [file]: svg }, updated: updated ?? Date.now() });
  return job;
}

/** Takes in a dropped file: a drawing becomes a new job, a bundle comes back as the job that it was. */
export async function jobFromFile(file: File, options: CallOptions = {}): Promise<Job> {
  checkSize(file);
  if (!isBundle(file)) {
    const name = file.name.replace(/\.[^.]+$/, '').slice(0, 80) || 'New job';
    return jobFromDrawing({ name, file: file.name.replace(/[/\\]/g, '-').slice(-100), svg: await file.text() }, options);
  }
  const bytes = await file.arrayBuffer();
  const bundle = await engine.call('readBundle', { bytes }, { transfer: [bytes] });
  const taken = (await listJobs()).some((s) => s.job.id === bundle.job.id);
  const job = taken ? { ...bundle.job, id: freshId() } : bundle.job;
  await saveJob({ job, artwork: bundle.artwork, updated: Date.now() });
  return job;
}

/** The same job once more, under a new name. */
export async function duplicateJob(id: string): Promise<void> {
  const found = (await listJobs()).find((s) => s.job.id === id);
  if (!found) return;
  const job = { ...found.job, id: freshId(), name: `${found.job.name} (copy)` };
  await saveJob({ ...found, job, updated: Date.now() });
}
