import type { Resolved } from '../document/resolved';
import type { ResolvedSettings } from '../pieces/resolve';
import type { PlannedPiece, StitchPlan } from './plan';

type Columns = Pick<StitchPlan, 'x' | 'y' | 'command' | 'role' | 'piece' | 'thread'>;

/** A piece of a plan: its place in the plan before when it is the same but for its events, or the piece itself. */
type PieceDelta = number | (Omit<PlannedPiece, 'settings'> & { settings: ResolvedSettings | null | number });

/** What makes a plan of the one before it. */
export interface PlanDelta {
  /** Events at the beginning, and at the end, that are those of the plan before. */
  head: number;
  tail: number;
  /** The events between. */
  middle: Columns;
  pieces: PieceDelta[];
  /** First event of each piece and the one after its last, in pairs. */
  spans: Int32Array<ArrayBuffer>;
}

/** A plan on its way: its difference from version `base`, or all of it. */
export interface WiredPlan {
  version: string;
  /** Null when it stands alone. */
  base: string | null;
  delta: PlanDelta;
}

/** Some events of a plan that is still being made; its parts come in order. */
export interface PlanPart {
  /** What the whole plan will be told by. */
  version: string;
  first: boolean;
  /** The first so many events were in the part before too: what is drawn of an event depends on those. */
  overlap: number;
  events: Columns;
}

const COLUMNS = ['x', 'y', 'command', 'role', 'piece', 'thread'] as const satisfies readonly (keyof Columns)[];

/** The difference between a plan and the one before it; from nothing, all of it. Share no memory with either. */
export function planDelta(before: StitchPlan | null, after: StitchPlan): PlanDelta {
  const head = before ? commonHead(before, after) : 0;
  const tail = before ? commonTail(before, after, Math.min(before.x.length, after.x.length) - head) : 0;
  const end = after.x.length - tail;
  return {
    head,
    tail,
    middle: eachColumn((name) => after[name].slice(head, end)),
    pieces: piecesDelta(before?.pieces ?? [], after.pieces),
    spans: Int32Array.from(after.pieces.flatMap((p) => [p.from, p.to])),
  };
}

/** The plan that a difference leads to from the one before. */
export function applyDelta(before: StitchPlan | null, { head, tail, middle, pieces, spans }: PlanDelta): StitchPlan {
  const old = before?.x.length ?? 0;
  const length = head + middle.x.length + tail;
  const columns = eachColumn((name) => {
    const column = middle[name];
    const whole = new (column.constructor as new (n: number) => typeof column)(length);
    if (before) {
      whole.set(before[name].subarray(0, head));
      whole.set(before[name].subarray(old - tail), head + column.length);
    }
    whole.set(column, head);
    return whole;
  });
  return { ...columns, pieces: pieces.map((p, i) => pieceFrom(before, p, spans[2 * i]!, spans[2 * i + 1]!)) };
}

/** Memory of a difference that can be handed over. */
export const memoryOfDelta = ({ middle, spans }: PlanDelta): ArrayBuffer[] => [...memoryOf(middle), spans.buffer];

/** Memory of columns that share none with others. */
export const memoryOf = (columns: Columns): ArrayBuffer[] => COLUMNS.map((name) => columns[name].buffer);

function eachColumn(make: (name: keyof Columns) => Columns[keyof Columns]): Columns {
  return Object.fromEntries(COLUMNS.map((name) => [name, make(name)])) as unknown as Columns;
}

/** Events at the beginning that are the same. Pieces that are the same objects have the same events (see `Assembly`). */
function commonHead(a: StitchPlan, b: StitchPlan): number {
  let same = 0;
  while (same < a.pieces.length && a.pieces[same] === b.pieces[same]) same++;
  const known = same === 0 ? 0 : a.pieces[same - 1]!.to;
  return COLUMNS.reduce((most, name) => headOf(a[name], b[name], known, most), Math.min(a.x.length, b.x.length));
}

/** Events at the end that are the same, at most so many. */
const commonTail = (a: Columns, b: Columns, most: number): number => COLUMNS.reduce((n, name) => tailOf(a[name], b[name], n), most);

function headOf(a: ArrayLike<number>, b: ArrayLike<number>, from: number, most: number): number {
  let n = from;
  while (n < most && a[n] === b[n]) n++;
  return Math.min(n, most);
}

function tailOf(a: ArrayLike<number>, b: ArrayLike<number>, most: number): number {
  const [i, k] = [a.length - 1, b.length - 1];
  let n = 0;
  while (n < most && a[i - n] === b[k - n]) n++;
  return n;
}

const equal = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

function sameSettings(a: ResolvedSettings | null, b: ResolvedSettings | null): boolean {
  if (a === b || !a || !b) return a === b;
  const [p, q] = [a, b] as unknown as Record<string, Resolved<unknown>>[];
  const keys = Object.keys(p!);
  if (keys.length !== Object.keys(q!).length) return false;
  return keys.every((key) => {
    const [own, other] = [p![key]!, q![key]];
    return other && equal(own, other);
  });
}

const sameBut = (a: PlannedPiece, b: PlannedPiece): boolean =>
  sameSettings(a.settings, b.settings) &&
  equal(a.link, b.link) &&
  a.id === b.id &&
  a.stitches === b.stitches &&
  a.problem === b.problem &&
  a.areaMm2 === b.areaMm2 &&
  a.widthMm === b.widthMm;

function piecesDelta(before: readonly PlannedPiece[], after: readonly PlannedPiece[]): PieceDelta[] {
  const places = new Map(before.map((p, i) => [p.id, i]));
  return after.map((p) => {
    const at = places.get(p.id);
    const old = at === undefined ? undefined : before[at];
    if (!old) return p;
    if (sameBut(old, p)) return at!;
    return p.settings && sameSettings(old.settings, p.settings) ? { ...p, settings: at! } : p;
  });
}

function pieceFrom(before: StitchPlan | null, delta: PieceDelta, from: number, to: number): PlannedPiece {
  const old = (i: number): PlannedPiece => before!.pieces[i]!;
  if (typeof delta === 'number') {
    const same = old(delta);
    return same.from === from && same.to === to ? same : { ...same, from, to };
  }
  const { settings } = delta;
  return { ...delta, settings: typeof settings === 'number' ? old(settings).settings : settings };
}
