import { mkdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import Papa from 'papaparse';
import { InputError } from '../core/document/errors';
import type { Job } from '../core/document/types';
import { landTexts } from '../core/forecast/textHeights';
import { EXPORTS } from '../core/formats/registry';
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

/** A row of a list of names. */
interface Row {
  name?: string;
  size?: string;
  thread?: string;
}

/** One job for each name; a row that cannot be sewn is named and the others are made. */
async function lettersOfList(args: Args, { list, dir }: NonNullable<LetterArgs['names']>): Promise<number> {
  let text: string;
  try {
    text = readFileSync(list, 'utf8');
  } catch {
    throw new InputError('bad-usage', `There is no list ‘${basename(list)}’; check the name.`);
  }
  const { data } = Papa.parse<Row>(text, { header: true, skipEmptyLines: 'greedy', transformHeader: (h) => h.trim().toLowerCase() });
  if (data.length === 0 || !('name' in data[0]!)) throw new InputError('bad-usage', `The list needs a first line with a column ‘name’.`);
  mkdirSync(dir, { recursive: true });
  const refused: { row: number; name: string; why: string }[] = [];
  const made: { row: number; name: string; file: string; stitches: number; trims: number }[] = [];
  for (const [i, row] of data.entries()) {
    const name = (row.name ?? '').trim();
    try {
      made.push({ row: i + 2, name, ...(await nameFiles(args, row, name, join(dir, fileFor(name, i)))) });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      refused.push({ row: i + 2, name, why: error.message });
      process.stderr.write(`cobble: row ${i + 2}, ‘${name}’: ${error.message}\n`);
    }
  }
  if (args.report !== undefined) writeAll([{ path: args.report, content: `${JSON.stringify({ made, refused }, null, 1)}\n` }]);
  process.stdout.write(`${made.length} made, ${refused.length} refused\n`);
  return refused.length > 0 && made.length === 0 ? 1 : 0;
}

const fileFor = (name: string, i: number): string => {
  const plain = name.normalize('NFD').replace(/\p{M}/gu, '').replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, ''); // prettier-ignore
  return `${String(i + 1).padStart(3, '0')}-${plain || 'name'}`.slice(0, 60);
};

async function nameFiles(
  args: Args,
  { size, thread }: Row,
  name: string,
  path: string,
): Promise<{ file: string; stitches: number; trims: number }> {
  if (name === '') throw new InputError('bad-usage', 'The row has no name.');
  const mm = size?.trim() ? Number(size) : undefined;
  if (mm !== undefined && !(mm >= 2 && mm <= 500)) throw new InputError('bad-usage', `A size is a height from 2 to 500 mm, not ‘${size}’.`);
  const hex = thread?.trim() || undefined;
  if (hex !== undefined && !/^#[0-9a-f]{6}$/i.test(hex)) throw new InputError('bad-usage', `A thread is written as #rrggbb, not ‘${hex}’.`);
  const job = jobFor(args, name, { ...(mm === undefined ? {} : { size: mm }), ...(hex === undefined ? {} : { hex }) });
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
