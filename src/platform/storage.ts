import localforage from 'localforage';
import { EMPTY_LIBRARY, parseLibrary, type ShopLibrary } from '@/core/cloth/library';
import { parseJob } from '@/core/document/schema';
import type { Job } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';

/** A job as this browser keeps it. */
export interface SavedJob {
  job: Job;
  /** File name to SVG text. */
  artwork: Record<string, string>;
  /** Milliseconds since 1970. */
  updated: number;
  picture?: Blob;
  figures?: PlanFigures;
}

const jobs = localforage.createInstance({ name: 'cobble', storeName: 'jobs' });
const preferences = localforage.createInstance({ name: 'cobble', storeName: 'preferences' });

const versions = localforage.createInstance({ name: 'cobble', storeName: 'versions' });

const DRAFT = 'cobble-unsaved';

/**
 * Writes a job at once, for the moment in which the page goes away and the ordinary, slower store cannot finish.
 * A job too large for it is left to the ordinary store.
 */
export function keepDraft(job: Job): void {
  try {
    localStorage.setItem(DRAFT, JSON.stringify(job));
  } catch {
    dropDraft();
  }
}

export function dropDraft(): void {
  try {
    localStorage.removeItem(DRAFT);
  } catch {
    // A browser without storage has no draft either.
  }
}

/** The draft of this job, if the page went away before it was saved; null when there is none or it is damaged. */
export function takeDraft(id: string): Job | null {
  try {
    const job = parseJob(JSON.parse(localStorage.getItem(DRAFT) ?? 'null'));
    return job.id === id ? job : null;
  } catch {
    return null;
  }
}

export class StorageError extends Error {}

function explain(error: unknown): StorageError {
  const full = error instanceof DOMException && error.name === 'QuotaExceededError';
  return new StorageError(
    full
      ? 'This browser has no room left: take the job away as a bundle, then remove jobs you no longer need.'
      : 'This browser does not keep data (a private window, perhaps): take the job away as a bundle before closing.',
  );
}

export async function loadJob(id: string): Promise<SavedJob | null> {
  return jobs.getItem<SavedJob>(id);
}

/** @throws StorageError with a sentence for people; what was stored before stays as it was */
export async function saveJob(saved: SavedJob): Promise<void> {
  try {
    await jobs.setItem(saved.job.id, saved);
  } catch (error) {
    throw explain(error);
  }
}

export async function removeJob(id: string): Promise<void> {
  await jobs.removeItem(id);
  for (const version of await listVersions(id)) await versions.removeItem(version.id);
}

/** A job as it stood at some time, kept to compare with. */
export interface Version {
  id: string;
  job: Job;
  /** Milliseconds since 1970. */
  kept: number;
}

/** Keeps a job as it stands. @throws StorageError with a sentence for people */
export async function keepVersion(job: Job): Promise<Version> {
  const kept = Date.now();
  const version = { id: `${job.id} ${kept}`, job, kept };
  try {
    await versions.setItem(version.id, version);
  } catch (error) {
    throw explain(error);
  }
  return version;
}

/** Versions that were kept, of one job or of all, the latest first. */
export async function listVersions(jobId?: string): Promise<Version[]> {
  const out: Version[] = [];
  await versions.iterate<Version, void>((v) => void (jobId === undefined || v.job.id === jobId ? out.push(v) : 0));
  return out.sort((a, b) => b.kept - a.kept);
}

/** All jobs, the latest changed first. */
export async function listJobs(): Promise<SavedJob[]> {
  const out: SavedJob[] = [];
  await jobs.iterate<SavedJob, void>((saved) => void out.push(saved));
  return out.sort((a, b) => b.updated - a.updated);
}

/** What the shop keeps beside its jobs; an empty library when there is none or it is damaged. */
export async function loadLibrary(): Promise<ShopLibrary> {
  const kept = await preferences.getItem<unknown>('library').catch(() => null);
  try {
    return parseLibrary(kept);
  } catch {
    return EMPTY_LIBRARY;
  }
}

/** @throws StorageError with a sentence for people */
export async function saveLibrary(library: ShopLibrary): Promise<void> {
  try {
    await preferences.setItem('library', library);
  } catch (error) {
    throw explain(error);
  }
}

export async function preference<T>(key: string): Promise<T | null> {
  return preferences.getItem<T>(key).catch(() => null);
}

export async function keepPreference(key: string, value: unknown): Promise<void> {
  await preferences.setItem(key, value).catch(() => undefined);
}
