import { hypot } from '../units/trig';
import type { CellGrid } from './sheetGrid';

/** Stretches of thread that lie in one cell each, in sewing order. */
export class Stretches {
  count = 0;
  cell = new Int32Array(256);
  /** Direction, a unit vector. */
  dx = new Float64Array(256);
  dy = new Float64Array(256);
  /** Length times the force that would stretch the thread to twice its length, N·mm. */
  resists = new Float64Array(256);

  clear(): void {
    this.count = 0;
  }

  private add(cell: number, dx: number, dy: number, resists: number): void {
    if (this.count === this.cell.length) this.enlarge();
    this.cell[this.count] = cell;
    this.dx[this.count] = dx;
    this.dy[this.count] = dy;
    this.resists[this.count++] = resists;
  }

  private enlarge(): void {
    const twice = 2 * this.cell.length;
    const cell = new Int32Array(twice);
    cell.set(this.cell);
    this.cell = cell;
    const larger = (old: Float64Array): Float64Array<ArrayBuffer> => {
      const all = new Float64Array(twice);
      all.set(old);
      return all;
    };
    [this.dx, this.dy, this.resists] = [larger(this.dx), larger(this.dy), larger(this.resists)];
  }

  /** Cuts a stitch where it crosses grid lines. What lies off the grid is left out, and so are knots. */
  cut({ columns, rows, left, top, cellMm }: CellGrid, x0: number, y0: number, x1: number, y1: number, threadN: number): void {
    const length = hypot(x1 - x0, y1 - y0);
    if (length < LEAST_STITCH_MM) return;
    const dx = (x1 - x0) / length;
    const dy = (y1 - y0) / length;
    let gx = (x0 - left) / cellMm;
    let gy = (y0 - top) / cellMm;
    const sx = dx / cellMm;
    const sy = dy / cellMm;
    let gone = 0;
    while (gone < length - 1e-9) {
      let c = Math.floor(gx);
      let r = Math.floor(gy);
      if (sx < 0 && gx === c) c--;
      if (sy < 0 && gy === r) r--;
      const toX = sx > 0 ? (c + 1 - gx) / sx : sx < 0 ? (c - gx) / sx : Infinity;
      const toY = sy > 0 ? (r + 1 - gy) / sy : sy < 0 ? (r - gy) / sy : Infinity;
      const step = Math.max(1e-9, Math.min(toX, toY, length - gone));
      if (c >= 0 && r >= 0 && c < columns && r < rows) this.add(r * columns + c, dx, dy, threadN * step);
      gone += step;
      gx = toX <= step ? (sx > 0 ? c + 1 : c) : gx + step * sx;
      gy = toY <= step ? (sy > 0 ? r + 1 : r) : gy + step * sy;
    }
  }
}

/** Shorter stitches are knots. */
const LEAST_STITCH_MM = 0.05;
