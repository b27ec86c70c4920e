import { SECONDS_PER_CHANGE, SECONDS_PER_TRIM } from '../route/seconds';
import { Command } from '../stitches/roles';
import { random } from '../units/random';
import { happen } from './happen';
import type { JobStretch } from './jobFile';
import type { Entry, Fault, MachineState } from './state';

/** Stitches that are made before a machine notices that its thread is gone. */
const NOTICED_AFTER = 4;

/** Machine time of one event, ms. */
export const eventMs = (command: number, stitchesPerMinute: number): number =>
  command === Command.stitch
    ? 60_000 / stitchesPerMinute
    : command === Command.trim
      ? SECONDS_PER_TRIM * 1000
      : command === Command.stop
        ? SECONDS_PER_CHANGE * 1000
        : 0;

/** The stretch that an event belongs to. */
export const stretchAt = (state: MachineState, event: number): number =>
  state.job
    ? Math.max(
        0,
        state.job.stretches.findIndex((s) => event < s.to),
      )
    : 0;

/**
 * Lets machine time pass.
 * @param ms of machine time
 * @returns what happened in it, and the state after it
 */
export function advance(state: MachineState, ms: number): { state: MachineState; entries: Entry[] } {
  const entries: Entry[] = [];
  let now = state;
  let left = ms;
  const add = (entry: Entry): void => {
    entries.push(entry);
    now = happen(now, entry);
  };
  while (now.condition === 'sewing' && now.job) {
    const { job } = now;
    if (now.next >= job.list.x.length) add({ what: 'done', t: now.t });
    else {
      const wait = waitBefore(now);
      if (wait) add({ what: 'waits', t: now.t, at: now.next, ...wait });
      else {
        const done = sewSome(now, left);
        left = done.left;
        if (done.to > now.next) add({ what: 'sewn', t: done.t, from: now.next, to: done.to });
        now = { ...now, t: done.t, owed: done.owed };
        if (done.fault) add(brokenAt(now, done.fault));
        else if (left <= 0 && now.next < job.list.x.length) break;
      }
    }
  }
  return { state: now, entries };
}

/** Sews until the time is over, the stretch ends, or something breaks. */
function sewSome(state: MachineState, ms: number): { to: number; left: number; t: number; owed: number; fault: Fault | null } {
  const { list } = state.job!;
  const until = state.job!.stretches[stretchAt(state, state.next)]!.to;
  let [to, left, bobbin, owed] = [state.next, ms, state.bobbinLeft, state.owed];
  const at = (fault: Fault | null) => ({ to, left, t: state.t + (ms - left), owed, fault });
  while (to < until) {
    const command = list.command[to]!;
    if (command === Command.stitch && bobbin <= 0) return at('bobbin-end');
    if (command === Command.stitch && breaksAt(state, to)) return at('thread-break');
    const cost = owed > 0 ? owed : eventMs(command, state.setup.speed);
    if (cost > left) {
      owed = cost - left;
      left = 0;
      return at(null);
    }
    left -= cost;
    owed = 0;
    to++;
    if (command === Command.stitch) bobbin--;
  }
  return at(null);
}

/** A thread that breaks by chance does so at the same stitch of the same job each time, but not again where it was just mended. */
function breaksAt({ setup, reached, entries }: MachineState, event: number): boolean {
  const { perTenThousand, seed } = setup.breaks;
  if (perTenThousand <= 0 || event < reached || random(seed * 1_000_003 + event)() * 10_000 >= perTenThousand) return false;
  return !entries.some((e) => e.what === 'broke' && e.at === event);
}

/** What a fault leaves: the machine noticed it some stitches later, and goes back to where it happened. */
export function brokenAt(state: MachineState, fault: Fault): Entry {
  const { list } = state.job!;
  let noticed = state.next;
  if (fault !== 'needle-strike')
    for (let k = 0; k < NOTICED_AFTER && noticed < list.x.length && list.command[noticed] === Command.stitch; k++) noticed++;
  return { what: 'broke', t: state.t, fault, at: state.next, noticed };
}

/** What the machine must be given before it can go on: a thread that is on no needle, or a hand where the thread stays. */
function waitBefore(state: MachineState): { thread: string; for: 'thread' | 'hand' } | null {
  const index = stretchAt(state, state.next);
  const stretch = state.job!.stretches[index]!;
  const last = state.entries[state.entries.length - 1];
  if (stretch.from !== state.next || last?.what === 'started') return null;
  const before: JobStretch | undefined = state.job!.stretches[index - 1];
  if (before?.thread === stretch.thread) return { thread: stretch.thread, for: 'hand' };
  return before && !state.setup.needles.includes(stretch.thread) ? { thread: stretch.thread, for: 'thread' } : null;
}
