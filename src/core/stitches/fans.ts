import { atan2, PI } from '../units/trig';
import type { StitchColumns } from './buffer';
import { Command, Role } from './roles';

/** Shorter stitches say nothing of a direction, mm. */
const LEAST_ROW_MM = 0.8;
/** Fewer rows are a corner, not a column. */
const LEAST_ROWS = 6;
/** Directions are smoothed over so many rows before and after. */
const SMOOTH = 2;

/**
 * How far rows turn to and fro along the columns of a piece, degrees: all turns of neighbouring rows less what remains between
 * the first and the last. A column round a bend turns one way only and has none.
 */
export function turnsToAndFro(c: StitchColumns): number {
  return Math.max(0, ...runsOf(c).map(toAndFro));
}

/** Directions of the rows of each unbroken stretch of zigzag, degrees from 0 to 180. */
function runsOf({ x, y, command, role }: StitchColumns): number[][] {
  const runs: number[][] = [[]];
  let before: { x: number; y: number } | null = null;
  for (let i = 1; i < x.length; i++) {
    const [dx, dy] = [x[i]! - x[i - 1]!, y[i]! - y[i - 1]!];
    const length = Math.sqrt(dx * dx + dy * dy);
    if (command[i] !== Command.stitch || role[i] !== Role.cover) {
      if (runs.at(-1)!.length > 0) runs.push([]);
      before = null;
      continue;
    }
    if (length < LEAST_ROW_MM) continue;
    const row = { x: dx / length, y: dy / length };
    // Two rows to and fro point opposite ways: their difference is the direction across the column.
    if (before) runs.at(-1)!.push((atan2(before.y - row.y, before.x - row.x) * 180) / PI);
    before = row;
  }
  return runs.filter((run) => run.length >= LEAST_ROWS);
}

function toAndFro(directions: readonly number[]): number {
  const unwound: number[] = [];
  for (const deg of directions) {
    const last = unwound.at(-1) ?? deg;
    unwound.push(deg + 180 * Math.round((last - deg) / 180));
  }
  const smooth = unwound.map((_, i) => {
    const near = unwound.slice(Math.max(0, i - SMOOTH), i + SMOOTH + 1);
    return near.reduce((sum, v) => sum + v, 0) / near.length;
  });
  let turned = 0;
  for (let i = 1; i < smooth.length; i++) turned += Math.abs(smooth[i]! - smooth[i - 1]!);
  return turned - Math.abs(smooth.at(-1)! - smooth[0]!);
}
