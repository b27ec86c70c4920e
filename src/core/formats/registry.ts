import type { Job } from '../document/types';
import { drawSewn } from '../render/picture';
import type { StitchPlan } from '../plan/plan';
import type { MachineProfile } from '../document/shop/profile';
import type { Finding } from '../proof/finding';
import { writeBundle } from './bundle';
import { writeCsv } from './csv';
import { writeGcode } from './gcode';
import type { Paper } from '../document/shop/identity';
import { writeSvg } from './svg';

export interface ExportInput {
  job: Job;
  plan: StitchPlan;
  artwork: Record<string, string>;
  /** Photos of its sew-outs, for formats that hold them. */
  photos?: Record<string, Uint8Array<ArrayBuffer>>;
  /** What the proof found, for formats that tell it; absent when nobody looked. */
  findings?: readonly Finding[];
  /** The machine that the plan was fitted to, for formats that have words of its own. */
  machine?: MachineProfile;
  /** The job whose copies lie in the plan, where several do. */
  of?: Job;
  /** Whose paper it is, and which. */
  shop?: { name: string; address: string };
  paper?: Paper;
}

export interface ExportFormat {
  extension: string;
  mime: string;
  name: string;
  /** What the file is good for, in a few words. */
  use: string;
  write(input: ExportInput): string | Uint8Array<ArrayBuffer> | Promise<Uint8Array<ArrayBuffer>>;
}

/** Picture resolution, pixels per mm. */
const PNG_SCALE = 12;

/** All formats that a job can be taken away in. Adding one is one file and one entry. */
export const EXPORTS: readonly ExportFormat[] = [
  {
    extension: 'cobble',
    mime: 'application/zip',
    name: 'Bundle',
    use: 'job, artwork and photos, to go on with here or elsewhere',
    write: ({ job, artwork, photos }) => writeBundle({ job, artwork, ...(photos ? { photos } : {}) }),
  },
  {
    extension: 'csv',
    mime: 'text/csv',
    name: 'Stitch list',
    use: 'one row per needle event, mm',
    write: ({ job, plan }) =>
      writeCsv(
        plan,
        job.threads.map((t) => t.id),
      ),
  },
  {
    extension: 'svg',
    mime: 'image/svg+xml',
    name: 'Layered drawing',
    use: 'pieces and stitches at real size',
    write: ({ job, plan }) => writeSvg(job, plan),
  },
  {
    extension: 'gcode',
    mime: 'text/plain',
    name: 'Motion words',
    use: 'for controllers that read ISO 6983',
    write: ({ job, plan, machine }) => writeGcode(job, plan, machine?.words),
  },
  {
    extension: 'png',
    mime: 'image/png',
    name: 'Picture',
    use: 'as it will look sewn',
    write: async ({ job, plan }) => (await import('./png')).writePng(drawSewn(job, plan, PNG_SCALE)) as Uint8Array<ArrayBuffer>,
  },
  {
    extension: 'pdf',
    mime: 'application/pdf',
    name: 'Worksheet',
    use: 'picture, figures and threads, to print',
    write: async ({ job, plan, findings, shop, paper, of }) =>
      (await import('./pdf')).writePdf(job, plan, {
        ...(findings ? { findings } : {}),
        ...(shop ? { shop } : {}),
        ...(paper ? { paper } : {}),
        ...(of ? { of } : {}),
      }),
  },
];
