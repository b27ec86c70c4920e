import { say } from './say';
import { mkdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { InputError } from '../core/document/errors';
import type { Job } from '../core/document/types';
import { hoopFile, jobsTogether } from '../core/formats/namesTogether';
import { EXPORTS } from '../core/formats/registry';
import { fileForName, hexOfRow, readNames, sizeOfRow, type NameRow } from '../core/lettering/names';
import { Planner } from '../core/plan/planner';
import type { LetterArgs } from './args';
import { writeAll } from './files';
import { jobFor, type DrawnArgs } from './letterJob';

interface Made {
  file: string;
  stitches: number;
  trims: number;
}

type Names = NonNullable<LetterArgs['names']>;

/** One job for each name, or for each hoop of several; a row that cannot be sewn is named and the others are made. */
export async function lettersOfList(args: DrawnArgs, { list, dir, together }: Names): Promise<number> {
  const rows = rowsOf(list);
  mkdirSync(dir, { recursive: true });
  const refused: { row: number; name: string; why: string }[] = [];
  const made: ({ row: number; name: string } & Partial<Made>)[] = [];
  const kept: Job[] = [];
  for (const [i, row] of rows.entries()) {
    const own = { row: row.row, name: row.name };
    try {
      const job = jobForRow(args, row);
      if (together !== undefined) kept.push(job);
      made.push({ ...own, ...(together === undefined ? await written(job, join(dir, fileForName(row.name, i))) : {}) });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      refused.push({ ...own, why: error.message });
      process.stderr.write(`cobble: row ${row.row}, ‘${row.name}’: ${error.message}\n`);
    }
  }
  const hoops: Made[] = [];
  if (together !== undefined && kept.length > 0)
    for (const [k, job] of jobsTogether(kept, together).entries()) hoops.push(await written(job, join(dir, hoopFile(k))));
  const report = { made, refused, ...(together === undefined ? {} : { hoops }) };
  if (args.report !== undefined) writeAll([{ path: args.report, content: `${JSON.stringify(report, null, 1)}\n` }]);
  say(`${made.length} made${together === undefined ? '' : ` in ${hoops.length} hoops`}, ${refused.length} refused\n`);
  return refused.length > 0 && made.length === 0 ? 1 : 0;
}

/** The rows of a list of names in a file. @throws InputError when there is no such file, or no name in it */
export function rowsOf(list: string): NameRow[] {
  let text: string;
  try {
    text = readFileSync(list, 'utf8');
  } catch {
    throw new InputError('bad-usage', `There is no list ‘${basename(list)}’; check the name.`);
  }
  const rows = readNames(text);
  if (rows.length === 0) throw new InputError('bad-usage', 'The list has no names.');
  return rows;
}

function jobForRow(args: DrawnArgs, row: NameRow): Job {
  if (row.name === '') throw new InputError('bad-usage', 'The row has no name.');
  const [size, hex] = [sizeOfRow(row), hexOfRow(row)];
  return jobFor(args, row.name, { ...(size === undefined ? {} : { size }), ...(hex === undefined ? {} : { hex }) });
}

async function written(job: Job, path: string): Promise<Made> {
  const plan = new Planner().plan(job);
  const files: { path: string; content: string | Uint8Array }[] = [];
  for (const extension of ['cobble', 'csv']) {
    const format = EXPORTS.find((f) => f.extension === extension)!;
    files.push({ path: `${path}.${extension}`, content: await format.write({ job, plan, artwork: {} }) });
  }
  writeAll(files);
  const count = (command: number): number => plan.command.reduce((n, c) => n + (c === command ? 1 : 0), 0);
  return { file: basename(path), stitches: count(0), trims: count(2) };
}
