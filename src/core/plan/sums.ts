import type { Job } from '../document/types';
import { emptyBounds, growBounds, type Bounds } from '../geometry/point';
import { formOf } from '../pieces/registry';
import { Command, Role } from '../stitches/roles';
import { hypot } from '../units/trig';
import type { PlannedPiece, StitchPlan } from './plan';

/** What adds up over the events of a plan. Lengths mm. */
export interface Sums {
  /** Of all stitches. */
  box: Bounds;
  stitches: number;
  trims: number;
  jumps: number;
  stops: number;
  /** Stops after which another thread sews. */
  changes: number;
  /** Of all stitches together. */
  length: number;
  longest: number;
  /** Ties aside. */
  shortest: number;
  longestSatin: number;
  longestMove: number;
  /** Threads that are sewn with. */
  threads: Set<number>;
}

const nothing = (): Sums => ({
  ...{ box: emptyBounds(), stitches: 0, trims: 0, jumps: 0, stops: 0, changes: 0, threads: new Set() },
  ...{ length: 0, longest: 0, shortest: Infinity, longestSatin: 0, longestMove: 0 },
});

/** Sums of each piece with the way to it: after an edit those of the other pieces are as they were. */
const known = new WeakMap<PlannedPiece, Sums>();
const origins = new WeakMap<PlannedPiece, PlannedPiece>();

/** Plans whose pieces have the events that they had when they were planned. */
const planned = new WeakSet<StitchPlan>();

/** Says that the pieces of a plan which were planned before have the same events as then. */
export function asPlanned(plan: StitchPlan): StitchPlan {
  planned.add(plan);
  return plan;
}

/** The same piece of a plan with the same events, at another place among them. */
export function shifted(piece: PlannedPiece, by: number, link: PlannedPiece['link']): PlannedPiece {
  return like(piece, { link, from: piece.from + by, to: piece.to + by });
}

function like(piece: PlannedPiece, but: Partial<PlannedPiece>): PlannedPiece {
  const made = { ...piece, ...but };
  origins.set(made, origins.get(piece) ?? piece);
  return made;
}

const counted = new WeakMap<PlannedPiece, PlannedPiece>();

/** Pieces with the stitches that belong to each in a plan; where those are as many as before, the same objects as before. */
export function withStitches(pieces: readonly PlannedPiece[], plan: Pick<StitchPlan, 'command' | 'piece'>): PlannedPiece[] {
  const stitches = new Uint32Array(pieces.length);
  for (let i = 0; i < plan.command.length; i++) if (plan.command[i] === Command.stitch) stitches[plan.piece[i]!]!++;
  return pieces.map((piece, i) => {
    const before = counted.get(piece);
    if (before && before.stitches === stitches[i]) return before;
    const made = like(piece, { stitches: stitches[i]! });
    counted.set(piece, made);
    return made;
  });
}

/** Sums over a plan made from `job`: piece by piece, so that they come out alike whatever was known before. */
export function sumsOf(job: Job, plan: StitchPlan): Sums {
  const all = nothing();
  let from = 0;
  for (const piece of plan.pieces) {
    const origin = origins.get(piece) ?? piece;
    const own = (planned.has(plan) && known.get(origin)) || summed(job, plan, from, piece.to);
    if (planned.has(plan)) known.set(origin, own);
    add(all, own);
    from = piece.to;
  }
  add(all, summed(job, plan, from, plan.x.length));
  return all;
}

function add(all: Sums, own: Sums): void {
  for (const key of ['stitches', 'trims', 'jumps', 'stops', 'changes', 'length'] as const) all[key] += own[key];
  for (const key of ['longest', 'longestSatin', 'longestMove'] as const) all[key] = Math.max(all[key], own[key]);
  all.shortest = Math.min(all.shortest, own.shortest);
  if (own.stitches > 0) {
    growBounds(all.box, own.box.minX, own.box.minY);
    growBounds(all.box, own.box.maxX, own.box.maxY);
  }
  for (const thread of own.threads) all.threads.add(thread);
}

function summed(job: Job, plan: StitchPlan, from: number, to: number): Sums {
  const sums = nothing();
  for (let i = from; i < to; i++) {
    if (plan.command[i] === Command.stitch) addStitch(sums, job, plan, i);
    else addCommand(sums, plan, i);
    if (i > 0 && plan.command[i - 1] === Command.stop && plan.thread[i] !== plan.thread[i - 1]) sums.changes++;
  }
  return sums;
}

function addStitch(sums: Sums, job: Job, { x, y, command, role, piece, thread }: StitchPlan, i: number): void {
  sums.stitches++;
  sums.threads.add(thread[i]!);
  growBounds(sums.box, x[i]!, y[i]!);
  if (i === 0 || command[i - 1] !== Command.stitch) return;
  const d = hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!);
  sums.length += d;
  if (d > sums.longest) sums.longest = d;
  if (role[i] === Role.tie || role[i - 1] === Role.tie) return;
  if (d < sums.shortest) sums.shortest = d;
  if (d > sums.longestSatin && role[i] === Role.cover && formOf(job.pieces[piece[i]!]!) === 'column') sums.longestSatin = d;
}

function addCommand(sums: Sums, { x, y, command }: StitchPlan, i: number): void {
  const what = command[i]!;
  if (what === Command.trim) sums.trims++;
  else if (what === Command.stop) sums.stops++;
  else if (what === Command.jump) {
    sums.jumps++;
    if (i > 0) sums.longestMove = Math.max(sums.longestMove, hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!));
  }
}
