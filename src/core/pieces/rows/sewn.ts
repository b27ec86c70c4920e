import { makeMask, paintThread, type Mask } from '../../geometry/mask';
import { boundsOf, type Point } from '../../geometry/point';
import { heightOf, nearestRow, rowRange, toU, type RowFrame, type RowMesh } from './mesh';
import type { RowSet } from './rowset';

/** Where a way may run without lying on rows that are sewn already. */
export interface Clearance {
  /** Whether nothing is sewn yet at a place on a stretch. */
  isClear(mesh: RowMesh, stretch: number, u: number): boolean;
  /** The span of u around a place on a stretch in which nothing is sewn yet; null when the place itself is. */
  span(mesh: RowMesh, stretch: number, u: number): readonly [number, number] | null;
}

const CELL_MM = 0.25;
/** A sewn row takes this much to either side, mm. */
const BESIDE_MM = 0.3;

/**
 * Keeps what is covered already. Ways on the rows' own mesh ask row by row; ways on any other mesh look at a grid, which
 * is only painted when one asks.
 */
export class SewnRows implements Clearance {
  private readonly flags: Uint8Array;
  private readonly marked: number[] = [];
  /** So many of the marked rows are on the grid. */
  private onGrid = 0;
  private grid: Mask | null = null;

  constructor(private readonly rows: RowSet) {
    this.flags = new Uint8Array(rows.count);
  }

  /** The same rows sewn, to go on from in thought. */
  copy(): SewnRows {
    const made = new SewnRows(this.rows);
    this.marked.forEach((row) => made.mark(row));
    return made;
  }

  /** Whether a row that is still to come will lie over a place, on the rows' own mesh. */
  willCover(mesh: RowMesh, p: Point): boolean {
    const u = toU(mesh.frame, p);
    const [from, to] = rowRange(mesh, nearestRow(mesh, p));
    for (let i = from; i < to; i++) if (this.flags[i] === 0 && u >= mesh.u0[i]! && u <= mesh.u1[i]!) return true;
    return false;
  }

  mark(row: number): void {
    this.flags[row] = 1;
    this.marked.push(row);
  }

  isClear(mesh: RowMesh, stretch: number, u: number): boolean {
    if (mesh === this.rows.mesh) return this.flags[stretch] === 0;
    const v = heightOf(mesh, mesh.row[stretch]!);
    const { c, s } = mesh.frame;
    return !isSet(this.painted(), u * c - v * s, u * s + v * c);
  }

  span(mesh: RowMesh, stretch: number, u: number): readonly [number, number] | null {
    if (!this.isClear(mesh, stretch, u)) return null;
    const [low, high] = [mesh.u0[stretch]!, mesh.u1[stretch]!];
    if (mesh === this.rows.mesh) return [low, high];
    const v = heightOf(mesh, mesh.row[stretch]!);
    return [clearUntil(this.painted(), mesh.frame, v, u, low), clearUntil(this.painted(), mesh.frame, v, u, high)];
  }

  private painted(): Mask {
    this.grid ??= makeMask(boundsOf(Array.from({ length: this.rows.count }, (_, i) => this.rows.course(i))), CELL_MM, 1);
    for (; this.onGrid < this.marked.length; this.onGrid++) {
      const course = this.rows.course(this.marked[this.onGrid]!);
      for (let k = 1; k < course.length; k++) paintThread(this.grid, course[k - 1]!, course[k]!, BESIDE_MM, 1);
    }
    return this.grid;
  }
}

/** How far nothing is sewn from a place on a row towards another one on it. */
function clearUntil(mask: Mask, { c, s }: RowFrame, v: number, from: number, to: number): number {
  let at = from;
  while (at !== to) {
    const next = to < from ? Math.max(to, at - CELL_MM) : Math.min(to, at + CELL_MM);
    if (isSet(mask, next * c - v * s, next * s + v * c)) break;
    at = next;
  }
  return at;
}

function isSet(mask: Mask, x: number, y: number): boolean {
  const c = Math.floor((x - mask.minX) / mask.cellMm);
  const r = Math.floor((y - mask.minY) / mask.cellMm);
  return c >= 0 && r >= 0 && c < mask.columns && r < mask.rows && mask.data[r * mask.columns + c] !== 0;
}
