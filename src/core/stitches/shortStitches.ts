import { SHORTEST_STITCH_MM } from '../units/tolerances';
import type { StitchColumns } from './buffer';
import { Command, Role } from './roles';

/** Coordinates lie on a lattice: what is as good as the shortest stitch is none too short, mm. */
const HAIR_MM = 0.001;
/** A stitch that takes in a short one is at most so long, where it is no row of cover, mm. */
const LONGEST_MM = 3.5;

/**
 * Penetrations without which no stitch is shorter than sews, from event `from` on: ways give one up for what they lead to, a row of
 * cover for the one before it. Ties and foundation are left alone, and so is what comes first or last in a thread.
 */
export function shortOnes(columns: StitchColumns, from: number): Set<number> {
  const { x, y, command, role } = columns;
  const out = new Set<number>();
  const isStitch = (i: number): boolean => i > from && i < x.length && command[i] === Command.stitch;
  const mm = (a: number, b: number): number => Math.sqrt((x[a]! - x[b]!) ** 2 + (y[a]! - y[b]!) ** 2);
  const takesIn = (a: number, b: number): boolean => mm(a, b) >= SHORTEST_STITCH_MM && mm(a, b) <= LONGEST_MM;
  let [beforeLast, last] = [-1, -1];
  const keep = (i: number): void => {
    [beforeLast, last] = [last, i];
  };
  for (let i = from; i < x.length; i++) {
    if (!isStitch(i)) {
      [beforeLast, last] = [-1, command[i] === Command.stitch || command[i] === Command.jump ? i : -1];
      continue;
    }
    const isShort = last >= 0 && isStitch(last) && mm(last, i) < SHORTEST_STITCH_MM - HAIR_MM;
    if (isShort && role[last] === Role.travel && beforeLast >= 0 && takesIn(beforeLast, i)) {
      out.add(last);
      last = i;
    } else if (isShort && role[i] === Role.travel && isStitch(i + 1) && takesIn(last, i + 1)) out.add(i);
    else if (isShort && isSpare(columns, last, i, mm)) out.add(i);
    else keep(i);
  }
  return out;
}

/** Whether an event of cover lies beside the one before it, and what follows may as well be sewn from there. */
function isSpare({ role, command }: StitchColumns, last: number, i: number, mm: (a: number, b: number) => number): boolean {
  if (role[last] !== Role.cover || role[i] !== Role.cover || i + 1 >= role.length || command[i + 1] !== Command.stitch) return false;
  const most = role[i + 1] === Role.cover ? mm(i, i + 1) + SHORTEST_STITCH_MM : LONGEST_MM;
  return role[i + 1] !== Role.tie && mm(last, i + 1) >= SHORTEST_STITCH_MM && mm(last, i + 1) <= most;
}
