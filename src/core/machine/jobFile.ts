import { InputError } from '../document/errors';
import { readCsv } from '../formats/readCsv';
import { readGcode } from '../formats/readGcode';
import type { MachineWords } from '../document/shop/profile';
import { Command } from '../stitches/roles';
import type { StitchList } from '../stitches/stitchList';

/** Formats that the machine reads, by the ends of their files' names. */
export const MACHINE_FORMATS = ['csv', 'gcode'] as const;
export type MachineFormat = (typeof MACHINE_FORMATS)[number];

/** What may be sent to a machine, bytes. */
export const MOST_JOB_BYTES = 40_000_000;

/** One stretch of a job that is sewn without a stop. */
export interface JobStretch {
  /** Its first event, and the one after its last. */
  from: number;
  to: number;
  /** What the file calls its thread. */
  thread: string;
}

/** A job as the machine holds it. */
export interface MachineJob {
  name: string;
  list: StitchList;
  stretches: JobStretch[];
  stitches: number;
  trims: number;
  box: { minX: number; minY: number; maxX: number; maxY: number };
}

/**
 * Reads a job file.
 * @throws InputError with one sentence for people
 */
export function readJob(text: string, { format, name, words }: { format: MachineFormat; name: string; words: MachineWords }): MachineJob {
  if (text.length > MOST_JOB_BYTES)
    throw new InputError('too-large', `This file is larger than ${MOST_JOB_BYTES / 1e6} MB; no machine holds so much.`);
  const list = format === 'csv' ? readCsv(text) : readGcode(text, words);
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  let [stitches, trims] = [0, 0];
  for (let i = 0; i < list.x.length; i++) {
    if (list.command[i] === Command.trim) trims++;
    if (list.command[i] !== Command.stitch) continue;
    stitches++;
    box.minX = Math.min(box.minX, list.x[i]!);
    box.maxX = Math.max(box.maxX, list.x[i]!);
    box.minY = Math.min(box.minY, list.y[i]!);
    box.maxY = Math.max(box.maxY, list.y[i]!);
  }
  if (stitches === 0) throw new InputError('bad-stitches', 'This file has no stitches.');
  return { name, list, stretches: stretchesOf(list), stitches, trims, box };
}

function stretchesOf(list: StitchList): JobStretch[] {
  const out: JobStretch[] = [];
  let from = 0;
  for (let i = 0; i < list.x.length; i++) {
    const last = i + 1 === list.x.length;
    if (list.command[i] !== Command.stop && !last) continue;
    const thread = threadOf(list, from, i + 1);
    if (thread !== null) out.push({ from, to: i + 1, thread });
    else if (out.length > 0) out[out.length - 1]!.to = i + 1;
    from = i + 1;
  }
  if (out[0]) out[0].from = 0;
  return out;
}

function threadOf(list: StitchList, from: number, to: number): string | null {
  for (let i = from; i < to; i++) if (list.command[i] === Command.stitch) return list.threads[list.thread[i]!]!;
  return null;
}
