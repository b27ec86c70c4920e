import { strToU8, zipSync } from 'fflate';
import { InputError } from '../document/errors';
import type { Job } from '../document/types';
import { fileForName, jobForName, type NameRow, type NamesFit } from '../lettering/names';
import { Planner } from '../plan/planner';
import { EXPORTS } from './registry';

/** Files of each name. */
const EXTENSIONS = ['cobble', 'csv', 'pdf'] as const;
/** The archive is the same whenever it is made. */
const EPOCH = new Date('1980-01-01T00:00:00');

export interface NamesMade {
  archive: Uint8Array<ArrayBuffer>;
  made: number;
  refused: { row: number; name: string; why: string }[];
}

/** A job, its stitches and its worksheet for each name of a list, in one archive; names that cannot be made are told, the others are made. */
export async function namesArchive(
  job: Job,
  { piece, rows, fit }: { piece: string; rows: readonly NameRow[]; fit: NamesFit['fit'] },
  progress: (done: number) => void = () => undefined,
): Promise<NamesMade> {
  const files: Record<string, Uint8Array> = {};
  const refused: NamesMade['refused'] = [];
  const planner = new Planner();
  for (const [i, row] of rows.entries()) {
    progress(i / rows.length);
    try {
      const own = jobForName(job, piece, row, { fit });
      const plan = planner.plan(own);
      for (const extension of EXTENSIONS) {
        const content = await EXPORTS.find((f) => f.extension === extension)!.write({ job: own, plan, artwork: {} });
        files[`${fileForName(row.name, i)}.${extension}`] = typeof content === 'string' ? strToU8(content) : content;
      }
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      refused.push({ row: row.row, name: row.name, why: error.message });
    }
  }
  return { archive: zipSync(files, { level: 1, mtime: EPOCH }), made: rows.length - refused.length, refused };
}
