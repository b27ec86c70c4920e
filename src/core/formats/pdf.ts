import type { Job } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { worksheetOf, type WorksheetInput } from '../production/worksheet';
import type { Paper } from '../document/shop/identity';
import { print } from './print/paper';
import { drawThumbnail } from '../render/picture';
import { cardPaper } from './print/cardPaper';
import { approvalPaper } from './print/approvalPaper';
import { quotationPaper, type Quoted } from './print/quotationPaper';
import { foamPaper } from './print/foamPaper';
import { pictureAddress, picturePaper } from './print/picturePaper';
import { worksheetPaper } from './print/worksheetPaper';

export interface PdfOptions extends Pick<WorksheetInput, 'findings' | 'shop' | 'of'> {
  paper?: Paper;
}

/** Whose paper it is, as lines. */
const shopLines = ({ name, address }: { name: string; address: string }): string[] =>
  [name, ...address.split('\n')].filter((l) => l.trim() !== '');

/** Side of the small picture at its head. */
const SMALL_PX = 360;

/** A worksheet for the machine: figures, threads and stops in order, how it is set up, and the picture at real size. */
export function writePdf(job: Job, plan: StitchPlan, { paper = 'a4', ...told }: PdfOptions = {}): Promise<Uint8Array<ArrayBuffer>> {
  const sheet = worksheetOf({ job, plan, ...told });
  return print(job.name, paper, job.brief.units ?? 'mm', (write) => [
    ...worksheetPaper(sheet, pictureAddress(drawThumbnail(job, plan, SMALL_PX)), write),
    ...picturePaper({ job, plan, sheet, paper }, write),
    ...(sheet.foam ? foamPaper(sheet.foam.of, paper, write) : []),
  ]);
}

/** The sheet beside a calibration card. */
export const writeCard = (job: Job, plan: StitchPlan, { paper = 'a4' }: PdfOptions = {}): Promise<Uint8Array<ArrayBuffer>> =>
  print(job.name, paper, job.brief.units ?? 'mm', (write) => cardPaper(job, plan, write));

/** A quotation, with a picture of the design. @param on the day of it */
export function writeQuotation(
  quoted: Quoted,
  plan: StitchPlan,
  { paper = 'a4', shop, on }: PdfOptions & { on: string },
): Promise<Uint8Array<ArrayBuffer>> {
  const { job } = quoted;
  return print(`Quotation: ${job.name}`, paper, job.brief.units ?? 'mm', (write) =>
    quotationPaper(quoted, pictureAddress(drawThumbnail(job, plan, SMALL_PX)), shop ? shopLines(shop) : [], on, write),
  );
}

/** What a customer approves: the design at real size with its threads and place, and room to sign. @param on the day of it */
export function writeApproval(
  job: Job,
  plan: StitchPlan,
  { paper = 'a4', on, ...told }: PdfOptions & { on: string },
): Promise<Uint8Array<ArrayBuffer>> {
  const sheet = worksheetOf({ job, plan, ...told });
  return print(`For approval: ${job.name}`, paper, job.brief.units ?? 'mm', (write) => [
    ...approvalPaper({ job, plan, sheet, on, small: pictureAddress(drawThumbnail(job, plan, SMALL_PX)) }, write),
    ...picturePaper({ job, plan, sheet, paper }, write),
  ]);
}
