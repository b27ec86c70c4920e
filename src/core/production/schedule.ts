import { random } from '../units/random';

/** A job that waits for a machine. Times in minutes of working time from the beginning of the plan. */
export interface QueuedJob {
  id: string;
  name: string;
  /** When it is due; Infinity where no day is named. */
  due: number;
  /** What is alike needs no new setting up: cloth, needle and threads. */
  setting: string;
}

export interface QueueMachine {
  id: string;
  name: string;
}

export interface Queue {
  jobs: readonly QueuedJob[];
  machines: readonly QueueMachine[];
  /** Minutes that a job takes on a machine; null where it cannot be sewn there. */
  minutes(job: number, machine: number): number | null;
  /** Minutes to set a machine up for a job after one of another setting, or as its first. */
  setUp: number;
}

export interface Slot {
  job: number;
  machine: number;
  /** When setting up begins, when sewing begins, and when it ends. */
  from: number;
  sews: number;
  to: number;
  lateBy: number;
}

export interface Schedule {
  slots: Slot[];
  /** Jobs that no machine can sew. */
  unplaced: number[];
  lateMinutes: number;
  lateJobs: number;
  /** When the last machine is done. */
  ends: number;
}

/** An order of jobs for each machine. */
type Lines = number[][];

/** Lateness first, then an early end, then early jobs: what a line-up is judged by. */
interface Cost {
  late: number;
  ends: number;
  sum: number;
}

const less = (a: Cost, b: Cost): boolean =>
  a.late !== b.late ? a.late < b.late - EPS : Math.abs(a.ends - b.ends) > EPS ? a.ends < b.ends : a.sum < b.sum - EPS;
const EPS = 1e-9;

/** The order in which a shop without a plan sews: as the jobs came, each on the machine that is free first. */
export function naiveSchedule(queue: Queue): Schedule {
  const { jobs, machines } = queue;
  const lines: Lines = machines.map(() => []);
  const free = machines.map(() => 0);
  jobs.forEach((_, j) => {
    const able = machines.map((_, m) => m).filter((m) => queue.minutes(j, m) !== null);
    if (able.length === 0) return;
    const first = able.reduce((a, b) => (free[b]! < free[a]! ? b : a));
    lines[first]!.push(j);
    free[first] = lineSlots(queue, first, lines[first]!).at(-1)!.to;
  });
  return scheduleOf(queue, lines);
}

/** Line-ups that are changed by chance and bettered again: many of few jobs, fewer where each takes long. */
const roundsFor = (jobs: number): number => Math.max(6, Math.min(60, Math.round(2400 / jobs ** 2)));

/**
 * The best line-up found of jobs on machines: least total lateness, then the earliest end. Begins with the jobs by due date, each where it
 * ends first, and with the naive order; takes every move of a job to another place, and every exchange of two, that betters it, until none
 * does, and begins anew from changed line-ups. Never worse than the naive order; the same input gives the same result.
 */
export function bestSchedule(queue: Queue): Schedule {
  const able = queue.jobs.map((_, j) => j).filter((j) => queue.machines.some((_, m) => queue.minutes(j, m) !== null));
  const byDue = able.slice().sort((a, b) => queue.jobs[a]!.due - queue.jobs[b]!.due || a - b);
  const longest = (j: number): number => Math.max(...queue.machines.map((_, m) => queue.minutes(j, m) ?? 0));
  const byLength = able.slice().sort((a, b) => longest(b) - longest(a) || a - b);
  const begun = [greedy(queue, byDue), greedy(queue, byLength), linesOf(queue, naiveSchedule(queue))].map((l) => bettered(queue, l));
  let best = begun.reduce((a, b) => (less(b.cost, a.cost) ? b : a));
  const chance = random(able.length * 7919 + queue.machines.length);
  for (let round = 0; round < roundsFor(able.length) && able.length > 2; round++) {
    const next = bettered(queue, shaken(queue, best.lines, chance));
    if (less(next.cost, best.cost)) best = next;
  }
  return scheduleOf(queue, best.lines);
}

interface Judged {
  lines: Lines;
  cost: Cost;
}

const judged = (queue: Queue, lines: Lines): Judged => ({ lines, cost: costOf(queue, lines) });

