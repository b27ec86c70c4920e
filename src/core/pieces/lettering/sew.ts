import { contains } from '../../geometry/area';
import { distance, mix, type Area, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Command, Role } from '../../stitches/roles';
import type { StartEnd } from '../../stitches/startEnd';
import { tieIn, tieOff, type Tie } from '../../stitches/ties';
import type { ResolvedSettings } from '../resolve';
import { runAlong } from '../satin/foundation';
import type { Column } from '../satin/track';
import { bareAlong, ROUGH_MM } from './bare';
import { footOf, type LetterPath } from './placed';

/** Places of a letter where the path may leave it: ends and middles of rows, one of so many. */
const EACH = 4;
/** A way over the base line counts less than one as long higher up, by so much for each mm of height: the lowest that takes no cut. */
const LOW = 0.4;
const HIGH = [LOW, 0.2, 0.1, 0.05, 0];

/** A letter, or a part of one, that is sewn in one go from one place to another. */
export interface SewnPart {
  painted: Area;
  thread?: string | undefined;
  cut?: boolean | undefined;
  /** Where the path may come and leave. */
  places: readonly Place[];
  sew(ends: StartEnd): void;
}

/** A place where the path may leave a letter, and how far it lies from its base line, mm. */
export interface Place {
  p: Point;
  high: number;
}

interface Way {
  from: Point;
  to: Point;
  /** How much of it lies over neither letter, mm. */
  bareMm: number;
}

interface Joins {
  runMm: number;
  /** Over more bare cloth than this the thread is cut, mm. */
  joiningMm: number;
  /** Over as much bare cloth the way is tied on both sides, mm. */
  heldMm: number;
  tie: Tie;
}

/** How letters are joined, by their settings. */
export const joinsOf = ({ joining, held, tieShape, tieLength, tieCount }: ResolvedSettings, runMm: number): Joins => ({
  ...{ runMm, joiningMm: joining?.value ?? 0, heldMm: held?.value ?? Infinity },
  tie: { shape: tieShape?.value, lengthMm: tieLength?.value, count: tieCount?.value },
});

/** Sews letters one after another, each as one path, from where it is nearest to the one before to where it is nearest to the next. */
export function sewParts(out: StitchBuffer, parts: readonly SewnPart[], joins: Joins, ends: StartEnd): void {
  const { runMm, joiningMm, heldMm } = joins;
  const wayTo = (k: number): Way => {
    const [a, b] = [parts[k - 1]!, parts[k]!];
    const nearest = (perHeight: number): Way => {
      const { from, to } = nearestOf(a.places, b.places, perHeight);
      return { from, to, bareMm: bareAlong(from, to, (p) => contains(a.painted, p) || contains(b.painted, p)) };
    };
    // Low rather, where that takes no cut; where one is taken anyway, S is not sewn upward for being a hair nearer to X at its top.
    if (b.cut || b.thread !== a.thread) return { ...nearest(LOW), bareMm: Infinity };
    for (const perHeight of HIGH) {
      const low = nearest(perHeight);
      if (low.bareMm <= joiningMm - ROUGH_MM) return low;
    }
    return nearest(LOW);
  };
  const ways = parts.slice(1).map((_, k) => wayTo(k + 1));
  parts.forEach((part, k) => {
    const [came, goes] = [ways[k - 1], ways[k]];
    const anew = part.thread !== parts[k - 1]?.thread;
    const joined = came !== undefined && came.bareMm <= joiningMm - ROUGH_MM;
    const held = joined && came.bareMm >= heldMm ? joins.tie : null;
    if (held) lockBehind(out, held);
    if (came) join(out, came.to, { runMm, joined, anew });
    if (held) lockInto(out, part, held);
    if (anew) out.threadFrom(part.thread ?? null);
    const start = came ? came.to : ends.start;
    const end = goes ? goes.from : ends.end;
    part.sew({ start, end, goesOn: goes !== undefined || ends.goesOn !== false });
  });
}

/** Where a text of some parts is begun and ended when nothing else is said: low, and as far to each side as may be. */
export const endsOf = (parts: readonly Pick<SewnPart, 'places'>[], letters: readonly LetterPath[]): { start: Point; end: Point } => {
  const placesOf = ({ places }: Pick<SewnPart, 'places'>): Point[] => places.map(({ p }) => p);
  const foot = (part: Pick<SewnPart, 'places'>, { heightOf }: LetterPath, side: 1 | -1): Point => footOf(placesOf(part), heightOf, side);
  return { start: foot(parts[0]!, letters[0]!, -1), end: foot(parts[parts.length - 1]!, letters[letters.length - 1]!, 1) };
};

/** Locks the thread in the letter just sewn. */
function lockBehind(out: StitchBuffer, tie: Tie): void {
  const [at, before] = [out.last(), out.commandAt(-2) === Command.stitch ? out.pointAt(-2) : null];
  if (at && before) for (const p of tieOff(at, before, tie)) out.push(p.x, p.y, Role.tie);
}

/** Locks the thread where it comes into a letter, along its strokes. */
function lockInto(out: StitchBuffer, { places }: SewnPart, tie: Tie): void {
  const at = out.last();
  if (!at) return;
  const far = places.filter(({ p }) => distance(p, at) >= 2 * tie.lengthMm);
  const along = far.reduce<Point | null>((best, { p }) => (best && distance(best, at) <= distance(p, at) ? best : p), null);
  if (along) for (const p of tieIn(at, along, tie)) out.push(p.x, p.y, Role.tie);
}

/** To the first stitch of the next letter: along the cloth where that is near, else with the thread cut. */
function join(out: StitchBuffer, to: Point, { runMm, joined, anew }: { runMm: number; joined: boolean; anew: boolean }): void {
  const here = out.last();
  if (!here) return;
  if (joined) {
    runAlong(out, [here, to], runMm, Role.travel);
    return;
  }
  // A change of thread cuts and goes on by itself.
  if (anew) return;
  out.push(here.x, here.y, Role.travel, Command.trim);
  out.push(to.x, to.y, Role.travel, Command.jump);
}

/** The nearest places of two letters, where each mm of height counts as so much of the way. */
function nearestOf(from: readonly Place[], to: readonly Place[], perHeight: number): { from: Point; to: Point } {
  let best = { from: from[0]!.p, to: to[0]!.p };
  let least = Infinity;
  for (const p of from) {
    for (const q of to) {
      const high = perHeight * (p.high + q.high);
      // Never nearer than on one axis alone; that is told far sooner, and of most places.
      if (Math.max(Math.abs(p.p.x - q.p.x), Math.abs(p.p.y - q.p.y)) + high >= least) continue;
      const cost = distance(p.p, q.p) + high;
      if (cost < least) [best, least] = [{ from: p.p, to: q.p }, cost];
    }
  }
  return best;
}

/** Places of columns where the path may leave them. */
export const columnPlaces = (columns: readonly Column[], heightOf: (p: Point) => number): Place[] =>
  columns.flatMap(({ track: { left, right } }) =>
    left.flatMap((l, i) => {
      if (i % EACH !== 0 && i !== left.length - 1) return [];
      const r = right[i]!;
      return [l, mix(l, r, 0.5), r].map((p) => ({ p, high: Math.abs(heightOf(p)) }));
    }),
  );
