import { scanArea } from './scan';
import type { Area, Bounds, Point } from './point';

/** A grid of cells over a box, one byte each, for measuring what covers what. */
export interface Mask {
  readonly minX: number;
  readonly minY: number;
  readonly cellMm: number;
  readonly columns: number;
  readonly rows: number;
  readonly data: Uint8Array;
}

/** An empty mask over `box` grown by `marginMm`. */
export function makeMask(box: Bounds, cellMm: number, marginMm: number): Mask {
  const columns = Math.max(1, Math.ceil((box.maxX - box.minX + 2 * marginMm) / cellMm));
  const rows = Math.max(1, Math.ceil((box.maxY - box.minY + 2 * marginMm) / cellMm));
  const data = new Uint8Array(columns * rows);
  return { minX: box.minX - marginMm, minY: box.minY - marginMm, cellMm, columns, rows, data };
}

/** Sets `bit` in every cell whose centre lies in the area (even-odd). */
export function paintArea(mask: Mask, area: Area, bit: number): void {
  const grid = { cellMm: mask.cellMm, left: mask.minX, top: mask.minY, firstRow: 0, lastRow: mask.rows - 1 };
  scanArea(area, grid, (row, from, to) => {
    const last = Math.min(mask.columns - 1, to);
    for (let c = Math.max(0, from); c <= last; c++) mask.data[row * mask.columns + c]! |= bit;
  });
}

/** Sets `bit` in every cell whose centre lies within `radiusMm` of the segment. */
export function paintThread(mask: Mask, a: Point, b: Point, radiusMm: number, bit: number): void {
  const col = (x: number): number => Math.floor((x - mask.minX) / mask.cellMm);
  const row = (y: number): number => Math.floor((y - mask.minY) / mask.cellMm);
  const fromRow = Math.max(0, row(Math.min(a.y, b.y) - radiusMm));
  const toRow = Math.min(mask.rows - 1, row(Math.max(a.y, b.y) + radiusMm));
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const squared = dx * dx + dy * dy;
  const limit = radiusMm * radiusMm;
  for (let r = fromRow; r <= toRow; r++) {
    const y = mask.minY + (r + 0.5) * mask.cellMm;
    const span = rowSpan(a, b, y, radiusMm);
    const fromCol = Math.max(0, col(span[0]));
    const toCol = Math.min(mask.columns - 1, col(span[1]));
    for (let c = fromCol; c <= toCol; c++) {
      const x = mask.minX + (c + 0.5) * mask.cellMm;
      const t = squared > 0 ? Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / squared)) : 0;
      const ex = x - a.x - t * dx;
      const ey = y - a.y - t * dy;
      if (ex * ex + ey * ey <= limit) mask.data[r * mask.columns + c]! |= bit;
    }
  }
}

/** x range that a thread can reach on the line at height y: keeps long slanted threads from scanning their box. */
function rowSpan(a: Point, b: Point, y: number, radius: number): [number, number] {
  const low = Math.min(a.x, b.x) - radius;
  const high = Math.max(a.x, b.x) + radius;
  const dy = b.y - a.y;
  if (Math.abs(dy) < 1e-9) return [low, high];
  const slope = (b.x - a.x) / dy;
  const middle = a.x + (y - a.y) * slope;
  const reach = radius * Math.sqrt(1 + slope * slope);
  return [Math.max(low, middle - reach), Math.min(high, middle + reach)];
}
