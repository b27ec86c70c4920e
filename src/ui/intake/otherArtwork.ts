import { readSvg } from '@/core/artwork/readSvg';
import { artworkName } from '@/core/document/fileNames';
import type { Job } from '@/core/document/types';
import { withoutPictureEnd } from '@/core/tracing/pictureName';
import { checkSize, isPicture } from '@/platform/files';
import { tracePicture } from '@/session/derived/tracePicture';
import { replaceArtwork, type NewArtwork } from '@/session/edit/artworkCommands';
import { useJob } from '@/session/job/jobStore';
import { toast } from '@/session/notice';

/** Width at which pictures are traced when the job is sized by its height, mm. */
const USUAL_MM = 80;

/** A file as artwork at the job's size: a drawing as it is, a picture traced. */
async function newArtwork(file: File, job: Job): Promise<NewArtwork> {
  checkSize(file);
  const name = artworkName(file.name);
  if (!isPicture(file)) {
    const svg = await file.text();
    readSvg(svg);
    return { file: name, svg };
  }
  const { svg, picture, found } = await tracePicture(await file.arrayBuffer(), name, { widthMm: job.brief.size.width ?? USUAL_MM });
  return { file: `${withoutPictureEnd(name)}.svg`, svg, picture: { from: { file: name, found }, text: picture } };
}

/** Lays another drawing or picture under the open job, and says how it went. */
export async function takeOtherArtwork(file: File): Promise<void> {
  const { job } = useJob.getState();
  if (!job) return;
  try {
    replaceArtwork(await newArtwork(file, job));
    await useJob.getState().flush();
    toast.success('The artwork was replaced; the pieces on the bench stay until you make them again.');
  } catch (error) {
    toast.error((error as Error).message);
  }
}
