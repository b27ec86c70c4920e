import type { ReadShelf, ShelfFile } from '@/core/formats/shelf';
import { mergedLibrary } from '@/core/cloth/library';
import { keepNewJob, keptArtwork, keptJob, keptJobs } from '@/platform/storage/records';
import { keepPreference, loadLibrary, preference } from '@/platform/storage/shop';
import { changeLibrary, openLibrary, useLibrary } from './libraryStore';

const SAVED = 'shelf-saved';
const WEEK_MS = 7 * 24 * 3600 * 1000;

/** Everything that this browser keeps of the shop's. Damaged jobs are not in it. */
export async function wholeShelf(): Promise<ShelfFile> {
  const jobs: ShelfFile['jobs'] = [];
  for (const entry of await keptJobs()) {
    if ('kept' in entry) jobs.push({ job: entry.kept.job, artwork: await keptArtwork(entry.id), updated: entry.kept.updated });
  }
  return { jobs, library: await loadLibrary() };
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

/** Puts a shelf's jobs back. One that is here already as it is there is left alone; one that differs comes beside it. */
export async function takeShelf({ jobs, library, damaged }: ReadShelf): Promise<{ put: number; known: number; damaged: number }> {
  let known = 0;
  for (const { job, artwork, updated } of jobs) {
    const here = await keptJob(job.id).catch(() => null);
    if (here && JSON.stringify(here.job) === JSON.stringify(job)) known++;
    else if (here)
      await keepNewJob({ ...job, id: crypto.randomUUID().slice(0, 8), name: `${job.name.slice(0, 180)} (from file)` }, artwork, updated);
    else await keepNewJob(job, artwork, updated);
  }
  await openLibrary();
  await changeLibrary(mergedLibrary(useLibrary.getState().library, library));
  return { put: jobs.length - known, known, damaged };
}
