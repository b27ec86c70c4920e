import Flatbush from 'flatbush';
import type { Point } from './point';

/** More crossings than this within one shape are no drawing that could be sewn, and would take minutes to resolve. */
const MOST_CROSSINGS = 40_000;

/** Refuses what clipping would take minutes over. @throws TooComplex */
export function requireFewCrossings(lines: readonly (readonly Point[])[], closed: boolean): void {
  if (crossMoreThan(MOST_CROSSINGS, lines, closed)) throw new TooComplex('it crosses itself tens of thousands of times; simplify it');
}

/** A shape that would take minutes to work out; the message says why, fit for people. */
export class TooComplex extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'TooComplex';
  }
}

/** Pairs of segments whose boxes touch are looked at up to this many times the crossings that are asked about. */
const LOOKS_PER_CROSSING = 60;

/**
 * Whether lines cross themselves and one another more often than `most`. So many segments lying over each other that counting
 * itself would take long counts as yes.
 */
export function crossMoreThan(most: number, lines: readonly (readonly Point[])[], closed: boolean): boolean {
  const segments: number[] = [];
  for (const line of lines) {
    const n = closed ? line.length : line.length - 1;
    for (let i = 0; i < n; i++) {
      const [a, b] = [line[i]!, line[(i + 1) % line.length]!];
      segments.push(a.x, a.y, b.x, b.y);
    }
  }
  const count = segments.length / 4;
  // So few cannot cross each other more often.
  if (count < 3 || (count * (count - 1)) / 2 <= most) return false;
  const index = new Flatbush(count);
  for (let i = 0; i < count; i++) {
    const [ax, ay, bx, by] = [segments[4 * i]!, segments[4 * i + 1]!, segments[4 * i + 2]!, segments[4 * i + 3]!];
    index.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  }
  index.finish();
  let found = 0;
  let looks = 0;
  for (let i = 0; i < count && found <= most; i++) {
    const [ax, ay, bx, by] = [segments[4 * i]!, segments[4 * i + 1]!, segments[4 * i + 2]!, segments[4 * i + 3]!];
    index.search(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by), (j) => {
      if (j > i && found <= most && ++looks && crosses(segments, i, j)) found++;
      return false;
    });
    if (looks > LOOKS_PER_CROSSING * most) return true;
  }
  return found > most;
}

/** Whether two segments cross in their insides. */
function crosses(s: readonly number[], i: number, j: number): boolean {
  return parted(s, i, j) && parted(s, j, i);
}

/** Whether the ends of segment `i` lie on different sides of the line through segment `j`. */
function parted(s: readonly number[], i: number, j: number): boolean {
  const [x, y, dx, dy] = [s[4 * j]!, s[4 * j + 1]!, s[4 * j + 2]! - s[4 * j]!, s[4 * j + 3]! - s[4 * j + 1]!];
  const side = (px: number, py: number): number => dx * (py - y) - dy * (px - x);
  return side(s[4 * i]!, s[4 * i + 1]!) * side(s[4 * i + 2]!, s[4 * i + 3]!) < 0;
}
