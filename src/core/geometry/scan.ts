import type { Area } from './point';

/** Cells that a scan looks at: their size, where column and row 0 begin, and (when bounded) which rows there are. */
export interface ScanGrid {
  cellMm: number;
  left: number;
  top: number;
  firstRow?: number;
  lastRow?: number;
}

/** Visits the runs of cells whose centre lies in an area (even-odd), row by row: row, first and last column. */
export function scanArea(area: Area, grid: ScanGrid, visit: (row: number, from: number, to: number) => void): void {
  const { cellMm, left, top, firstRow = -Infinity, lastRow = Infinity } = grid;
  const crossings = new Map<number, number[]>();
  for (const ring of area) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [a, b] = ring[i]!.y < ring[j]!.y ? [ring[i]!, ring[j]!] : [ring[j]!, ring[i]!];
      for (let row = Math.max(firstRow, Math.ceil((a.y - top) / cellMm - 0.5)); row <= lastRow; row++) {
        const y = top + (row + 0.5) * cellMm;
        if (y >= b.y) break;
        const xs = crossings.get(row) ?? [];
        if (xs.length === 0) crossings.set(row, xs);
        xs.push(a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x));
      }
    }
  }
  for (const [row, xs] of crossings) {
    if (xs.length > 2) xs.sort((p, q) => p - q);
    else if (xs[0]! > xs[1]!) xs.reverse();
    for (let k = 0; k + 1 < xs.length; k += 2) {
      const from = Math.ceil((xs[k]! - left) / cellMm - 0.5);
      const to = Math.ceil((xs[k + 1]! - left) / cellMm - 0.5) - 1;
      if (to >= from) visit(row, from, to);
    }
  }
}
