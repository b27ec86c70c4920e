import type { CopyPlace, Hoop, Job, Piece, SheetOrder } from '../../document/types';
import { InputError } from '../../document/errors';
import { withThread } from '../../document/job';
import { without } from '../../document/without';
import { transformedPiece } from '../../editing/transform';
import type { Matrix } from '../../geometry/path';
import { runSeconds } from '../../plan/measure';
import type { PlannedPiece, StitchPlan } from '../../plan/plan';
import { recipeFor } from '../../cloth/house';
import { onLattice } from '../../stitches/buffer';
import { Command, Role } from '../../stitches/roles';
import { blocksOf, type CopyBlock } from './blocks';
import { copyMatrix, placedPoint } from './copy';
import { shortestCommonRow } from './together';

/** One design that lies on the sheet. Copies of one design share job and plan. */
export interface SheetCopy {
  job: Job;
  plan: StitchPlan;
  at: CopyPlace;
}

/** Several designs in one hoop as one plan. Its job has each piece of each copy, as far as it is sewn in one go. */
export interface Sheet {
  job: Job;
  plan: StitchPlan;
  order: SheetOrder;
  figures: SheetFigures;
}

export interface SheetFigures {
  stops: number;
  trims: number;
  minutes: number;
  /** From a copy's first stitch to its last, of the copy that takes longest, min: the longer, the more the cloth may shift in between. */
  longestCopyMinutes: number;
}

/**
 * Sews copies in one hoop. Every copy is sewn stitch for stitch as its own plan has it, with its own ties; a copy's thread is cut once
 * when its stretch in that thread is done, so placing adds one cut for each copy and thread at the most, and none within a copy.
 * @param of the job that is told by the sheet: its name, cloth and speed; that of the first copy unless said
 */
export function sewSheet(copies: readonly SheetCopy[], order: SheetOrder, hoop: Hoop, of: Job = copies[0]!.job): Sheet {
  const { threads, maps } = threadsOf(copies);
  const blocks = copies.map(({ plan }, i) => blocksOf(plan, i, maps[i]!));
  const lined = order === 'copy' ? blocks.flat() : byThread(copies, blocks);
  const laid = layDown(copies, lined, threads);
  // Its copies are pieces of their own now: laid out once more they would be copied again.
  const job: Job = { ...without(of, 'floor'), brief: { ...of.brief, hoop }, threads, pieces: laid.pieces };
  return { job, plan: laid.plan, order, figures: figuresOf(laid, recipeFor(of.brief).speed) };
}

/** Both orders, and the one that is proposed: what takes less time; of equals copy by copy, which holds registration best. */
export function sheetOrders(copies: readonly SheetCopy[], hoop: Hoop, of?: Job): { copy: Sheet; thread: Sheet; proposed: SheetOrder } {
  const [copy, thread] = [sewSheet(copies, 'copy', hoop, of), sewSheet(copies, 'thread', hoop, of)];
  return { copy, thread, proposed: thread.figures.minutes < copy.figures.minutes - 1e-9 ? 'thread' : 'copy' };
}

/** Threads of all copies, those of one code once, and where each copy's own are among them. */
function threadsOf(copies: readonly SheetCopy[]): { threads: Job['threads']; maps: number[][] } {
  let threads: Job['threads'] = [];
  const known = new Map<Job, number[]>();
  const maps = copies.map(({ job }) => {
    const before = known.get(job);
    if (before) return before;
    const map = job.threads.map((t) => {
      const merged = withThread(threads, without(t, 'id'));
      ({ threads } = merged);
      return threads.findIndex((k) => k.id === merged.id);
    });
    known.set(job, map);
    return map;
  });
  return { threads, maps };
}

const tokenOf = (b: CopyBlock): string => `${b.thread}${b.waits ? ' waits' : ''}`;

/** All stretches, those of one thread of all copies one after another; forth and back over the copies, so that moves stay short. */
function byThread(copies: readonly SheetCopy[], blocks: readonly (readonly CopyBlock[])[]): CopyBlock[] {
  const row = shortestCommonRow(blocks.map((own) => own.map(tokenOf)));
  const next = blocks.map(() => 0);
  const forth = walk(copies);
  return row.flatMap((token, k) => {
    const path = k % 2 === 0 ? forth : forth.slice().reverse();
    return path.flatMap((c) => {
      const block = blocks[c]![next[c]!];
      if (!block || tokenOf(block) !== token) return [];
      next[c]!++;
      return [block];
    });
  });
}

/** Copies row by row, every other row back. */
function walk(copies: readonly SheetCopy[]): number[] {
  const rows: number[][] = [];
  const byHeight = copies.map((_, i) => i).sort((a, b) => copies[a]!.at.y - copies[b]!.at.y || a - b);
  for (const i of byHeight) {
    const row = rows[rows.length - 1];
    if (row && Math.abs(copies[row[0]!]!.at.y - copies[i]!.at.y) < SAME_ROW_MM) row.push(i);
    else rows.push([i]);
  }
  return rows.flatMap((row, k) => row.sort((a, b) => (k % 2 === 0 ? 1 : -1) * (copies[a]!.at.x - copies[b]!.at.x)));
}
const SAME_ROW_MM = 10;

/** Events of a plan in the making. */
class SheetBuffer {
  readonly x: number[] = [];
  readonly y: number[] = [];
  readonly command: number[] = [];
  readonly role: number[] = [];
  readonly piece: number[] = [];
  readonly thread: number[] = [];

