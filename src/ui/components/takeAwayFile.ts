import { toast } from '@/session/notice';
import type { ExportFormat } from '@/core/formats/registry';
import type { Finding } from '@/core/proof/finding';
import { download, fileStem } from '@/platform/files';
import { photosOf } from '@/platform/storage/photos';
import { useJob } from '@/session/job/jobStore';
import { mayLeave, useTakeAway, type TakenAs } from '@/session/derived/takeAwayStore';
import { engine } from '@/workers/client';

type Extension = ExportFormat['extension'];

/** Writes the open job to a file, saved or not. */
async function write(extension: Extension, how: TakenAs, findings?: readonly Finding[]): Promise<void> {
  const { job, artwork } = useJob.getState();
  if (!job) return;
  const photos = extension === 'cobble' ? { photos: await photosOf(job) } : {};
  const { data } = await engine.call('export', { job, artwork, ...photos, extension, ...how, ...(findings ? { findings } : {}) });
  download(`${fileStem(job.name)}.${extension}`, data);
}

const said = (error: unknown): void => void toast.error((error as Error).message);

/** Hands the open job over as a file. A bundle leaves as it is; for all others the proof is looked at first. */
export async function takeAway(extension: Extension, how: TakenAs = {}): Promise<void> {
  const { job } = useJob.getState();
  if (!job) return;
  try {
    if (extension === 'cobble') return await write(extension, {});
    const findings = await mayLeave(job, extension, how);
    if (findings) await write(extension, how, findings);
  } catch (error) {
    said(error);
  }
}

/** The worksheet and the stitches in one file, for whoever stands at the machine. */
export async function takeAwayBoth(): Promise<void> {
  const { job, artwork } = useJob.getState();
  if (!job) return;
  try {
    const findings = await mayLeave(job, 'pdf', {});
    if (!findings) return;
    const stem = fileStem(job.name);
    const { zipSync } = await import('fflate');
    const files: Record<string, Uint8Array> = {};
    for (const extension of ['pdf', 'csv'] as const) {
      const { data } = await engine.call('export', { job, artwork, extension, findings });
      files[`${stem}.${extension}`] = new Uint8Array(await data.arrayBuffer());
    }
    download(`${stem}.zip`, new Blob([zipSync(files, { level: 6 })], { type: 'application/zip' }));
  } catch (error) {
    said(error);
  }
}

/** The person has read what is wrong and wants the file all the same. */
export async function takeAwayAllTheSame(): Promise<void> {
  const { asking } = useTakeAway.getState();
  useTakeAway.setState({ asking: null });
  if (asking) await write(asking.extension, asking.how, asking.findings).catch(said);
}
