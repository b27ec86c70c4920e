import Papa from 'papaparse';
import { nearestThreads, THREAD_CHART } from '../cloth/threads';
import { InputError } from '../document/errors';
import { nameOfText, withThread } from '../document/job';
import { LETTER_HEIGHTS } from '../document/ranges';
import type { Job, Lettering } from '../document/types';
import { layOut } from './layout';
import { extentOf, heightForWidth } from './textJob';

/** A row of a list of names. */
export interface NameRow {
  /** Its line in the list, from 1. */
  row: number;
  name: string;
  size?: string;
  thread?: string;
}

const MOST_ROWS = 5000;

/**
 * A list of names: a table whose first line names its columns (name, size, thread), or one name a line.
 * @throws InputError for a table without names, or more of them than anybody sews
 */
export function readNames(text: string): NameRow[] {
  const first = text.split(/\r?\n/).find((line) => line.trim() !== '') ?? '';
  const columns = first.split(/[,;\t]/).map((c) => c.trim().toLowerCase());
  if (columns.length > 1 && !columns.includes('name'))
    throw new InputError('bad-usage', 'A table of names needs a first line with a column ‘name’; or write one name a line.');
  const rows = columns.includes('name') ? table(text) : lines(text);
  if (rows.length > MOST_ROWS) throw new InputError('too-large', `The list has ${rows.length} names; take at most ${MOST_ROWS} at once.`);
  return rows;
}

const lines = (text: string): NameRow[] =>
  text.split(/\r?\n/).flatMap((line, i) => (line.trim() === '' ? [] : [{ row: i + 1, name: line.trim() }]));

function table(text: string): NameRow[] {
  type Columns = Partial<Record<'name' | 'size' | 'thread', string>>;
  const { data } = Papa.parse<Columns>(text, { header: true, skipEmptyLines: 'greedy', transformHeader: (h) => h.trim().toLowerCase() });
  return data.map(({ name = '', size, thread }, i) => ({
    row: i + 2,
    name: name.trim(),
    ...(size?.trim() ? { size: size.trim() } : {}),
    ...(thread?.trim() ? { thread: thread.trim() } : {}),
  }));
}

/** The height that a row asks for, mm. @throws InputError for one that is none */
export function sizeOfRow({ size }: Pick<NameRow, 'size'>): number | undefined {
  if (size === undefined) return undefined;
  const mm = Number(size);
  if (!(mm >= LETTER_HEIGHTS.min && mm <= LETTER_HEIGHTS.max))
    throw new InputError('bad-usage', `A size is a height from ${LETTER_HEIGHTS.min} to ${LETTER_HEIGHTS.max} mm, not ‘${size}’.`);
  return mm;
}

/** The colour that a row asks for: #rrggbb, or a cone's code. @throws InputError for what is neither */
export function hexOfRow({ thread }: Pick<NameRow, 'thread'>): string | undefined {
  if (thread === undefined || /^#[0-9a-f]{6}$/i.test(thread)) return thread;
  const cone = THREAD_CHART.find((t) => t.code.toLowerCase() === thread.toLowerCase());
  if (!cone) throw new InputError('bad-usage', `A thread is written as #rrggbb or as a cone's code, not ‘${thread}’.`);
  return cone.hex;
}

/** How names take the place of a text. */
export interface NamesFit {
  /** As high as the text is, or as wide as it is: then no name is higher than the text. */
  fit: 'height' | 'width';
}

/**
 * A job with a name in place of one of its texts, in the same place and thread unless the row says otherwise.
 * @throws InputError for names that cannot be set
 */
export function jobForName(job: Job, piece: string, row: NameRow, { fit }: NamesFit): Job {
  const slot = job.pieces.find((p) => p.id === piece);
  if (!slot?.lettering) throw new InputError('bad-usage', 'The text that is to hold the names is gone.');
  if (row.name === '') throw new InputError('bad-usage', 'The row has no name.');
  const lettering = named(slot.lettering, row, fit);
  const { missing, letters } = layOut(lettering);
  if (missing.length > 0) throw new InputError('bad-usage', `This face has no ${missing.map((c) => `‘${c}’`).join(', ')}.`);
  if (letters.length === 0) throw new InputError('bad-usage', 'There is nothing to sew in it.');
  const { width, height } = job.brief.hoop;
  const b = extentOf(lettering)!;
  if (Math.max(-b.minX, b.maxX) > width / 2 || Math.max(-b.minY, b.maxY) > height / 2)
    throw new InputError('too-big-for-hoop', 'It reaches out of the hoop: fit names to the width, or make them smaller.');
  const hex = hexOfRow(row);
  const { threads, id } = hex === undefined ? { threads: job.threads, id: slot.thread } : withThread(job.threads, { ...nearestThreads(hex)[0]!.thread, weight: 40 }); // prettier-ignore
  return {
    ...job,
    name: `${job.name}, ${row.name}`.slice(0, 200),
    threads,
    pieces: job.pieces.map((p) => (p.id === piece ? { ...p, name: nameOfText(row.name), thread: id, lettering } : p)),
  };
}

function named(slot: Lettering, row: NameRow, fit: NamesFit['fit']): Lettering {
  const text: Lettering = { ...slot, text: row.name };
  // What single letters had is the old text's.
  delete text.pairs;
  delete text.letters;
  const size = sizeOfRow(row);
  if (size !== undefined) return { ...text, height: size };
  if (fit === 'height') return text;
  const [room, b] = [extentOf(slot), extentOf(text)];
  if (!room || !b || b.maxX - b.minX <= room.maxX - room.minX) return text;
  return { ...text, height: heightForWidth(text, room.maxX - room.minX) };
}

/** What a name's file is called, without its extension: numbered, so that they lie in the order of the list. */
export function fileForName(name: string, i: number): string {
  const plain = name.normalize('NFD').replace(/\p{M}/gu, '').replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, ''); // prettier-ignore
  return `${String(i + 1).padStart(3, '0')}-${plain || 'name'}`.slice(0, 60);
}
