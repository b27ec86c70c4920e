import type { Point } from '../geometry/point';
import { InputError } from '../document/errors';
import { Role } from './roles';
import { PLAN_LATTICE_MM } from '../units/tolerances';

/** Needle events in columns. `x`, `y` in mm; `command` and `role` as in roles.ts. */
export interface StitchColumns {
  x: Float32Array<ArrayBuffer>;
  y: Float32Array<ArrayBuffer>;
  command: Uint8Array<ArrayBuffer>;
  role: Uint8Array<ArrayBuffer>;
  /** Of a piece that has letters in other threads than its own: from which event on which thread is sewn. */
  threads?: readonly ThreadChange[];
}

export interface ThreadChange {
  at: number;
  /** Id of the thread; the piece's own where null. */
  thread: string | null;
}

/** Needle events of a whole job. */
export interface PlanColumns extends StitchColumns {
  /** Index into the job's pieces of each event. */
  piece: Uint16Array<ArrayBuffer>;
  /** Index into the job's threads of each event. */
  thread: Uint8Array<ArrayBuffer>;
}

const snap = (v: number): number => Math.fround(Math.round(v / PLAN_LATTICE_MM) * PLAN_LATTICE_MM);

/** The place where a penetration at `p` really lands in the plan. */
export const onLattice = (p: Point): Point => ({ x: snap(p.x), y: snap(p.y) });

/** Needle events of one piece: several times what a jacket back takes. */
const MOST_EVENTS = 500_000;

/** Memory that is emptier than this is not worth keeping. */
const LEAST_FULL = 0.8;

/** Collects needle events; grows by doubling. Coordinates are laid on the plan's lattice as they come in. */
export class StitchBuffer {
  private capacity = 256;
  private xs = new Float32Array(this.capacity);
  private ys = new Float32Array(this.capacity);
  private commands = new Uint8Array(this.capacity);
  private roles = new Uint8Array(this.capacity);
  private readonly changes: ThreadChange[] = [];
  length = 0;

  /** @param most about so many events at the most: what runs away ends there, with an InputError */
  constructor(private readonly most = MOST_EVENTS) {}

  /** Makes room for so many events in all. */
  reserve(events: number): void {
    if (events > this.capacity) this.widenTo(events);
  }

  /** Appends an event. A stitch onto the very hole before it is left out. */
  push(x: number, y: number, role: number, command = 0): void {
    const px = snap(x);
    const py = snap(y);
    const n = this.length;
    if (command === 0 && n > 0 && this.xs[n - 1] === px && this.ys[n - 1] === py && this.commands[n - 1] === 0) return;
    if (n === this.capacity) this.grow();
    this.xs[n] = px;
    this.ys[n] = py;
    this.commands[n] = command;
    this.roles[n] = role;
    this.length = n + 1;
  }

  /**
   * Appends the first stitch of something new, so that no stitch shorter than `leastMm` arises at the seam: a run
   * penetration that it would nearly hit is given up for it, one of cover stands for it.
   */
  pushClear(x: number, y: number, role: number, leastMm: number): void {
    const n = this.length;
    if (n > 1 && this.commands[n - 1] === 0 && this.commands[n - 2] === 0) {
      const dx = this.xs[n - 1]! - x;
      const dy = this.ys[n - 1]! - y;
      if (dx * dx + dy * dy < leastMm * leastMm) {
        if (this.roles[n - 1] === Role.cover) return;
        this.length = n - 1;
      }
    }
    this.push(x, y, role);
  }

  /** Appends events `from` up to, but without, `to` of columns whose coordinates lie on the lattice already. */
  append(of: StitchColumns, from: number, to: number): void {
    while (this.length + to - from > this.capacity) this.grow();
    this.xs.set(of.x.subarray(from, to), this.length);
    this.ys.set(of.y.subarray(from, to), this.length);
    this.commands.set(of.command.subarray(from, to), this.length);
    this.roles.set(of.role.subarray(from, to), this.length);
    this.length += to - from;
  }

  /** Where the needle stands; null before the first event. */
  last(): Point | null {
    const n = this.length;
    return n === 0 ? null : { x: this.xs[n - 1]!, y: this.ys[n - 1]! };
  }

  /** Place of the last event as plain numbers; there must be one. */
  lastX(): number {
    return this.xs[this.length - 1]!;
  }

  lastY(): number {
    return this.ys[this.length - 1]!;
  }

  /** Command of an event counted from the end (-1 is the last); -1 when there is none. */
  commandAt(fromEnd: number): number {
    const i = this.length + fromEnd;
    return i >= 0 ? this.commands[i]! : -1;
  }

  /** Place of an event counted from the end; null when there is none. */
  pointAt(fromEnd: number): Point | null {
    const i = this.length + fromEnd;
    return i >= 0 ? { x: this.xs[i]!, y: this.ys[i]! } : null;
  }

  /** Moves penetrations of a role, from event `from` on, to where `to` says; null leaves one where it is. */
  move(from: number, role: number, to: (p: Point) => Point | null): void {
    for (let i = from; i < this.length; i++) {
      if (this.roles[i] !== role || this.commands[i] !== 0) continue;
      const p = to({ x: this.xs[i]!, y: this.ys[i]! });
      if (p) [this.xs[i], this.ys[i]] = [snap(p.x), snap(p.y)];
    }
  }

  /** Leaves out some events, by their indices. */
  leaveOut(events: ReadonlySet<number>): void {
    if (events.size === 0) return;
    let n = 0;
    const kept = new Int32Array(this.length + 1);
    for (let i = 0; i < this.length; i++) {
      kept[i] = n;
      if (events.has(i)) continue;
      [this.xs[n], this.ys[n]] = [this.xs[i]!, this.ys[i]!];
      [this.commands[n], this.roles[n]] = [this.commands[i]!, this.roles[i]!];
      n++;
    }
    kept[this.length] = n;
    for (const change of this.changes) change.at = kept[change.at]!;
    this.length = n;
  }

  /** What is appended from here on is sewn in this thread; in the piece's own where it is null. */
  threadFrom(thread: string | null): void {
    this.changes.push({ at: this.length, thread });
  }

  columns(): StitchColumns {
    return this.changes.length === 0 ? this.since(0) : { ...this.since(0), threads: this.changes.slice() };
  }

  /** Copies of the events from `from` on. */
  since(from: number): StitchColumns {
    const n = this.length;
    return { x: this.xs.slice(from, n), y: this.ys.slice(from, n), command: this.commands.slice(from, n), role: this.roles.slice(from, n) };
  }

  /** The events, in the buffer's own memory where little of it is empty: nothing may be appended any more. */
  given(): StitchColumns {
    const n = this.length;
    if (n < this.capacity * LEAST_FULL) return this.columns();
    return {
      x: this.xs.subarray(0, n),
      y: this.ys.subarray(0, n),
      command: this.commands.subarray(0, n),
      role: this.roles.subarray(0, n),
    };
  }

  private grow(): void {
    if (this.capacity >= this.most)
      throw new InputError('too-complex', 'it would have more stitches than any machine holds; make it smaller or its rows wider apart');
    this.widenTo(2 * this.capacity);
  }

  private widenTo(capacity: number): void {
    this.capacity = capacity;
    const wider = <T extends Float32Array | Uint8Array>(from: T, to: T): T => {
      to.set(from);
      return to;
    };
    this.xs = wider(this.xs, new Float32Array(this.capacity));
    this.ys = wider(this.ys, new Float32Array(this.capacity));
    this.commands = wider(this.commands, new Uint8Array(this.capacity));
    this.roles = wider(this.roles, new Uint8Array(this.capacity));
  }
}
