import { parseJob } from '@/core/document/schema';
import type { Job } from '@/core/document/types';
import { tableOf } from './table';

/** A job as it stood at some time, kept to compare with. */
export interface Version {
  id: string;
  job: Job;
  /** Milliseconds since 1970. */
  kept: number;
  /** What a person called it, and what was changed and why. */
  name?: string;
  note?: string;
}

const versions = tableOf<Version>('cobble', 'versions');

/** Keeps a job as it stands, under a name where it is given one. @throws StorageError with a sentence for people */
export async function keepVersion(job: Job, called: Pick<Version, 'name' | 'note'> = {}): Promise<Version> {
  const kept = Date.now();
  const version = { id: `${job.id} ${kept}`, job, kept, ...called };
  await versions.set(version.id, version);
  return version;
}

/** Versions that were kept, of one job or of all, the latest first; damaged ones are passed over. */
export async function listVersions(jobId?: string): Promise<Version[]> {
  const keys = (await versions.keys()).filter((k) => jobId === undefined || k.startsWith(`${jobId} `));
  const all = await Promise.all(keys.map((k) => versions.get(k).then(readable, () => null)));
  return all.filter((v): v is Version => v !== null && (jobId === undefined || v.job.id === jobId)).sort((a, b) => b.kept - a.kept);
}

function readable(version: Version | null): Version | null {
  try {
    return version && { ...version, job: parseJob(version.job) };
  } catch {
    return null;
  }
}

/** Gives a kept version another name or note. */
export async function renameVersion(id: string, called: Required<Pick<Version, 'name' | 'note'>>): Promise<void> {
  const version = await versions.get(id);
  if (version) await versions.set(id, { ...version, ...called });
}

/** Puts back versions that a file holds; those that are here already stay. */
export async function putVersions(all: readonly Version[]): Promise<void> {
  const here = new Set(await versions.keys());
  for (const version of all) if (!here.has(version.id)) await versions.set(version.id, version);
}

export const removeVersion = (id: string): Promise<void> => versions.remove(id);

export async function removeVersions(jobId: string): Promise<void> {
  for (const version of await listVersions(jobId)) await versions.remove(version.id);
}
