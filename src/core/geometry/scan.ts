import type { Area } from './point';
import { putEdge, RowCrossings, type UpwardEdges } from './rowCrossings';

/** Cells that a scan looks at: their size, where column and row 0 begin, and (when bounded) which rows there are. */
export interface ScanGrid {
  cellMm: number;
  left: number;
  top: number;
  firstRow?: number;
  lastRow?: number;
}

/**
 * Visits the runs of cells whose centre lies in an area (even-odd), row by row: row, first and last column.
 * @throws TooManyCrossings
 */
export function scanArea(area: Area, grid: ScanGrid, visit: (row: number, from: number, to: number) => void): void {
  const { cellMm, left, top, ...bounds } = grid;
  const { firstRow, from, at } = new RowCrossings(edgesOf(area), { spacing: cellMm, phase: top + cellMm / 2, ...bounds });
  const columnFrom = (x: number): number => Math.ceil((x - left) / cellMm - 0.5);
  for (let row = 0; row + 1 < from.length; row++) {
    for (let k = from[row]!; k + 1 < from[row + 1]!; k += 2) {
      const [first, last] = [columnFrom(at[k]!), columnFrom(at[k + 1]!) - 1];
      if (last >= first) visit(firstRow + row, first, last);
    }
  }
}

function edgesOf(area: Area): UpwardEdges {
  const edges = new Float64Array(4 * area.reduce((n, ring) => n + ring.length, 0));
  let e = 0;
  for (const ring of area) {
    let before = ring[ring.length - 1]!;
    for (const p of ring) {
      putEdge(edges, e, before.x, before.y, p.x, p.y);
      e += 4;
      before = p;
    }
  }
  return edges;
}
