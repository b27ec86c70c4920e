import { strToU8, zipSync } from 'fflate';
import { InputError } from '../document/errors';
import type { Job, Lettering } from '../document/types';
import { fileForName, jobForName, type NameRow, type NamesFit } from '../lettering/names';
import { Planner } from '../plan/planner';
import { withFollowing } from '../pieces/lettering/following';
import { contactSheet } from './contactSheet';
import { hoopFile, jobsTogether } from './namesTogether';
import { EXPORTS } from './registry';

/** Files of each name. */
const EXTENSIONS = ['cobble', 'csv', 'pdf'] as const;
/** The archive is the same whenever it is made. */
const EPOCH = new Date('1980-01-01T00:00:00');

export interface NamesMade {
  archive: Uint8Array<ArrayBuffer>;
  made: number;
  /** Jobs in the archive: as many as names, or as hoops. */
  hoops: number;
  refused: { row: number; name: string; why: string }[];
}

/** Which names, in place of which text, and how. */
export interface NamesAsked {
  piece: string;
  rows: readonly NameRow[];
  fit: NamesFit['fit'];
  /** Several names in one hoop, so far apart, mm; a job for each where absent. */
  together?: number;
}

/**
 * A job, its stitches and its worksheet for each name of a list, or for each hoop of several names, with a sheet of all names, in one
 * archive; names that cannot be made are told, the others are made.
 * @throws InputError when names are to lie together and not even one fits the hoop
 */
export async function namesArchive(
  job: Job,
  { piece, rows, fit, together }: NamesAsked,
  progress: (done: number) => void = () => undefined,
): Promise<NamesMade> {
  const refused: NamesMade['refused'] = [];
  const named = rows.flatMap((row, i): Named[] => {
    try {
      const own = withFollowing(jobForName(job, piece, row, { fit }), job);
      return [{ job: own, file: fileForName(row.name, i), name: row.name, text: own.pieces.find((p) => p.id === piece)!.lettering! }];
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      refused.push({ row: row.row, name: row.name, why: error.message });
      return [];
    }
  });
  const files: Record<string, Uint8Array> = {};
  const jobs = together === undefined || named.length === 0 ? named : inHoops(named, together);
  const planner = new Planner();
  for (const [i, { job: own, file }] of jobs.entries()) {
    progress(i / jobs.length);
    const plan = planner.plan(own);
    for (const extension of EXTENSIONS) {
      const content = await EXPORTS.find((f) => f.extension === extension)!.write({ job: own, plan, artwork: {} });
      files[`${file}.${extension}`] = typeof content === 'string' ? strToU8(content) : content;
    }
  }
  if (named.length > 0) files['all-names.svg'] = strToU8(contactSheet(named));
  return { archive: zipSync(files, { level: 1, mtime: EPOCH }), made: named.length, hoops: jobs.length, refused };
}

interface Named {
  job: Job;
  file: string;
  name: string;
  text: Lettering;
}

const inHoops = (named: readonly Named[], gapMm: number): Pick<Named, 'job' | 'file'>[] =>
  jobsTogether(
    named.map((n) => n.job),
    gapMm,
  ).map((job, k) => ({ job, file: hoopFile(k) }));
