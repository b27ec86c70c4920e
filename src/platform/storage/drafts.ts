import { parseJob } from '@/core/document/schema';
import type { Job } from '@/core/document/types';
import type { JobStamp } from './stamp';

/** Work that the page could not put into the store before it went away, and the version it was made from. */
export interface Draft {
  job: Job;
  from: JobStamp;
  mark: string;
}

const keyOf = (id: string): string => `cobble-unsaved ${id}`;

/**
 * Writes a job at once, for the moment in which the page goes away and the ordinary, slower store cannot finish.
 * A job too large for it is left to the ordinary store.
 */
export function keepDraft(draft: Draft): void {
  try {
    localStorage.setItem(keyOf(draft.job.id), JSON.stringify(draft));
  } catch {
    dropDraft(draft.job.id);
  }
}

export function dropDraft(id: string): void {
  try {
    localStorage.removeItem(keyOf(id));
  } catch {
    // A browser without storage has no draft either.
  }
}

/** The draft of this job, if the page went away before it was saved; null when there is none or it is damaged. */
export function draftOf(id: string): Draft | null {
  try {
    const { job, from, mark } = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null') as Draft;
    const read = parseJob(job);
    return read.id === id && typeof mark === 'string' && Number.isInteger(from.revision) ? { job: read, from, mark } : null;
  } catch {
    return null;
  }
}
