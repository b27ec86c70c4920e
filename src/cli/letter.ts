import { mkdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { InputError } from '../core/document/errors';
import type { Job } from '../core/document/types';
import { landTexts } from '../core/forecast/textHeights';
import { EXPORTS } from '../core/formats/registry';
import { fileForName, hexOfRow, readNames, sizeOfRow, type NameRow } from '../core/lettering/names';
import { heightForWidth, jobOfText } from '../core/lettering/textJob';
import { Planner } from '../core/plan/planner';
import { readLetterArgs, type LetterArgs } from './args';
import { faceAsked, inFace, type AskedFace } from './faceFont';
import { writeAll } from './files';
import { formatsOf, writePlan } from './plan';

type Args = ReturnType<typeof readLetterArgs> & { drawn: AskedFace };

/** `bin/cobble letter`: a text, or a list of names, as jobs. */
export async function letterCommand(argv: readonly string[]): Promise<number> {
  const began = performance.now();
  const args = readLetterArgs(argv);
  formatsOf(args.out);
  const face = await faceAsked(args.text.face);
  if (args.names) return lettersOfList({ ...args, drawn: face }, args.names);
  const job = jobFor({ ...args, drawn: face }, args.text.text!);
  // As quick as can be means as drawn.
  await writePlan({ job: args.quick || args.asDrawn ? job : landTexts(job), artwork: {} }, args, began);
  return 0;
}

function jobFor(args: Args, text: string, { size, hex = args.hex }: { size?: number; hex?: string } = {}): Job {
  const laid = inFace({ ...args.text, text, height: size ?? args.text.height ?? 10 }, args.drawn);
  const height = args.width === undefined || size !== undefined ? laid.height : heightForWidth(laid, args.width);
  return jobOfText({
    id: 'headless',
    name: text.replace(/\s+/g, ' ').slice(0, 120),
    text: { ...laid, height },
    brief: { ...(args.cloth ? { cloth: args.cloth } : {}), ...(args.hoop ? { hoop: args.hoop } : {}) },
    ...(args.threadWeight === undefined ? {} : { threadWeight: args.threadWeight }),
    ...(hex === undefined ? {} : { hex }),
  });
}

/** One job for each name; a row that cannot be sewn is named and the others are made. */
async function lettersOfList(args: Args, { list, dir }: NonNullable<LetterArgs['names']>): Promise<number> {
  let text: string;
  try {
    text = readFileSync(list, 'utf8');
  } catch {
    throw new InputError('bad-usage', `There is no list ‘${basename(list)}’; check the name.`);
  }
  const rows = readNames(text);
  if (rows.length === 0) throw new InputError('bad-usage', 'The list has no names.');
  mkdirSync(dir, { recursive: true });
  const refused: { row: number; name: string; why: string }[] = [];
  const made: { row: number; name: string; file: string; stitches: number; trims: number }[] = [];
  for (const [i, row] of rows.entries()) {
    const { name } = row;
    try {
      made.push({ row: row.row, name, ...(await nameFiles(args, row, join(dir, fileForName(name, i)))) });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      refused.push({ row: row.row, name, why: error.message });
      process.stderr.write(`cobble: row ${row.row}, ‘${name}’: ${error.message}\n`);
    }
  }
  if (args.report !== undefined) writeAll([{ path: args.report, content: `${JSON.stringify({ made, refused }, null, 1)}\n` }]);
  process.stdout.write(`${made.length} made, ${refused.length} refused\n`);
  return refused.length > 0 && made.length === 0 ? 1 : 0;
}

async function nameFiles(args: Args, row: NameRow, path: string): Promise<{ file: string; stitches: number; trims: number }> {
  if (row.name === '') throw new InputError('bad-usage', 'The row has no name.');
  const [size, hex] = [sizeOfRow(row), hexOfRow(row)];
  const job = jobFor(args, row.name, { ...(size === undefined ? {} : { size }), ...(hex === undefined ? {} : { hex }) });
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