  push(at: { x: number; y: number }, [command, role, piece, thread]: readonly [number, number, number, number]): void {
    this.x.push(at.x);
    this.y.push(at.y);
    this.command.push(command);
    this.role.push(role);
    this.piece.push(piece);
    this.thread.push(thread);
  }

  /** Something that the machine does where the needle stands. */
  here(command: number): void {
    const n = this.x.length - 1;
    this.push({ x: this.x[n]!, y: this.y[n]! }, [command, Role.travel, this.piece[n]!, this.thread[n]!]);
  }
}

interface Laid {
  plan: StitchPlan;
  pieces: Piece[];
  /** Of each of the pieces. */
  copyOf: number[];
}

function layDown(copies: readonly SheetCopy[], lined: readonly CopyBlock[], threads: Job['threads']): Laid {
  const out = new SheetBuffer();
  const made = { pieces: [] as Piece[], planned: [] as PlannedPiece[], copyOf: [] as number[] };
  const matrices = copies.map(({ at }) => copyMatrix(at));
  lined.forEach((block, k) => {
    const before = lined[k - 1];
    if (before && (before.thread !== block.thread || stopsBefore(before, block))) out.here(Command.stop);
    layBlock(out, { copy: copies[block.copy]!, block, matrix: matrices[block.copy]!, thread: threads[block.thread]!.id }, made);
    out.here(Command.trim);
  });
  if (lined.length > 0) out.here(Command.end);
  close(out, made.planned);
  if (made.pieces.length > MOST_PARTS)
    throw new InputError('too-complex', 'So many copies of so many pieces are too much for one hoop; place fewer.');
  const plan: StitchPlan = {
    x: Float32Array.from(out.x),
    y: Float32Array.from(out.y),
    command: Uint8Array.from(out.command),
    role: Uint8Array.from(out.role),
    piece: Uint16Array.from(out.piece),
    thread: Uint8Array.from(out.thread),
    pieces: made.planned,
  };
  return { plan, pieces: made.pieces, copyOf: made.copyOf };
}

/** What the plan's column of pieces can tell apart. */
const MOST_PARTS = 65_535;

/** A wait is for all copies at once: the first of those that wait together stops the machine. */
const stopsBefore = (before: CopyBlock, block: CopyBlock): boolean => block.waits && (before.copy === block.copy || !before.waits);

interface Laying {
  copy: SheetCopy;
  block: CopyBlock;
  matrix: Matrix;
  /** Id of its thread on the sheet. */
  thread: string;
}

interface Made {
  pieces: Piece[];
  planned: PlannedPiece[];
  copyOf: number[];
}

function layBlock(out: SheetBuffer, { copy, block, matrix, thread }: Laying, { pieces, planned, copyOf }: Made): void {
  const { plan, job } = copy;
  let own = -1;
  for (let i = block.from; i < block.to; i++) {
    if (plan.piece[i] !== own) {
      own = plan.piece[i]!;
      const part = partOf(job.pieces[own]!, { matrix, thread, copy: block.copy }, pieces);
      pieces.push(part);
      copyOf.push(block.copy);
      planned.push({ ...plan.pieces[own]!, id: part.id, link: null, from: out.x.length, to: out.x.length, stitches: 0 });
    }
    const at = onLattice(placedPoint(matrix, { x: plan.x[i]!, y: plan.y[i]! }));
    if (i === block.from && plan.command[i] === Command.stitch) out.push(at, [Command.jump, Role.travel, pieces.length - 1, block.thread]);
    out.push(at, [plan.command[i]!, plan.role[i]!, pieces.length - 1, block.thread]);
  }
}

/** A piece as it lies in a copy; what of it is sewn later has a name of its own. */
function partOf(piece: Piece, { matrix, thread, copy }: { matrix: Matrix; thread: string; copy: number }, made: readonly Piece[]): Piece {
  const id = `${piece.id}-${copy + 1}`;
  const before = made.filter((p) => p.id === id || p.id.startsWith(`${id}.`)).length;
  const laid = without(transformedPiece(piece, matrix), 'sewAfter', 'follows');
  return { ...laid, thread, id: before === 0 ? id : `${id}.${before + 1}`, group: `copy ${copy + 1}` };
}

/** Events and stitches that belong to each piece: everything up to the next one's. */
function close(out: SheetBuffer, planned: PlannedPiece[]): void {
  planned.forEach((p, i) => (p.to = planned[i + 1]?.from ?? out.x.length));
  for (let i = 0; i < out.command.length; i++) if (out.command[i] === Command.stitch) planned[out.piece[i]!]!.stitches++;
}

function figuresOf({ plan, copyOf }: Laid, speed: number): SheetFigures {
  const counts = { stitches: 0, trims: 0, stops: 0 };
  const at = new Float64Array(plan.x.length + 1);
  for (let i = 0; i < plan.x.length; i++) {
    const command = plan.command[i];
    if (command === Command.stitch) counts.stitches++;
    else if (command === Command.trim) counts.trims++;
    else if (command === Command.stop) counts.stops++;
    at[i + 1] = runSeconds(counts, speed);
  }
  const spans = new Map<number, { from: number; to: number }>();
  for (let i = 0; i < plan.x.length; i++) {
    if (plan.command[i] !== Command.stitch) continue;
    const span = spans.get(copyOf[plan.piece[i]!]!);
    if (span) span.to = at[i + 1]!;
    else spans.set(copyOf[plan.piece[i]!]!, { from: at[i]!, to: at[i + 1]! });
  }
  return {
    ...{ stops: counts.stops, trims: counts.trims, minutes: at[plan.x.length]! / 60 },
    longestCopyMinutes: Math.max(0, ...[...spans.values()].map((s) => s.to - s.from)) / 60,
  };
}
