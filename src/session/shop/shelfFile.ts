import type { PackedJob, ReadShelf } from '@/core/formats/shelf';
import { mergedLibrary } from '@/core/cloth/library';
import { without } from '@/core/document/without';
import { keepNewJob, keptArtwork, keptJob, shelfEntries } from '@/platform/storage/records';
import { keepPhotos, photosOf } from '@/platform/storage/photos';
import { listVersions, putVersions } from '@/platform/storage/versions';
import { engine, type CallOptions } from '@/workers/client';
import { keepPreference, loadLibrary, preference } from '@/platform/storage/shop';
import { changeLibrary, openLibrary, useLibrary } from './libraryStore';

const SAVED = 'shelf-saved';
const WEEK_MS = 7 * 24 * 3600 * 1000;

/** How a long piece of work tells its share done, and hears that it is given up. */
export type LongWork = Required<Pick<CallOptions, 'signal' | 'progress'>>;

const stopped = ({ signal }: LongWork): void => signal.throwIfAborted();

/**
 * Everything that this browser keeps of the shop's, as one file: read and packed job by job, the packing beside the page. Damaged jobs are
 * not in it.
 */
export async function shelfAsFile(work: LongWork): Promise<Blob> {
  const entries = await shelfEntries();
  const jobs: PackedJob[] = [];
  for (const [i, { id }] of entries.entries()) {
    stopped(work);
    const packed = await packedJob(id, work.signal);
    if (packed) jobs.push(packed);
    work.progress((0.95 * (i + 1)) / entries.length);
  }
  const transfer = jobs.flatMap((j) => [j.bundle.buffer, ...(j.versions ? [j.versions.buffer] : [])]);
  const { data } = await engine.call('writeShelf', { jobs, library: await loadLibrary() }, { signal: work.signal, transfer });
  return data;
}

async function packedJob(id: string, signal: AbortSignal): Promise<PackedJob | null> {
  const kept = await keptJob(id).catch(() => null);
  if (!kept) return null;
  const versions = (await listVersions(id)).map((v) => without(v, 'id'));
  const [artwork, photos] = [await keptArtwork(id), await photosOf(kept.job)];
  return engine.call('packJob', { packed: { job: kept.job, artwork, photos, updated: kept.updated, versions } }, { signal });
}

/** Notes that the shelf was saved to a file just now, or that the person does not want to for another week. */
export const shelfSaved = (): Promise<void> => keepPreference(SAVED, Date.now());

/** Whether there is work of the last week or longer that no file holds. The first week begins with the first look. */
export async function backupDue(latestChange: number): Promise<boolean> {
  const saved = await preference<number>(SAVED);
  if (saved === null) {
    await shelfSaved();
    return false;
  }
  return latestChange > saved && Date.now() - saved > WEEK_MS;
}

/**
 * Puts a shelf's jobs back, one after the other. One that is here already as it is there is left alone; one that differs comes beside it.
 * What was put back when the work is given up stays.
 */
export async function takeShelf(
  { jobs, library, damaged }: ReadShelf,
  work: LongWork,
): Promise<{ put: number; known: number; damaged: number }> {
  let known = 0;
  for (const [i, { job, artwork, photos = {}, updated, versions = [] }] of jobs.entries()) {
    stopped(work);
    work.progress(i / jobs.length);
    await putVersions(versions.map((v) => ({ ...v, id: `${v.job.id} ${v.kept}` })));
    const here = await keptJob(job.id).catch(() => null);
    if (here && JSON.stringify(here.job) === JSON.stringify(job)) {
      known++;
      await keepPhotos(job.id, photos);
    } else {
      const beside = here ? { ...job, id: crypto.randomUUID().slice(0, 8), name: `${job.name.slice(0, 180)} (from file)` } : job;
      await keepPhotos(beside.id, photos);
      await keepNewJob(beside, artwork, updated);
    }
  }
  await openLibrary();
  await changeLibrary(mergedLibrary(useLibrary.getState().library, library));
  return { put: jobs.length - known, known, damaged };
}
