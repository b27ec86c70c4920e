import { offset } from '../../../geometry/area';
import { boundsOf, type Area, type Point } from '../../../geometry/point';

/** A square grid of nodes over an area; values live at nodes, row by row. */
export interface Grid {
  readonly nx: number;
  readonly ny: number;
  readonly cell: number;
  readonly left: number;
  readonly top: number;
  /** 1 where a node lies in the area or just outside its edge. */
  readonly inside: Uint8Array;
}

const MOST_NODES_ACROSS = 100;
const FINEST_MM = 0.3571;
/** How far beyond the edge nodes still count, in cells, so that values at the edge itself are well founded. */
const BEYOND_CELLS = 0.75;
const FRAME_CELLS = 3;
/** Keeps nodes off the round coordinates of edges, in cells. */
const ODD = 0.3863;

export function gridOver(area: Area): Grid {
  const b = boundsOf(area);
  const across = Math.max(b.maxX - b.minX, b.maxY - b.minY);
  const cell = Math.max(FINEST_MM, across / MOST_NODES_ACROSS);
  const left = b.minX - (FRAME_CELLS + ODD) * cell;
  const top = b.minY - (FRAME_CELLS + ODD) * cell;
  const nx = Math.ceil((b.maxX - left) / cell) + FRAME_CELLS + 2;
  const ny = Math.ceil((b.maxY - top) / cell) + FRAME_CELLS + 2;
  const inside = new Uint8Array(nx * ny);
  markInside(offset(area, BEYOND_CELLS * cell, 'round', 0.05), { nx, ny, cell, left, top, inside });
  return { nx, ny, cell, left, top, inside };
}

/** Marks nodes in an area by the even-odd rule, one grid line at a time. */
function markInside(area: Area, g: Grid): void {
  for (let y = 0; y < g.ny; y++) {
    const v = g.top + y * g.cell;
    const at: number[] = [];
    for (const ring of area) {
      for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
        const [a, b] = [ring[j]!, ring[i]!];
        if (a.y > v !== b.y > v) at.push(a.x + ((b.x - a.x) * (v - a.y)) / (b.y - a.y));
      }
    }
    at.sort((p, q) => p - q);
    for (let k = 0; k + 1 < at.length; k += 2) {
      const from = Math.max(0, Math.ceil((at[k]! - g.left) / g.cell));
      const to = Math.min(g.nx - 1, Math.floor((at[k + 1]! - g.left) / g.cell));
      for (let x = from; x <= to; x++) g.inside[y * g.nx + x] = 1;
    }
  }
}

export const nodeAt = (g: Grid, i: number): Point => ({ x: g.left + (i % g.nx) * g.cell, y: g.top + Math.floor(i / g.nx) * g.cell });

/** Value at any place by bilinear interpolation; places off the grid take the nearest node's. */
export function valueAt(g: Grid, values: Float64Array, p: Point): number {
  const fx = Math.min(g.nx - 1.001, Math.max(0, (p.x - g.left) / g.cell));
  const fy = Math.min(g.ny - 1.001, Math.max(0, (p.y - g.top) / g.cell));
  const [x, y] = [Math.floor(fx), Math.floor(fy)];
  const [u, v] = [fx - x, fy - y];
  const i = y * g.nx + x;
  const upper = values[i]! * (1 - u) + values[i + 1]! * u;
  const lower = values[i + g.nx]! * (1 - u) + values[i + g.nx + 1]! * u;
  return upper * (1 - v) + lower * v;
}

/** Carries values from the nodes inside to those around them, ring by ring, so that interpolation near the edge is sound. */
export function spread(g: Grid, values: Float64Array, rings: number): Uint8Array {
  const known = g.inside.slice();
  for (let r = 0; r < rings; r++) {
    const before = known.slice();
    for (let y = 1; y < g.ny - 1; y++) {
      for (let x = 1; x < g.nx - 1; x++) {
        const i = y * g.nx + x;
        if (before[i]) continue;
        const guess = extrapolated(g, values, before, i);
        if (guess === null) continue;
        values[i] = guess;
        known[i] = 1;
      }
    }
  }
  return known;
}

/** Mean of the straight continuations from known neighbours; the nearest value where only one is known. */
function extrapolated(g: Grid, values: Float64Array, known: Uint8Array, i: number): number | null {
  let [sum, n, plain, m] = [0, 0, 0, 0];
  for (const step of [1, -1, g.nx, -g.nx]) {
    const a = i + step;
    const b = i + 2 * step;
    if (!known[a]) continue;
    plain += values[a]!;
    m++;
    if (b >= 0 && b < values.length && known[b]) {
      sum += 2 * values[a]! - values[b]!;
      n++;
    }
  }
  if (n > 0) return sum / n;
  return m > 0 ? plain / m : null;
}
