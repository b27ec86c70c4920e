import { create } from 'zustand';
import { keepVersion, listVersions, removeVersion, renameVersion, type Version } from '@/platform/storage/versions';
import { useJob } from './jobStore';

/** Versions of the open job that were kept, the latest first; null while they are not known. */
export const useVersions = create<{ of: string | null; list: Version[] | null }>(() => ({ of: null, list: null }));

export async function openVersions(jobId: string): Promise<void> {
  const list = await listVersions(jobId);
  useVersions.setState({ of: jobId, list });
}

/** Keeps the open job as it stands under a name. @throws StorageError with a sentence for people */
export async function keepNamed(name: string, note: string): Promise<void> {
  const { job } = useJob.getState();
  if (!job) return;
  await keepVersion(job, { name, ...(note ? { note } : {}) });
  await openVersions(job.id);
}

export async function callVersion({ id, job }: Version, name: string, note: string): Promise<void> {
  await renameVersion(id, { name, note });
  await openVersions(job.id);
}

export async function forgetVersion({ id, job }: Version): Promise<void> {
  await removeVersion(id);
  await openVersions(job.id);
}
