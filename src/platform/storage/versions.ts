import { parseJob } from '@/core/document/schema';
import type { Job } from '@/core/document/types';
import { tableOf } from './table';

/** A job as it stood at some time, kept to compare with. */
export interface Version {
  id: string;
  job: Job;
  /** Milliseconds since 1970. */
  kept: number;
}

const versions = tableOf<Version>('cobble', 'versions');

/** Keeps a job as it stands. @throws StorageError with a sentence for people */
export async function keepVersion(job: Job): Promise<Version> {
  const kept = Date.now();
  const version = { id: `${job.id} ${kept}`, job, kept };
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

export async function removeVersions(jobId: string): Promise<void> {
  for (const version of await listVersions(jobId)) await versions.remove(version.id);
}