function greedy(queue: Queue, order: readonly number[]): Lines {
  const lines: Lines = queue.machines.map(() => []);
  for (const j of order) {
    let best: { m: number; to: number } | null = null;
    for (let m = 0; m < lines.length; m++) {
      if (queue.minutes(j, m) === null) continue;
      const to = lineSlots(queue, m, [...lines[m]!, j]).at(-1)!.to;
      if (!best || to < best.to) best = { m, to };
    }
    lines[best!.m]!.push(j);
  }
  return lines;
}

/** Takes the best of all moves and exchanges until none is better. */
function bettered(queue: Queue, from: Lines): Judged {
  let now = judged(queue, from);
  for (;;) {
    let best = now;
    for (const lines of neighbours(queue, now.lines)) {
      const next = judged(queue, lines);
      if (less(next.cost, best.cost)) best = next;
    }
    if (best === now) return now;
    now = best;
  }
}

function* neighbours(queue: Queue, lines: Lines): Generator<Lines> {
  for (let m = 0; m < lines.length; m++) {
    for (let i = 0; i < lines[m]!.length; i++) {
      yield* moves(queue, lines, m, i);
      yield* exchanges(queue, lines, m, i);
    }
  }
}

const copied = (lines: Lines): Lines => lines.map((l) => l.slice());

function* moves(queue: Queue, lines: Lines, m: number, i: number): Generator<Lines> {
  const job = lines[m]![i]!;
  for (let n = 0; n < lines.length; n++) {
    if (queue.minutes(job, n) === null) continue;
    for (let k = 0; k <= lines[n]!.length - (n === m ? 1 : 0); k++) {
      if (n === m && k === i) continue;
      const next = copied(lines);
      next[m]!.splice(i, 1);
      next[n]!.splice(k, 0, job);
      yield next;
    }
  }
}

function* exchanges(queue: Queue, lines: Lines, m: number, i: number): Generator<Lines> {
  for (let n = m; n < lines.length; n++) {
    for (let k = n === m ? i + 1 : 0; k < lines[n]!.length; k++) {
      const [a, b] = [lines[m]![i]!, lines[n]![k]!];
      if (queue.minutes(a, n) === null || queue.minutes(b, m) === null) continue;
      const next = copied(lines);
      next[m]![i] = b;
      next[n]![k] = a;
      yield next;
    }
  }
}

/** A line-up with three jobs put elsewhere by chance. */
function shaken(queue: Queue, lines: Lines, chance: () => number): Lines {
  const next = copied(lines);
  for (let t = 0; t < 3; t++) {
    const all = next.flatMap((l, m) => l.map((_, i) => ({ m, i })));
    const { m, i } = all[Math.floor(chance() * all.length)]!;
    const [job] = next[m]!.splice(i, 1);
    const able = next.map((_, n) => n).filter((n) => queue.minutes(job!, n) !== null);
    const n = able[Math.floor(chance() * able.length)]!;
    next[n]!.splice(Math.floor(chance() * (next[n]!.length + 1)), 0, job!);
  }
  return next;
}

function lineSlots(queue: Queue, machine: number, line: readonly number[]): Slot[] {
  let at = 0;
  let setting: string | null = null;
  return line.map((job) => {
    const { due, setting: wanted } = queue.jobs[job]!;
    const sews = at + (wanted === setting ? 0 : queue.setUp);
    const slot = { job, machine, from: at, sews, to: sews + queue.minutes(job, machine)!, lateBy: 0 };
    slot.lateBy = Math.max(0, slot.to - due);
    [at, setting] = [slot.to, wanted];
    return slot;
  });
}

function costOf(queue: Queue, lines: Lines): Cost {
  const slots = lines.flatMap((line, m) => lineSlots(queue, m, line));
  return {
    late: slots.reduce((sum, s) => sum + s.lateBy, 0),
    ends: Math.max(0, ...slots.map((s) => s.to)),
    sum: slots.reduce((sum, s) => sum + s.to, 0),
  };
}

function scheduleOf(queue: Queue, lines: Lines): Schedule {
  const slots = lines.flatMap((line, m) => lineSlots(queue, m, line));
  const placed = new Set(slots.map((s) => s.job));
  return {
    slots,
    unplaced: queue.jobs.map((_, j) => j).filter((j) => !placed.has(j)),
    lateMinutes: slots.reduce((sum, s) => sum + s.lateBy, 0),
    lateJobs: slots.filter((s) => s.lateBy > EPS).length,
    ends: Math.max(0, ...slots.map((s) => s.to)),
  };
}

const linesOf = (queue: Queue, { slots }: Schedule): Lines =>
  queue.machines.map((_, m) => slots.filter((s) => s.machine === m).map((s) => s.job));
