import { stage } from './stage';
import { say } from './say';
import { basename, extname } from 'node:path';
import { InputError } from '../core/document/errors';
import { writeCsv } from '../core/formats/csv';
import { Planner } from '../core/plan/planner';
import { readBytes, writeAll } from './files';
import { load } from './load';
import { askMachine, machineEvents, sendToMachine, type MachineTold } from './machineClient';
import { readMachineArgs, type MachineArgs } from './machineArgs';

const tell = (status: MachineTold): string => {
  const { job } = status;
  const done = job
    ? ` ${job.sewn} of ${job.stitches} stitches, stop ${job.stop} of ${job.stops}, ${job.minutes_left.toFixed(1)} min left.`
    : '';
  return `${status.name}: ${status.says}${done}\n`;
};

/** `bin/cobble machine`: sends a job to a machine, and works its buttons. */
export async function machineCommand(argv: readonly string[]): Promise<number> {
  const args = readMachineArgs(argv);
  if (args.action === 'send') return send(args);
  if (args.action === 'log') {
    const log = JSON.stringify(await askMachine(args.to, { path: '/log' }), null, 1) + '\n';
    if (args.report === undefined) say(log);
    else writeAll([{ path: args.report, content: log }]);
    return 0;
  }
  const status = (await askMachine(args.to, args.action === 'status' ? {} : { ask: { do: args.action } })) as MachineTold;
  say(tell(status));
  return 0;
}

async function send(args: MachineArgs): Promise<number> {
  const file = await jobFileOf(args.file!);
  say(tell(await sendToMachine(args.to, file)));
  if (!args.start) return 0;
  await askMachine(args.to, { ask: { do: 'trace' } });
  say(tell((await askMachine(args.to, { ask: { do: 'start' } })) as MachineTold));
  return args.watch ? watch(args.to) : 0;
}

const RESTS: readonly string[] = ['done', 'waiting', 'faulty', 'paused', 'off', 'empty'];

/** Follows it until it rests; a connection that is lost is taken up again. @returns 1 when it rests before the job is done */
async function watch(to: string): Promise<number> {
  let last = -1;
  for await (const status of machineEvents(to)) {
    const share = status.job ? Math.floor((20 * status.job.sewn) / status.job.stitches) : 0;
    const rests = RESTS.includes(status.condition);
    if (share !== last || rests) say(tell(status));
    last = share;
    if (rests) return status.condition === 'done' ? 0 : 1;
  }
  return 1;
}

/** A stitch list or motion words as they are; anything else is planned first. */
async function jobFileOf(path: string): Promise<{ name: string; type: string; body: Uint8Array | string }> {
  const name = basename(path, extname(path));
  const end = extname(path).toLowerCase();
  if (end === '.csv') return { name, type: 'text/csv', body: readBytes(path) };
  if (end === '.gcode') return { name, type: 'text/plain', body: readBytes(path) };
  if (end !== '.cobble' && end !== '.json')
    throw new InputError('bad-usage', `A machine takes .csv or .gcode, and jobs as .cobble or .json, not ‘${basename(path)}’.`);
  const { job } = await load({ input: path });
  const threads = job.threads.map((t) => t.id);
  return { name: job.name, type: 'text/csv', body: writeCsv(new Planner().plan(job, stage('Laying the stitches')), threads) };
}
