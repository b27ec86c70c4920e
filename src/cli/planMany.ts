import { say, unitsAsked } from './say';
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { basename, extname, join } from 'node:path';
import type { PlanArgs } from './args';
import { formatsOf } from './outFormats';

type Many = NonNullable<PlanArgs['many']>;

/** Each input with the files that it is to become: named after it, numbered where two have one name. */
export function outputsOf({ inputs, dir, as }: Pick<Many, 'inputs' | 'dir' | 'as'>): { input: string; out: string[] }[] {
  const taken = new Map<string, number>();
  return inputs.map((input) => {
    const stem = basename(input, extname(input));
    const count = (taken.get(stem) ?? 0) + 1;
    taken.set(stem, count);
    const name = count === 1 ? stem : `${stem}-${count}`;
    return { input, out: as.map((extension) => join(dir, `${name}.${extension}`)) };
  });
}

interface Ended {
  code: number;
  said: string;
  told: string;
}

/** One input in a process of its own: what breaks there breaks nothing else. */
const planOne = (input: string, out: readonly string[], options: readonly string[]): Promise<Ended> =>
  new Promise((done) => {
    const units = unitsAsked();
    const words = ['plan', ...(units ? [`--units=${units}`] : []), ...options, ...out.map((o) => `--out=${o}`), '--', input];
    const child = spawn(process.execPath, [...process.execArgv, process.argv[1]!, ...words], { stdio: ['ignore', 'pipe', 'pipe'] });
    let [said, told] = ['', ''];
    child.stdout.on('data', (data) => (said += String(data)));
    child.stderr.on('data', (data) => (told += String(data)));
    child.on('error', (error) => done({ code: 2, said: '', told: error.message }));
    child.on('close', (code) => done({ code: code ?? 2, said, told }));
  });

/** Plans several inputs at once on all cores. One that cannot be planned is named and the rest done. @returns 2 when one failed */
export async function planMany(many: Many): Promise<number> {
  const work = outputsOf(many);
  formatsOf(work[0]!.out);
  mkdirSync(many.dir, { recursive: true });
  let [begun, ended, failed] = [0, 0, 0];
  const worker = async (): Promise<void> => {
    for (let next = work[begun++]; next; next = work[begun++]) {
      const { code, said, told } = await planOne(next.input, next.out, many.options);
      ended++;
      if (code !== 0) failed++;
      if (process.stderr.isTTY) process.stderr.write(`\r\x1b[K`);
      if (code === 0) say(`${next.input}: ${said}`);
      else process.stderr.write(`cobble: ${next.input}: ${told.replace(/^cobble: /, '').trim()}\n`);
      if (process.stderr.isTTY && ended < work.length) process.stderr.write(`${ended} of ${work.length}`);
    }
  };
  await Promise.all(Array.from({ length: Math.min(work.length, availableParallelism()) }, worker));
  if (failed > 0) process.stderr.write(`cobble: ${failed} of ${work.length} could not be planned.\n`);
  return failed > 0 ? 2 : 0;
}
