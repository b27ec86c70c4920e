import { stayWarm } from '../units/warm';

/** Rows at the heights `number * spacing + phase`. */
export interface RowLattice {
  spacing: number;
  phase: number;
  /** Rows outside these are left out. */
  firstRow?: number;
  lastRow?: number;
}

/** More crossings than this are given up. */
export const MOST_CROSSINGS = 4_000_000;

/** More rows or crossings than can be worked with. */
export class TooManyCrossings extends Error {}

/** Edges as columns of four numbers, each upwards: where along the rows and how high its lower end is, then its upper one. */
export type UpwardEdges = Float64Array;

/** Puts an edge into place `at` of a table of edges. */
export function putEdge(edges: UpwardEdges, at: number, u0: number, v0: number, u1: number, v1: number): void {
  const up = v0 < v1;
  edges[at] = up ? u0 : u1;
  edges[at + 1] = up ? v0 : v1;
  edges[at + 2] = up ? u1 : u0;
  edges[at + 3] = up ? v1 : v0;
}

/**
 * Where edges cross the rows of a lattice, row by row in columns of numbers. A row meets an edge at its lower end, not at its upper.
 * @throws TooManyCrossings
 */
export class RowCrossings {
  readonly firstRow: number;
  /** First crossing of each row, and of the one after the last. */
  readonly from: Int32Array;
  /** Where along the row, in order. */
  readonly at: Float64Array;

  constructor(
    edges: UpwardEdges,
    private readonly lattice: RowLattice,
  ) {
    let [low, high] = [Infinity, -Infinity];
    for (let e = 0; e < edges.length; e += 4) {
      low = Math.min(low, edges[e + 1]!);
      high = Math.max(high, edges[e + 3]!);
    }
    const { firstRow = -Infinity, lastRow = Infinity } = lattice;
    const first = low <= high ? Math.max(firstRow, this.rowFrom(low)) : 0;
    const end = low <= high ? Math.min(lastRow + 1, this.rowFrom(high) + 1) : 0;
    this.firstRow = first;
    const rows = Math.max(0, end - first);
    if (rows > MOST_CROSSINGS) throw new TooManyCrossings();
    const counts = new Int32Array(rows + 1);
    this.each(edges, rows, (row) => counts[row + 1]!++);
    for (let k = 1; k <= rows; k++) counts[k]! += counts[k - 1]!;
    this.from = counts;
    this.at = new Float64Array(counts[rows]!);
    const next = counts.slice();
    this.each(edges, rows, (row, u) => (this.at[next[row]!++] = u));
    for (let k = 0; k < rows; k++) sortBetween(this.at, counts[k]!, counts[k + 1]!);
    stayWarm(this);
  }

  /** The first row that is not below a height. */
  private rowFrom(v: number): number {
    return Math.ceil((v - this.lattice.phase) / this.lattice.spacing);
  }

  private each(edges: UpwardEdges, rows: number, visit: (row: number, u: number) => void): void {
    const { spacing, phase } = this.lattice;
    const end = this.firstRow + rows;
    let n = 0;
    for (let e = 0; e < edges.length; e += 4) {
      const [u0, v0, u1, v1] = [edges[e]!, edges[e + 1]!, edges[e + 2]!, edges[e + 3]!];
      const slope = v1 > v0 ? (u1 - u0) / (v1 - v0) : 0;
      // Both ends by the same reckoning, or a row through a corner meets one of its edges and not the other.
      const stop = Math.min(end, this.rowFrom(v1));
      for (let k = Math.max(this.firstRow, this.rowFrom(v0)); k < stop; k++) {
        visit(k - this.firstRow, u0 + (k * spacing + phase - v0) * slope);
        if (++n > MOST_CROSSINGS) throw new TooManyCrossings();
      }
    }
  }
}

const FEW = 12;

/** Sorts a few numbers within a column where they stand. */
function sortBetween(all: Float64Array, from: number, to: number): void {
  if (to - from > FEW) {
    all.subarray(from, to).sort();
    return;
  }
  for (let i = from + 1; i < to; i++) {
    const value = all[i]!;
    let k = i;
    for (; k > from && all[k - 1]! > value; k--) all[k] = all[k - 1]!;
    all[k] = value;
  }
}
