import { keepPhotos, photosOf, removePhotos } from '@/platform/storage/photos';
import { keepNewJob, keptArtwork, keptJob, removeKept } from '@/platform/storage/records';
import { listVersions, putVersions, removeVersions } from '@/platform/storage/versions';
import { tellTabs } from '@/platform/tabs';
import { toast } from '@/session/notice';

/** How long a removed job can be brought back, ms. */
const BACK_MS = 20_000;

/** All that is kept of a job; null for a damaged record, of which only its text is left. */
async function wholeOf(id: string): Promise<(() => Promise<void>) | null> {
  const kept = await keptJob(id).catch(() => null);
  if (!kept) return null;
  const [artwork, versions, photos] = [await keptArtwork(id), await listVersions(id), await photosOf(kept.job)];
  return async () => {
    await keepPhotos(id, photos);
    await keepNewJob(kept.job, artwork, kept.updated);
    await putVersions(versions);
  };
}

/** Takes a job off the shelf with all that belongs to it, says so, and can bring it back for a while. */
export async function removeJob(id: string, name: string, refresh: () => Promise<void>): Promise<void> {
  const putBack = await wholeOf(id);
  await removeKept(id);
  await removeVersions(id);
  await removePhotos(id);
  tellTabs('removed', id);
  const bringBack = async (): Promise<void> => {
    try {
      await putBack?.();
      await refresh();
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const action = putBack ? { action: { label: 'Bring it back', onClick: () => void bringBack() } } : {};
  toast(`‘${name}’ was removed from the shelf.`, { duration: BACK_MS, ...action });
}
