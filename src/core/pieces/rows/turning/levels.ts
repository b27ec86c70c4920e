import type { Point } from '../../../geometry/point';
import { valueAt } from './fieldGrid';
import type { RowField } from './field';

/**
 * Level lines of φ as rows. Where φ is gradientSize its level lines crowd; there the middle two of every eight rows stop, and the
 * six that go on move together so that they lie evenly again, a third farther apart. Where it is steeper still, two of every
 * eight of those stop, and so on. Rows stop in pairs: the needle comes back on the second from where the first has stopped,
 * and needs no travel.
 */
export interface LevelRow {
  row: number;
  /** From one end to the other; φ rises to the same side of every row. */
  points: Point[];
}

/** Rows that stop leave the rest this much farther apart. */
const RATIO = 4 / 3;
/** The densest that rows may lie before some stop, as a share of the spacing: rather a little dense than open, since thread of 0.40 just covers at 0.40. */
const DENSEST = 0.82;
/** Rows on the open side lie this much farther apart than asked, so that the mean is right. */
const OPEN_SIDE = 1.02;
/** Ways in which rows thin out: up to RATIO to the power of this. */
const DEPTH = 9;

export interface Levels {
  /** φ from one row to the next. */
  step: number;
  /** How many times over (as a real number) some rows must stop, for any φ gradient. */
  crowding(gradientSize: number): number;
}

/** @param thin whether rows may stop where they crowd; otherwise all go on, as in satin */
export function levelsFor(field: RowField, spacingMm: number, thin: boolean): Levels {
  const values: number[] = [];
  field.grid.inside.forEach((v, i) => {
    if (v) values.push(field.gradientSize[i]!);
  });
  values.sort((a, b) => a - b);
  const flattest = values[Math.floor(values.length * 0.02)] ?? 1;
  const middle = values[Math.floor(values.length * 0.5)] ?? 1;
  // Nearly even rows keep their mean spacing; fans keep it on the outer side.
  let step = thin ? spacingMm * Math.min(middle, flattest * OPEN_SIDE) : spacingMm * flattest;
  if (field.period > 0) step = field.period / (8 * Math.max(1, Math.round(field.period / step / 8)));
  const crowding = (gradientSize: number): number => (thin ? log2((DENSEST * spacingMm * gradientSize) / step) / log2(RATIO) : -9);
  return { step, crowding };
}

const LN_2 = 0.6931471805599453;

/** Base-2 logarithm by the area-tangent series, the same on every engine; error below 1e-6. */
function log2(v: number): number {
  let whole = 0;
  let x = Math.max(1e-9, v);
  while (x >= 1.5) [x, whole] = [x / 2, whole + 1];
  while (x < 0.75) [x, whole] = [x * 2, whole - 1];
  const z = (x - 1) / (x + 1);
  const q = z * z;
  return whole + (2 * z * (1 + q * (1 / 3 + q * (1 / 5 + q * (1 / 7 + q / 9))))) / LN_2;
}

/** Half the width of the zone in which rows move together, in times of thinning. */
const ZONE = 0.3;

/** Rows go on until their neighbours have all but closed over them, in times of thinning. */
const CLOSED = 0.2;

/** How much of a thinning is done, 0 to 1, about the place where it happens. */
function blend(crowding: number): number {
  const t = Math.min(1, Math.max(0, (crowding + ZONE) / (2 * ZONE)));
  return t * t * (3 - 2 * t);
}

interface RowPlan {
  depth: number;
  shifts: number[];
}

/** How deep into crowded parts a row goes on, and how it moves at each thinning, in rows. */
function planOf(row: number): RowPlan {
  const shifts: number[] = [];
  let index = row;
  let unit = 1;
  for (let depth = 0; depth < DEPTH; depth++) {
    const inEight = ((index % 8) + 8) % 8;
    if (inEight === 3 || inEight === 4) return { depth, shifts };
    const rank = inEight < 3 ? inEight : inEight - 2;
    shifts.push((3.5 + (rank - 2.5) * RATIO - inEight) * unit);
    index = 6 * Math.floor(index / 8) + rank;
    unit *= RATIO;
  }
  return { depth: DEPTH, shifts };
}

/** How far rows may have moved where crowding is at most this, in rows. */
const reachAt = (crowding: number): number =>
  crowding < -ZONE ? 0 : 3.4 * (RATIO ** Math.min(DEPTH, Math.ceil(crowding + ZONE)) - 1) + 0.01;

const MOST_ROWS = 20_000;
/** Rows stand off the round places where slants and edges tend to be, in rows. */
const PHASE = 0.4337;

