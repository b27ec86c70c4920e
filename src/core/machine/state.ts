import type { Hoop } from '../document/types';
import type { MachineProfile } from '../document/shop/profile';
import type { MachineJob } from './jobFile';

/** What the operator set. */
export interface MachineSetup {
  hoop: Hoop;
  /** Stitches a minute. */
  speed: number;
  /** Machine seconds that pass in one real second: a stand-in need not take an hour. */
  timeLapse: number;
  /** What the machine's needles carry, first needle first; an empty name is a needle without thread. */
  needles: string[];
  /** Stitches until the bobbin is empty. */
  bobbinStitches: number;
  /** Threads break by chance: so many in ten thousand stitches, the same for the same seed. */
  breaks: { perTenThousand: number; seed: number };
}

export const FAULTS = ['thread-break', 'bobbin-end', 'needle-strike'] as const;
export type Fault = (typeof FAULTS)[number];

/** Something that happened to a machine; its state is what all of them come to. Times `t` in ms of machine time since it was set up. */
export type Entry =
  | { what: 'setup'; t: number; setup: MachineSetup }
  | { what: 'loaded'; t: number; name: string; stitches: number; events: number }
  | { what: 'unloaded'; t: number }
  | { what: 'traced'; t: number }
  | { what: 'started'; t: number; at: number }
  | { what: 'paused'; t: number; at: number }
  /** Events from the first up to, but without, the second were done in this order, once. */
  | { what: 'sewn'; t: number; from: number; to: number }
  /** The machine stands at the first event of a stretch whose thread is on no needle, or waits for cloth or foam. */
  | { what: 'waits'; t: number; at: number; thread: string; for: 'thread' | 'hand' }
  /** Needle down with no thread: these stitches are to be sewn again. */
  | { what: 'broke'; t: number; fault: Fault; at: number; noticed: number }
  | { what: 'mended'; t: number; fault: Fault }
  /** The operator went to an event: back, so that what follows is sewn a second time, or on, so that it is left out. */
  | { what: 'moved'; t: number; from: number; to: number }
  | { what: 'power-off'; t: number; at: number }
  | { what: 'power-on'; t: number; at: number }
  | { what: 'done'; t: number };

export const CONDITIONS = ['empty', 'loaded', 'ready', 'sewing', 'paused', 'waiting', 'faulty', 'off', 'done'] as const;
export type Condition = (typeof CONDITIONS)[number];

export interface MachineState {
  id: string;
  profile: MachineProfile;
  setup: MachineSetup;
  condition: Condition;
  job: MachineJob | null;
  /** The next event to be done. */
  next: number;
  /** The furthest that was ever reached: what lies behind has been sewn. */
  reached: number;
  t: number;
  fault: Fault | null;
  /** What it waits for. */
  waitsFor: { thread: string; for: 'thread' | 'hand' } | null;
  bobbinLeft: number;
  traced: boolean;
  /** Of the entries of this job, the first one. */
  entries: Entry[];
  /** What is left of the present event's own time, ms: a cut or stop may take longer than one tick. */
  owed: number;
}

const isSewn = (e: Entry | undefined): e is Extract<Entry, { what: 'sewn' }> => e?.what === 'sewn';

/** Keeps an entry among those of the job; one that goes on where the last one ended lengthens it. */
export function kept(entries: readonly Entry[], entry: Entry): Entry[] {
  const last = entries[entries.length - 1];
  if (isSewn(entry) && isSewn(last) && last.to === entry.from) return [...entries.slice(0, -1), { ...last, to: entry.to, t: entry.t }];
  return [...entries, entry];
}

/** A machine that was just set up. */
export function freshMachine(id: string, profile: MachineProfile, setup: MachineSetup): MachineState {
  return {
    ...{ id, profile, setup, condition: 'empty', job: null, next: 0, reached: 0, t: 0, fault: null, waitsFor: null },
    ...{ bobbinLeft: setup.bobbinStitches, traced: false, entries: [], owed: 0 },
  };
}
