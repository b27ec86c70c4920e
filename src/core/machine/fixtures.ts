import { writeCsv } from '../formats/csv';
import { patch } from '../production/fixtures';
import { DEFAULT_PROFILE, type MachineProfile } from '../document/shop/profile';
import { Command } from '../stitches/roles';
import { decide, taken, type Asked } from './command';
import { happen } from './happen';
import { readJob, type MachineJob } from './jobFile';
import { usualSetup } from './shipped';
import { freshMachine, type Entry, type MachineState } from './state';

const made = patch();
/** A made-up patch as a file for a machine. */
export const PATCH_CSV = writeCsv(
  made.plan,
  made.job.threads.map((t) => t.id),
);
export const PATCH = made;

export const jobIn = (csv = PATCH_CSV): MachineJob => readJob(csv, { format: 'csv', name: 'Patch', words: DEFAULT_PROFILE.words });

/** A machine with the patch in it, its outline traced, threads on its needles. */
export function readyMachine(job = jobIn(), over: Partial<MachineProfile> = {}, needles = job.list.threads): MachineState {
  const profile = { ...DEFAULT_PROFILE, needles: 6, ...over };
  let state = freshMachine('m', profile, { ...usualSetup(profile), needles });
  for (const entry of taken(state, job)) state = happen(state, entry, job);
  return asked(state, { do: 'trace' });
}

export const asked = (state: MachineState, what: Asked): MachineState => decide(state, what).reduce((s, e) => happen(s, e), state);

/** How often each event of a job was sewn, and whether in order, told from its log alone. */
export function sewnTimes(entries: readonly Entry[], events: number): { times: Uint8Array; inOrder: boolean } {
  const times = new Uint8Array(events);
  let [last, inOrder] = [-1, true];
  for (const e of entries) {
    if (e.what !== 'sewn') continue;
    for (let i = e.from; i < e.to; i++) {
      times[i]!++;
      if (i !== last + 1) inOrder = false;
      last = i;
    }
  }
  return { times, inOrder };
}

export const stitchesIn = (job: MachineJob): number => job.list.command.reduce((n, c) => n + (c === Command.stitch ? 1 : 0), 0);