/** All rows of the field, unclipped, in row order. */
export function levelRows(field: RowField, levels: Levels): LevelRow[] {
  const { grid } = field;
  const crowd = field.gradientSize.map((v) => levels.crowding(v));
  const segments = new Map<number, Segments>();
  const plans = new Map<number, RowPlan>();
  const planFor = (row: number): RowPlan => {
    const known = plans.get(row) ?? planOf(row);
    plans.set(row, known);
    return known;
  };
  for (let y = 0; y < grid.ny - 1; y++) {
    for (let x = 0; x < grid.nx - 1; x++) {
      const i = y * grid.nx + x;
      const at = [i, i + 1, i + grid.nx + 1, i + grid.nx];
      if (!at.every((j) => field.known[j])) continue;
      const phi = field.corners(i);
      const c = at.map((j) => crowd[j]!);
      const margin = reachAt(Math.max(...c));
      const low = Math.ceil(Math.min(...phi) / levels.step - PHASE - margin);
      const high = Math.floor(Math.max(...phi) / levels.step - PHASE + margin);
      for (let row = low; row <= high && segments.size < MOST_ROWS; row++) cross(segments, row, planFor(row), phi, c, at, levels.step);
    }
  }
  const rows = [...segments.keys()].sort((a, b) => a - b);
  return rows.flatMap((row) => {
    const { depth } = planFor(row);
    return chains(segments.get(row)!, (edge) => placeOf(field, edge)).flatMap((points) =>
      whileAllowed(points, (p) => valueAt(grid, crowd, p) < depth + CLOSED, row),
    );
  });
}

/** A level line's pieces inside cells: places on cell edges, and which places are joined. */
interface Segments {
  /** Share of the way along each cell edge at which the line crosses it; key is twice the node, plus one for the edge below. */
  at: Map<number, number>;
  next: Map<number, number[]>;
}

function cross(
  segments: Map<number, Segments>,
  row: number,
  plan: RowPlan,
  phi: readonly number[],
  crowd: readonly number[],
  nodes: readonly number[],
  step: number,
): void {
  const { shifts } = plan;
  const value = [0, 0, 0, 0];
  for (let k = 0; k < 4; k++) {
    let level = row;
    const deepest = Math.min(shifts.length - 1, crowd[k]! + ZONE);
    for (let depth = 0; depth <= deepest; depth++) level += shifts[depth]! * blend(crowd[k]! - depth);
    value[k] = phi[k]! - (level + PHASE) * step;
  }
  if (value[0]! > 0 === value[1]! > 0 && value[1]! > 0 === value[2]! > 0 && value[2]! > 0 === value[3]! > 0) return;
  const hits: [number, number][] = [];
  // Cell edges: top, right, bottom, left, each as the node it starts from, its direction, and the two corners it joins.
  const edges: [number, number, number, number][] = [
    [nodes[0]!, 0, 0, 1],
    [nodes[1]!, 1, 1, 2],
    [nodes[3]!, 0, 3, 2],
    [nodes[0]!, 1, 0, 3],
  ];
  for (const [node, direction, a, b] of edges) {
    if (value[a]! > 0 === value[b]! > 0) continue;
    hits.push([2 * node + direction, value[a]! / (value[a]! - value[b]!)]);
  }
  if (hits.length !== 2 && hits.length !== 4) return;
  const made = segments.get(row) ?? { at: new Map<number, number>(), next: new Map<number, number[]>() };
  segments.set(row, made);
  const join = (p: [number, number], q: [number, number]): void => {
    for (const [key, t] of [p, q]) made.at.set(key, t);
    link(made.next, p[0], q[0]);
    link(made.next, q[0], p[0]);
  };
  join(hits[0]!, hits[1]!);
  if (hits.length === 4) join(hits[2]!, hits[3]!);
}

function link(next: Map<number, number[]>, from: number, to: number): void {
  const known = next.get(from);
  if (known) known.push(to);
  else next.set(from, [to]);
}

function placeOf(field: RowField, edge: [number, number]): Point {
  const { grid } = field;
  const node = edge[0] >> 1;
  const x = grid.left + (node % grid.nx) * grid.cell;
  const y = grid.top + Math.floor(node / grid.nx) * grid.cell;
  const along = edge[1] * grid.cell;
  return edge[0] & 1 ? { x, y: y + along } : { x: x + along, y };
}

/** Joins segments to lines. */
function chains(s: Segments, place: (edge: [number, number]) => Point): Point[][] {
  const out: Point[][] = [];
  const used = new Set<number>();
  const walk = (start: number): void => {
    const keys = [start];
    used.add(start);
    for (let here: number | undefined = start; here !== undefined;) {
      const onward: number | undefined = s.next.get(here)?.find((k) => !used.has(k));
      if (onward !== undefined) {
        used.add(onward);
        keys.push(onward);
      }
      here = onward;
    }
    const closed = keys.length > 2 && (s.next.get(keys[keys.length - 1]!) ?? []).includes(start);
    const points = keys.map((k) => place([k, s.at.get(k)!]));
    out.push(closed ? [...points, points[0]!] : points);
  };
  for (const [key, next] of s.next) if (next.length === 1 && !used.has(key)) walk(key);
  for (const key of s.next.keys()) if (!used.has(key)) walk(key);
  return out.filter((l) => l.length > 1);
}

/** The stretches of a line on which its row goes on. */
function whileAllowed(points: readonly Point[], allowed: (p: Point) => boolean, row: number): LevelRow[] {
  const out: LevelRow[] = [];
  let now: Point[] = [];
  for (const p of points) {
    if (allowed(p)) now.push(p);
    else {
      if (now.length > 1) out.push({ row, points: now });
      now = [];
    }
  }
  if (now.length > 1) out.push({ row, points: now });
  return out;
}
