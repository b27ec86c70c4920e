import { contains } from '../../geometry/area';
import { distance, mix, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Command, Role } from '../../stitches/roles';
import type { StartEnd } from '../../stitches/startEnd';
import { runAlong, type ColumnSettings } from '../satin/foundation';
import { sewNetwork } from '../satin/sewNetwork';
import type { Letter } from './letter';

/** Places of a letter where the path may leave it: ends and middles of rows, one of so many. */
const EACH = 4;
/** A way over the base line counts less than one as long higher up, by so much for each mm of height. */
const HIGH = 0.4;

/** A letter, and how far a place lies above its base line, mm. */
export interface LetterPath {
  letter: Letter;
  /** Another thread than the text's. */
  thread?: string | undefined;
  /** Whether the thread is cut before it. */
  cut?: boolean | undefined;
  heightOf(p: Point): number;
}

interface Way {
  from: Point;
  to: Point;
  /** How much of it lies over neither letter, mm. */
  bareMm: number;
}

/** A place where the path may leave a letter, and how far it lies from its base line, mm. */
interface Place {
  p: Point;
  high: number;
}

/** Sews letters one after another, each as one path, from where it is nearest to the one before to where it is nearest to the next. */
export function sewLetters(
  out: StitchBuffer,
  letters: readonly LetterPath[],
  settings: ColumnSettings & { joiningMm: number },
  ends: StartEnd,
): void {
  const { joiningMm } = settings;
  const places = letters.map(placesOf);
  const wayTo = (k: number): Way => {
    const nearest = (perHeight: number): Way => {
      const { from, to } = nearestOf(places[k - 1]!, places[k]!, perHeight);
      return { from, to, bareMm: bareBetween(from, to, letters[k - 1]!.letter, letters[k]!.letter) };
    };
    // Low rather, where that takes no cut.
    if (letters[k]!.cut || letters[k]!.thread !== letters[k - 1]!.thread) return { ...nearest(0), bareMm: Infinity };
    const low = nearest(HIGH);
    return low.bareMm <= joiningMm - ROUGH_MM ? low : nearest(0);
  };
  const ways = letters.slice(1).map((_, k) => wayTo(k + 1));
  letters.forEach(({ letter }, k) => {
    const [came, goes] = [ways[k - 1], ways[k]];
    const anew = letters[k]!.thread !== letters[k - 1]?.thread;
    if (came) join(out, came.to, { runMm: settings.runLengthMm, joined: came.bareMm <= joiningMm - ROUGH_MM, anew });
    if (anew) out.threadFrom(letters[k]!.thread ?? null);
    const start = came ? came.to : ends.start;
    const end = goes ? goes.from : ends.end;
    sewNetwork(out, { columns: letter.columns }, settings, { start, end, goesOn: goes !== undefined || ends.goesOn !== false });
  });
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

/** How much of a way lies over neither letter, mm. */
function bareBetween(from: Point, to: Point, a: Letter, b: Letter): number {
  const length = distance(from, to);
  const steps = Math.max(1, Math.ceil(length / BARE_STEP_MM));
  let bare = 0;
  for (let i = 0; i < steps; i++) {
    const p = mix(from, to, (i + 0.5) / steps);
    if (!contains(a.painted, p) && !contains(b.painted, p)) bare++;
  }
  return (bare * length) / steps;
}
const BARE_STEP_MM = 0.2;
/** By so much it may be measured too short, mm. */
const ROUGH_MM = 0.2;

/** The nearest places of two letters, where each mm of height counts as so much of the way. */
function nearestOf(from: readonly Place[], to: readonly Place[], perHeight: number): { from: Point; to: Point } {
  let best = { from: from[0]!.p, to: to[0]!.p };
  let least = Infinity;
  for (const p of from) {
    for (const q of to) {
      const cost = distance(p.p, q.p) + perHeight * (p.high + q.high);
      if (cost < least) [best, least] = [{ from: p.p, to: q.p }, cost];
    }
  }
  return best;
}

const placesOf = ({ letter, heightOf }: LetterPath): Place[] =>
  letter.columns.flatMap(({ track: { left, right } }) =>
    left.flatMap((l, i) => {
      if (i % EACH !== 0 && i !== left.length - 1) return [];
      const r = right[i]!;
      return [l, mix(l, r, 0.5), r].map((p) => ({ p, high: Math.abs(heightOf(p)) }));
    }),
  );
