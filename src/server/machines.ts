import { InputError } from '../core/document/errors';
import { advance } from '../core/machine/advance';
import { decide, taken, type Asked } from '../core/machine/command';
import { happen } from '../core/machine/happen';
import { readJob, type MachineFormat } from '../core/machine/jobFile';
import { SHIPPED_MACHINES, usualSetup } from '../core/machine/shipped';
import { freshMachine, type Entry, type MachineState } from '../core/machine/state';
import { statusOf, type MachineStatus } from '../core/machine/status';
import type { MachineProfile } from '../core/document/shop/profile';
import { Journals } from './journal';

const TICK_MS = 100;
/** A clock that stood still does not make the machine sew what it missed. */
const LONGEST_TICK_MS = 1000;
export const MOST_MACHINES = 24;
const MOST_LISTENERS = 24;

interface Held {
  state: MachineState;
  /** Of its journal. */
  number: number;
  listeners: Set<(status: MachineStatus) => void>;
}

/** The simulated machines of this server. */
export class Machines {
  private readonly held = new Map<string, Held>();
  private readonly journals: Journals;
  private timer: ReturnType<typeof setInterval> | null = null;
  private last = 0;

  /** @param folder what the machines remember */
  constructor(folder: string) {
    this.journals = new Journals(folder);
    for (const { state, number } of this.journals.remembered()) {
      this.held.set(state.id, { state, number, listeners: new Set() });
      if (state.condition === 'sewing') this.note(state.id, switchedOffAndOn(state));
    }
    if (this.held.size === 0) for (const { id, profile } of SHIPPED_MACHINES) this.put(id, profile);
  }

  list(): MachineStatus[] {
    return [...this.held.values()].map((h) => statusOf(h.state)).sort((a, b) => (a.id < b.id ? -1 : 1));
  }

  state(id: string): MachineState {
    return this.of(id).state;
  }

  /** Sets up a machine of this profile; one that is there keeps its name only. @throws InputError when it works, or there are too many */
  put(id: string, profile: MachineProfile): MachineStatus {
    const before = this.held.get(id);
    if (before?.state.job) throw new InputError('bad-machine', 'This machine has a job in it; take it out before changing the machine.');
    if (!before && this.held.size >= MOST_MACHINES) throw new InputError('bad-machine', `There are ${MOST_MACHINES} machines already.`);
    const state = freshMachine(id, profile, usualSetup(profile));
    const number = (before?.number ?? 0) + 1;
    this.journals.begin(state, number, []);
    this.held.set(id, { state, number, listeners: before?.listeners ?? new Set() });
    this.tell(id);
    return statusOf(state);
  }

  remove(id: string): void {
    if (this.of(id).state.condition === 'sewing') throw new InputError('bad-machine', 'The machine sews; pause it first.');
    this.journals.forget(id, null);
    this.held.delete(id);
  }

  /** Takes a job in. @throws InputError that says what is wrong with it, or does not fit */
  load(id: string, sent: { name: string; format: MachineFormat; text: string }): MachineStatus {
    const held = this.of(id);
    const job = readJob(sent.text, { ...sent, words: held.state.profile.words });
    const entries = taken(held.state, job);
    this.journals.begin(held.state, held.number + 1, entries, sent);
    held.number++;
    for (const entry of entries) held.state = happen(held.state, entry, job);
    this.tell(id);
    return statusOf(held.state);
  }

  unload(id: string): MachineStatus {
    const held = this.of(id);
    if (held.state.condition === 'sewing') throw new InputError('bad-machine', 'The machine sews; pause it first.');
    const state = happen(held.state, { what: 'unloaded', t: held.state.t });
    this.journals.begin(state, held.number + 1, []);
    held.number++;
    held.state = { ...state, entries: [] };
    this.tell(id);
    return statusOf(held.state);
  }

  ask(id: string, asked: Asked): MachineStatus {
    this.note(id, decide(this.of(id).state, asked));
    if (this.of(id).state.condition === 'sewing') this.run();
    return statusOf(this.of(id).state);
  }

  /** @returns how to stop listening */
  listen(id: string, listener: (status: MachineStatus) => void): () => void {
    const { listeners } = this.of(id);
    if (listeners.size >= MOST_LISTENERS) throw new InputError('bad-machine', 'Too many pages listen to this machine; close some.');
    listeners.add(listener);
    return () => listeners.delete(listener);
  }

  /** Lets no more time pass: what stands in the journals stays. */
  close(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
  }

  private of(id: string): Held {
    const held = this.held.get(id);
    if (!held) throw new InputError('no-machine', `There is no machine ‘${id.slice(0, 40)}’.`);
    return held;
  }

  /** First into the journal, then into the state: what is not written did not happen. */
  private note(id: string, entries: readonly Entry[]): void {
    if (entries.length === 0) return;
    const held = this.of(id);
    this.journals.append(id, held.number, entries);
    for (const entry of entries) held.state = happen(held.state, entry);
    this.tell(id);
  }

  private tell(id: string): void {
    const { listeners, state } = this.of(id);
    if (listeners.size === 0) return;
    const status = statusOf(state);
    for (const listener of listeners) listener(status);
  }

  private run(): void {
    if (this.timer) return;
    this.last = performance.now();
    this.timer = setInterval(() => this.tick(), TICK_MS);
  }

  private tick(): void {
    const now = performance.now();
    const ms = Math.min(LONGEST_TICK_MS, now - this.last);
    this.last = now;
    let sewing = false;
    for (const [id, held] of this.held) {
      if (held.state.condition !== 'sewing') continue;
      sewing = true;
      this.pass(id, held, ms);
    }
    if (sewing || !this.timer) return;
    clearInterval(this.timer);
    this.timer = null;
  }

  private pass(id: string, held: Held, ms: number): void {
    const { state, entries } = advance(held.state, ms * held.state.setup.timeLapse);
    try {
      this.journals.append(id, held.number, entries);
    } catch {
      // Nothing that could not be written was sewn: it is tried again at the next tick.
      return;
    }
    held.state = state;
    if (entries.length > 0) this.tell(id);
  }
}

/** A machine that sewed when its server went away stood still since: it waits for its operator. */
const switchedOffAndOn = ({ t, next }: MachineState): Entry[] => [
  { what: 'power-off', t, at: next },
  { what: 'power-on', t, at: next },
];
