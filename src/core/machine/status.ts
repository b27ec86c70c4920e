import type { MachineProfile } from '../document/shop/profile';
import { Command } from '../stitches/roles';
import { eventMs, stretchAt } from './advance';
import { FAULT_WORDS } from './command';
import type { MachineState } from './state';

/** What a machine tells of itself: plain data, snake_case. */
export interface MachineStatus {
  id: string;
  name: string;
  condition: MachineState['condition'];
  /** One sentence for people. */
  says: string;
  hoop: { width: number; height: number; shape: string };
  speed: number;
  time_lapse: number;
  needles: string[];
  profile: MachineProfile;
  traced: boolean;
  fault: MachineState['fault'];
  bobbin_left: number;
  job: JobStatus | null;
}

export interface JobStatus {
  name: string;
  stitches: number;
  events: number;
  /** Events done, and stitches among them. */
  next: number;
  sewn: number;
  at: { x: number; y: number } | null;
  /** The present stretch between stops, from 1, and how many there are. */
  stop: number;
  stops: number;
  thread: string;
  needle: number | null;
  minutes_left: number;
}

const SAYS: Partial<Record<MachineState['condition'], string>> = {
  empty: 'Waits for a job.',
  loaded: 'Trace the hoop’s outline before the first run.',
  ready: 'Traced; ready to start.',
  sewing: 'Sews. Keep fingers away from the needle.',
  paused: 'Paused.',
  off: 'Switched off.',
  done: 'Done.',
};

export function statusOf(state: MachineState): MachineStatus {
  const { setup, profile, condition } = state;
  return {
    ...{ id: state.id, name: profile.name, condition, says: sentence(state) },
    hoop: { ...setup.hoop },
    ...{ speed: setup.speed, time_lapse: setup.timeLapse, needles: setup.needles.slice(), profile },
    ...{ traced: state.traced, fault: state.fault, bobbin_left: state.bobbinLeft },
    job: state.job ? jobStatus(state) : null,
  };
}

function sentence({ condition, fault, waitsFor }: MachineState): string {
  if (condition === 'faulty') return `${FAULT_WORDS[fault!]} Mend it, then resume.`;
  if (condition === 'waiting')
    return waitsFor!.for === 'hand'
      ? 'Waits for a hand: lay on or cut away what the worksheet says, then resume.'
      : `Waits for thread ${waitsFor!.thread}: put it on, then resume.`;
  return SAYS[condition]!;
}

function jobStatus(state: MachineState): JobStatus {
  const job = state.job!;
  const { list, stretches } = job;
  const stop = stretchAt(state, Math.min(state.next, list.x.length - 1));
  const thread = stretches[stop]!.thread;
  let [sewn, ms] = [0, 0];
  for (let i = 0; i < list.command.length; i++) {
    if (i >= state.next) ms += eventMs(list.command[i]!, state.setup.speed);
    else if (list.command[i] === Command.stitch) sewn++;
  }
  const last = state.next - 1;
  const needle = state.setup.needles.indexOf(thread);
  return {
    ...{ name: job.name, stitches: job.stitches, events: list.x.length, next: state.next, sewn },
    at: last >= 0 ? { x: list.x[last]!, y: list.y[last]! } : null,
    ...{ stop: stop + 1, stops: stretches.length, thread, needle: needle < 0 ? null : needle + 1 },
    minutes_left: Math.round(ms / 600) / 100,
  };
}

/** What happened to the job, for a sew-out to take in: plain data. */
export function logOf(state: MachineState) {
  return {
    cobbleMachineLog: 1,
    machine: { id: state.id, name: state.profile.name, speed: state.setup.speed, hoop: { ...state.setup.hoop } },
    job: state.job
      ? { name: state.job.name, stitches: state.job.stitches, events: state.job.list.x.length, threads: state.job.list.threads }
      : null,
    condition: state.condition,
    minutes: Math.round(state.t / 600) / 100,
    breaks: state.entries.filter((e) => e.what === 'broke').length,
    entries: state.entries,
  };
}
