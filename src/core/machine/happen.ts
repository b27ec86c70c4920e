import { Command } from '../stitches/roles';
import type { MachineJob } from './jobFile';
import { kept, type Entry, type MachineState } from './state';

/**
 * A machine's state after something happened to it. The state is nothing but all entries in their order, so a machine that reads its
 * journal again stands exactly where it stood.
 * @param job what a `loaded` entry put in
 */
export function happen(state: MachineState, entry: Entry, job: MachineJob | null = state.job): MachineState {
  const next = { ...changed(state, entry, job), t: entry.t };
  return entry.what === 'setup' ? next : { ...next, entries: kept(entry.what === 'loaded' ? [] : state.entries, entry) };
}

function changed(state: MachineState, entry: Entry, job: MachineJob | null): MachineState {
  switch (entry.what) {
    case 'setup':
      return { ...state, setup: entry.setup, bobbinLeft: Math.min(state.bobbinLeft, entry.setup.bobbinStitches) };
    case 'loaded':
      return { ...state, condition: 'loaded', job, next: 0, reached: 0, fault: null, waitsFor: null, traced: false, owed: 0 };
    case 'unloaded':
      return { ...state, condition: 'empty', job: null, next: 0, reached: 0, fault: null, waitsFor: null, traced: false, owed: 0 };
    case 'traced':
      return { ...state, traced: true, condition: state.condition === 'loaded' ? 'ready' : state.condition };
    case 'started':
      return { ...state, condition: 'sewing', waitsFor: null };
    case 'paused':
      return { ...state, condition: 'paused' };
    case 'sewn':
      return sewn(state, entry.from, entry.to);
    case 'waits':
      return { ...state, condition: 'waiting', waitsFor: { thread: entry.thread, for: entry.for } };
    case 'broke':
      return { ...state, condition: 'faulty', fault: entry.fault, next: entry.at, owed: 0 };
    case 'mended':
      return {
        ...state,
        condition: 'paused',
        fault: null,
        bobbinLeft: entry.fault === 'bobbin-end' ? state.setup.bobbinStitches : state.bobbinLeft,
      };
    case 'moved':
      return { ...state, next: entry.to, condition: 'paused', owed: 0 };
    case 'power-off':
      return { ...state, condition: 'off', next: entry.at, owed: 0 };
    case 'power-on':
      return { ...state, condition: awake(state), next: entry.at };
    case 'done':
      return { ...state, condition: 'done' };
  }
}

/** What a machine that is switched on again is: it stands where it stood, and sews only when it is told to. */
function awake({ job, fault, traced, next }: MachineState): MachineState['condition'] {
  if (!job) return 'empty';
  if (fault) return 'faulty';
  if (next >= job.list.x.length) return 'done';
  return next > 0 ? 'paused' : traced ? 'ready' : 'loaded';
}

function sewn(state: MachineState, from: number, to: number): MachineState {
  const command = state.job!.list.command;
  let stitches = 0;
  for (let i = from; i < to; i++) if (command[i] === Command.stitch) stitches++;
  return { ...state, next: to, reached: Math.max(state.reached, to), bobbinLeft: state.bobbinLeft - stitches };
}
