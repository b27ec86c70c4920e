import type { Job } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { worksheetOf, type WorksheetInput } from '../production/worksheet';
import type { Paper } from '../document/shop/identity';
import { print } from './print/paper';
import { drawThumbnail } from '../render/picture';
import { pictureAddress, picturePaper } from './print/picturePaper';
import { worksheetPaper } from './print/worksheetPaper';

export interface PdfOptions extends Pick<WorksheetInput, 'findings' | 'shop'> {
  paper?: Paper;
}

/** Side of the small picture at its head. */
const SMALL_PX = 360;

/** A worksheet for the machine: figures, threads and stops in order, how it is set up, and the picture at real size. */
export function writePdf(job: Job, plan: StitchPlan, { paper = 'a4', ...told }: PdfOptions = {}): Promise<Uint8Array<ArrayBuffer>> {
  const sheet = worksheetOf({ job, plan, ...told });
  return print(job.name, paper, (write) => [
    ...worksheetPaper(sheet, pictureAddress(drawThumbnail(job, plan, SMALL_PX)), write),
    ...picturePaper({ job, plan, sheet, paper }, write),
  ]);
}
