import Flatqueue from 'flatqueue';
import { nearestOnLine } from '../geometry/line';
import { distance, emptyBounds, growBounds, type Bounds, type Line, type Point } from '../geometry/point';
import { CELL_MM } from './cells';
import { ROW_MM } from './choices';
import type { CoverGrid } from './coverGrid';

/** Cells beside open cloth are avoided: a thread there is nearer to being seen. */
const RIM_FACTOR = 1.8;
const SNAP_MM = 0.6;
const DIAGONAL = 1.414;
/** So many hidden cells about a goal are walked first: a letter, a leaf. */
const SHUT_IN_CELLS = 4000;

/**
 * The shortest hidden way to piece `k`, over cells (A*), pulled straight wherever it stays hidden.
 * @param looked grows by the box of the cloth that was searched, mm
 * @param linesOf lines that hide what runs along them: piece `k`'s and those of later ones
 * @returns places from `from` to `to`, or null when there is none
 */
export function hiddenWay(
  ground: CoverGrid,
  from: Point,
  to: Point,
  k: number,
  linesOf: () => readonly Line[],
  looked: Bounds = emptyBounds(),
): Point[] | null {
  const start = ground.nearHidden(from, k, ROW_MM);
  const goal = ground.nearHidden(to, k, ROW_MM);
  if (start < 0 || goal < 0) return null;
  if (sees(ground, from, to, k)) return [from, to];
  const cells = search(ground, start, goal, k, looked);
  if (!cells) return null;
  const lines = linesOf();
  const places = [from, ...cells.map((c) => onLine(ground.placeOf(c), ground, c, k, lines)), to];
  return pulled(places, (a, b) => sees(ground, a, b, k));
}

/** Where only a line hides, the way runs exactly on it. */
function onLine(p: Point, ground: CoverGrid, cell: number, k: number, lines: readonly Line[]): Point {
  const open = [cell - 1, cell + 1, cell - ground.columns, cell + ground.columns].filter((c) => !ground.hidden(c, k)).length;
  if (open < 2 || lines.length === 0) return p;
  let best = { point: p, distance: SNAP_MM };
  for (const line of lines) {
    const near = nearestOnLine(line, p);
    if (near.distance < best.distance) best = near;
  }
  return best.point;
}

/** Whether the straight way is hidden, its first and last half millimetre aside. */
function sees(ground: CoverGrid, a: Point, b: Point, k: number): boolean {
  const gap = distance(a, b);
  const steps = Math.ceil(gap / (CELL_MM / 2));
  for (let s = 1; s < steps; s++) {
    const t = s / steps;
    if (t * gap < 0.5 || (1 - t) * gap < 0.5) continue;
    if (!ground.hidden(ground.cellAt({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }), k)) return false;
  }
  return true;
}

/** Leaves out places that the ones before see past. */
function pulled(places: readonly Point[], see: (a: Point, b: Point) => boolean): Point[] {
  const out = [places[0]!];
  let from = 0;
  while (from < places.length - 1) {
    // Doubling, then halving: most ways are straight for long.
    let far = from + 1;
    for (let step = 1; from + step < places.length; step *= 2) {
      if (!see(places[from]!, places[from + step]!)) break;
      far = from + step;
    }
    for (let step = far - from; step >= 1; step >>= 1) {
      if (far + step < places.length && see(places[from]!, places[far + step]!)) far += step;
    }
    out.push(places[far]!);
    from = far;
  }
  return out;
}

/** What is known of cells while a way is looked for; an entry counts only when it bears the number of the search. */
interface Scratch {
  cost: Float64Array;
  came: Int32Array;
  seen: Uint32Array;
  searches: number;
}

let scratch: Scratch | null = null;

/** The same memory for all searches: laying out a design's cells anew costs more than most searches. */
function scratchFor(cells: number): Scratch {
  if (!scratch || scratch.cost.length < cells || scratch.searches > 4e9)
    scratch = { cost: new Float64Array(cells), came: new Int32Array(cells), seen: new Uint32Array(cells), searches: 0 };
  return scratch;
}

/**
 * Whether the hidden cells about the goal are few and the start is none of them: then no way leads there, and the search, which
 * would walk all that hangs together with the start before it knew, need not begin.
 */
function shutIn(ground: CoverGrid, start: number, goal: number, k: number, looked: Bounds): boolean {
  const { seen, came } = scratch!;
  const mark = ++scratch!.searches;
  const around = stepsOf(ground.columns);
  // `came` serves as the queue.
  let [done, known] = [0, 1];
  came[0] = goal;
  seen[goal] = mark;
  while (done < known) {
    const here = came[done++]!;
    if (here === start || known > SHUT_IN_CELLS) return false;
    for (const [step] of around) {
      const next = here + step;
      if (seen[next] === mark || !ground.hidden(next, k)) continue;
      seen[next] = mark;
      came[known++] = next;
    }
  }
  for (let i = 0; i < known; i++) {
    const { x, y } = ground.placeOf(came[i]!);
    growBounds(looked, x, y);
  }
  return true;
}

/** The steps to a cell's eight neighbours, with their lengths. */
const stepsOf = (columns: number): readonly (readonly [number, number])[] => [
  [-1, 1],
  [1, 1],
  [-columns, 1],
  [columns, 1],
  [-columns - 1, DIAGONAL],
  [-columns + 1, DIAGONAL],
  [columns - 1, DIAGONAL],
  [columns + 1, DIAGONAL],
];

function search(ground: CoverGrid, start: number, goal: number, k: number, looked: Bounds): number[] | null {
  const { columns } = ground;
  const { cost, came, seen } = scratchFor(columns * ground.rows);
  if (shutIn(ground, start, goal, k, looked)) return null;
  const mark = ++scratch!.searches;
  const queue = new Flatqueue<number>();
  const around = stepsOf(columns);
  const [goalR, goalC] = [Math.floor(goal / columns), goal % columns];
  const left = (cell: number): number => {
    const [dr, dc] = [Math.abs(Math.floor(cell / columns) - goalR), Math.abs((cell % columns) - goalC)];
    return Math.max(dr, dc) + 0.414 * Math.min(dr, dc);
  };
  const free = (cell: number): boolean => ground.hidden(cell, k);
  cost[start] = 0;
  came[start] = -1;
  seen[start] = mark;
  queue.push(start, left(start));
  while (queue.length > 0) {
    const here = queue.pop()!;
    const { x, y } = ground.placeOf(here);
    growBounds(looked, x, y);
    if (here === goal) return back(came, goal);
    const so = cost[here]!;
    for (const [step, length] of around) {
      const next = here + step;
      if (!free(next)) continue;
      const rim = free(next - 1) && free(next + 1) && free(next - columns) && free(next + columns) ? 1 : RIM_FACTOR;
      const sum = so + length * rim;
      if (seen[next] === mark && sum >= cost[next]!) continue;
      seen[next] = mark;
      cost[next] = sum;
      came[next] = here;
      queue.push(next, sum + left(next));
    }
  }
  return null;
}

function back(came: Int32Array, goal: number): number[] {
  const out = [goal];
  for (let at = came[goal]!; at >= 0; at = came[at]!) out.push(at);
  return out.reverse();
}
