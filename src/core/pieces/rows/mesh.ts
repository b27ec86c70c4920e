import type { Area, Point } from '../../geometry/point';
import { putEdge, RowCrossings, TooManyCrossings, type UpwardEdges } from '../../geometry/rowCrossings';
import { InputError } from '../../document/errors';
import { cos, PI, sin } from '../../units/trig';

/** A frame turned so that rows run along u and are stacked along v. Angle as people say it: counter-clockwise on screen. */
export interface RowFrame {
  readonly c: number;
  readonly s: number;
}

export function rowFrame(angleDeg: number): RowFrame {
  const a = (-angleDeg * PI) / 180;
  return { c: cos(a), s: sin(a) };
}

export const toU = (f: RowFrame, p: Point): number => p.x * f.c + p.y * f.s;
export const toV = (f: RowFrame, p: Point): number => -p.x * f.s + p.y * f.c;
export const fromUV = (f: RowFrame, u: number, v: number): Point => ({ x: u * f.c - v * f.s, y: u * f.s + v * f.c });

/**
 * Where row 0 lies, mm. Drawings are full of edges at round coordinates; a lattice that avoids those never has an edge
 * run exactly along a row or between two.
 */
const LATTICE_PHASE_MM = 0.0337;

/** Stretches of rows inside an area, in row order, then from left to right. */
export interface RowMesh {
  readonly frame: RowFrame;
  readonly spacing: number;
  /** Row number of each stretch. */
  readonly row: Int32Array;
  readonly u0: Float64Array;
  readonly u1: Float64Array;
  /** Stretches of row k are those from `first.get(k)` to the next row's first. */
  readonly first: ReadonlyMap<number, number>;
  readonly count: number;
}

/** Height v of a row in the turned frame, mm. */
export const heightOf = (mesh: { spacing: number }, row: number): number => row * mesh.spacing + LATTICE_PHASE_MM;

/** Stretches shorter than this are noise of the outline, mm. */
const SHORTEST_STRETCH_MM = 0.08;

/**
 * Cuts an area (even-odd) into rows of one lattice through the design's origin, so that pieces with
 * the same direction line up with each other.
 * @throws InputError when the rows would be more than any hoop could hold
 */
export function scanRows(area: Area, angleDeg: number, spacing: number): RowMesh {
  const frame = rowFrame(angleDeg);
  try {
    return collect(frame, spacing, new RowCrossings(edgesIn(frame, area), { spacing, phase: LATTICE_PHASE_MM }));
  } catch (error) {
    if (error instanceof TooManyCrossings) throw new InputError('too-complex', TOO_MANY_ROWS);
    throw error;
  }
}

const TOO_MANY_ROWS = 'This area has more rows than any hoop can hold; make it smaller or its rows wider apart.';

function edgesIn(frame: RowFrame, area: Area): UpwardEdges {
  const edges = new Float64Array(4 * area.reduce((n, ring) => n + ring.length, 0));
  let e = 0;
  for (const ring of area) {
    let [pu, pv] = [toU(frame, ring[ring.length - 1]!), toV(frame, ring[ring.length - 1]!)];
    for (const p of ring) {
      const [u, v] = [toU(frame, p), toV(frame, p)];
      putEdge(edges, e, pu, pv, u, v);
      e += 4;
      [pu, pv] = [u, v];
    }
  }
  return edges;
}

function collect(frame: RowFrame, spacing: number, { firstRow, from, at }: RowCrossings): RowMesh {
  const most = at.length >> 1;
  const [row, u0, u1] = [new Int32Array(most), new Float64Array(most), new Float64Array(most)];
  const first = new Map<number, number>();
  let count = 0;
  for (let k = 0; k + 1 < from.length; k++) {
    if (from[k] === from[k + 1]) continue;
    first.set(firstRow + k, count);
    for (let i = from[k]!; i + 1 < from[k + 1]!; i += 2) {
      if (at[i + 1]! - at[i]! < SHORTEST_STRETCH_MM) continue;
      row[count] = firstRow + k;
      u0[count] = at[i]!;
      u1[count] = at[i + 1]!;
      count++;
    }
  }
  return { frame, spacing, row: row.slice(0, count), u0: u0.slice(0, count), u1: u1.slice(0, count), first, count };
}

/** Stretches of row `k` as a half-open index range. */
export function rowRange(mesh: RowMesh, k: number): [number, number] {
  const from = mesh.first.get(k);
  if (from === undefined) return [0, 0];
  let to = from;
  while (to < mesh.count && mesh.row[to] === k) to++;
  return [from, to];
}

/** Stretches of the row `step` (+1 or -1) away that overlap stretch `i`. */
export function neighbours(mesh: RowMesh, i: number, step: 1 | -1): number[] {
  const [from, to] = rowRange(mesh, mesh.row[i]! + step);
  const out: number[] = [];
  for (let j = from; j < to; j++) {
    if (Math.min(mesh.u1[i]!, mesh.u1[j]!) - Math.max(mesh.u0[i]!, mesh.u0[j]!) > 0) out.push(j);
  }
  return out;
}

/** Number of the row of the lattice nearest to a point. */
export const nearestRow = (mesh: Pick<RowMesh, 'frame' | 'spacing'>, p: Point): number =>
  Math.round((toV(mesh.frame, p) - LATTICE_PHASE_MM) / mesh.spacing);

/** The stretch nearest to a point, or -1 in an empty mesh. */
export function nearestStretch(mesh: RowMesh, p: Point): number {
  const u = toU(mesh.frame, p);
  const v = toV(mesh.frame, p);
  let best = -1;
  let bestAway = Infinity;
  const middle = nearestRow(mesh, p);
  const rowsAway = (k: number): number => Math.abs(heightOf(mesh, k) - v);
  const look = (k: number): void => {
    const [from, to] = rowRange(mesh, k);
    for (let i = from; i < to; i++) {
      const du = Math.max(0, mesh.u0[i]! - u, u - mesh.u1[i]!);
      const away = du * du + rowsAway(k) * rowsAway(k);
      if (away < bestAway) [best, bestAway] = [i, away];
    }
  };
  const low = mesh.row[0] ?? 0;
  const high = mesh.row[mesh.count - 1] ?? 0;
  const start = Math.min(high, Math.max(low, middle));
  for (let d = 0; d <= high - low + 1; d++) {
    if (rowsAway(start - d) ** 2 > bestAway && rowsAway(start + d) ** 2 > bestAway) break;
    look(start - d);
    if (d > 0) look(start + d);
  }
  return best;
}
