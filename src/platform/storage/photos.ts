import type { Job } from '@/core/document/types';
import { tableOf } from './table';

/** Photos of sew-outs, each by itself, so that opening a job or the shelf reads none of them. A database of its own. */
const table = tableOf<Blob>('cobble-photos', 'photos');

/** No id and no file name has a line feed. */
const keyOf = (jobId: string, file: string): string => `${jobId}\n${file}`;
const filesOf = async (jobId: string): Promise<string[]> => {
  const start = keyOf(jobId, '');
  return (await table.keys()).filter((k) => k.startsWith(start)).map((k) => k.slice(start.length));
};

/** @throws StorageError with a sentence for people; what is kept stays */
export const keepPhoto = (jobId: string, file: string, photo: Blob): Promise<void> => table.set(keyOf(jobId, file), photo);

export const keptPhoto = (jobId: string, file: string): Promise<Blob | null> => table.get(keyOf(jobId, file)).catch(() => null);

/** Files that a job's sew-outs speak of. */
export const photoFiles = ({ sewouts }: Pick<Job, 'sewouts'>): string[] => sewouts.flatMap((s) => s.photos.map((p) => p.file));

/** The photos of a job as a bundle takes them; those that are missing are left out. */
export async function photosOf(job: Pick<Job, 'id' | 'sewouts'>): Promise<Record<string, Uint8Array<ArrayBuffer>>> {
  const all: Record<string, Uint8Array<ArrayBuffer>> = {};
  for (const file of photoFiles(job)) {
    const photo = await keptPhoto(job.id, file);
    if (photo) all[file] = new Uint8Array(await photo.arrayBuffer());
  }
  return all;
}

/** Keeps the photos that came with a bundle. @throws StorageError */
export async function keepPhotos(jobId: string, photos: Readonly<Record<string, Uint8Array<ArrayBuffer>>>): Promise<void> {
  for (const [file, bytes] of Object.entries(photos)) await keepPhoto(jobId, file, new Blob([bytes], { type: 'image/jpeg' }));
}

export async function copyPhotos(from: string, to: string): Promise<void> {
  for (const file of await filesOf(from)) {
    const photo = await keptPhoto(from, file);
    if (photo) await keepPhoto(to, file, photo);
  }
}

export async function removePhotos(jobId: string): Promise<void> {
  for (const file of await filesOf(jobId)) await table.remove(keyOf(jobId, file));
}

/** Drops photos that no sew-out of a job speaks of any more. */
export async function dropUnused(job: Pick<Job, 'id' | 'sewouts'>): Promise<void> {
  const used = new Set(photoFiles(job));
  for (const file of await filesOf(job.id)) if (!used.has(file)) await table.remove(keyOf(job.id, file));
}
