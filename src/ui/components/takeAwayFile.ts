import { toast } from 'sonner';
import type { ExportFormat } from '@/core/formats/registry';
import { download, fileStem } from '@/platform/files';
import { useJob } from '@/store/jobStore';
import { engine } from '@/workers/client';

/** Hands the open job over as a file, saved or not. */
export async function takeAway(extension: ExportFormat['extension']): Promise<void> {
  const { job, artwork } = useJob.getState();
  if (!job) return;
  try {
    const { data } = await engine.call('export', { job, artwork, extension });
    download(`${fileStem(job.name)}.${extension}`, data);
  } catch (error) {
    toast.error((error as Error).message);
  }
}
