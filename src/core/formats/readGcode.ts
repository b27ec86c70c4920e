import { InputError } from '../document/errors';
import { FIELD_MM } from '../document/recordBounds';
import { Command, Role } from '../stitches/roles';
import { MOST_LISTED, MOST_LISTED_THREADS, StitchRows, type StitchList } from '../stitches/stitchList';
import { MM_PER_INCH } from '../units/length';
import type { MachineWords } from '../document/shop/profile';
import { DEFAULT_WORDS } from './gcode';

const refused = (why: string): InputError => new InputError('bad-stitches', `These motion words cannot be used: ${why}.`);
const WORD = /([A-Z])\s*([+-]?(?:\d+\.?\d*|\.\d+))/g;
/** No block is longer: what goes on and on is no line of words. */
const LONGEST_LINE = 400;

/** What the words said so far hold for those that come. */
interface Modal {
  x: number;
  y: number;
  unit: number;
  absolute: boolean;
  thread: string;
  ended: boolean;
}

/**
 * Reads motion words (ISO 6983) with the controller's own words for needle, cut and stop. What each stitch is for, and of which piece, is
 * not in them: all count as cover of one piece.
 * @throws InputError with one sentence that names the line
 */
export function readGcode(text: string, words: MachineWords = DEFAULT_WORDS): StitchList {
  const rows = new StitchRows();
  const modal: Modal = { x: 0, y: 0, unit: 1, absolute: true, thread: 'T1', ended: false };
  const lines = text.split(/\r?\n/);
  for (let i = 0; i < lines.length && !modal.ended; i++) {
    if (lines[i]!.length > LONGEST_LINE) throw refused(`line ${i + 1} is longer than ${LONGEST_LINE} signs`);
    const line = lines[i]!.replace(/\([^)]*\)|;.*$/g, '')
      .trim()
      .toUpperCase();
    if (line === '' || line === '%') continue;
    readBlock(rows, modal, { line, number: i + 1, words });
    if (rows.length > MOST_LISTED) throw refused(`they have more than ${MOST_LISTED.toLocaleString('en')} events`);
  }
  if (rows.length === 0) throw refused('they have no stitches');
  if (rows.threadCount > MOST_LISTED_THREADS) throw refused('they name too many threads');
  return rows.list();
}

function readBlock(rows: StitchRows, modal: Modal, { line, number, words }: { line: string; number: number; words: MachineWords }): void {
  if (line.replace(WORD, '').trim() !== '') throw refused(`line ${number} has ‘${line.slice(0, 30)}’, which is no word with a number`);
  const found = [...line.matchAll(WORD)].map(([, letter, value]) => ({
    letter: letter!,
    value: Number(value),
    word: `${letter}${Number(value)}`,
  }));
  const spoken = new Set(found.map((f) => f.word));
  if (spoken.has('G20')) modal.unit = MM_PER_INCH;
  if (spoken.has('G21')) modal.unit = 1;
  if (spoken.has('G90')) modal.absolute = true;
  if (spoken.has('G91')) modal.absolute = false;
  const tool = found.find((f) => f.letter === 'T');
  if (tool) modal.thread = tool.word;
  move(modal, found, number);
  if (spoken.has('G0')) put(rows, modal, Command.jump);
  if (spoken.has(wordOf(words.needle))) put(rows, modal, Command.stitch);
  if (spoken.has(wordOf(words.trim))) put(rows, modal, Command.trim);
  if (spoken.has(wordOf(words.stop))) put(rows, modal, Command.stop);
  if (spoken.has('M2') || spoken.has('M30')) {
    put(rows, modal, Command.end);
    modal.ended = true;
  }
}

/** A word in the one way in which it is compared: `M005` is `M5`. */
const wordOf = (word: string): string => {
  const match = /^([A-Z])\s*([+-]?\d*\.?\d+)$/i.exec(word.trim());
  return match ? `${match[1]!.toUpperCase()}${Number(match[2])}` : word;
};

function move(modal: Modal, found: readonly { letter: string; value: number }[], number: number): void {
  const to = (letter: string, now: number, sign: number): number => {
    const value = found.find((f) => f.letter === letter)?.value;
    if (value === undefined) return now;
    return modal.absolute ? sign * value * modal.unit : now + sign * value * modal.unit;
  };
  [modal.x, modal.y] = [to('X', modal.x, 1), to('Y', modal.y, -1)];
  if (!(Math.abs(modal.x) <= FIELD_MM && Math.abs(modal.y) <= FIELD_MM))
    throw refused(`line ${number} leads farther than ${FIELD_MM} mm from the middle`);
}

function put(rows: StitchRows, { x, y, thread }: Modal, command: number): void {
  const role = command === Command.stitch ? Role.cover : Role.travel;
  rows.push({ x, y: y === 0 ? 0 : y }, { command, role, piece: '', thread });
}
