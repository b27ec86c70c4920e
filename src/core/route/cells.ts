import { ofEach } from '../geometry/known';
import { scanArea } from '../geometry/scan';
import type { Area, Line, Point } from '../geometry/point';

/** Side of the cells on which ways are found, mm: fine enough for columns of 1.2 mm. */
export const CELL_MM = 0.5;

/**
 * Cells as runs along rows: triples of row, first and last column, in cell numbers counted from the hoop's centre, so
 * that they hold wherever a job's other pieces lie.
 */
export type Spans = Int32Array;

/** Cells whose centre lies in an area (even-odd). */
export const spansOf = ofEach(scan);

/** Cells that lines pass through. */
export const spansAlong = ofEach(trace);

export const cellOf = (mm: number): number => Math.floor(mm / CELL_MM);
export const centreOf = (cell: number): number => (cell + 0.5) * CELL_MM;

function scan(area: Area): Spans {
  const out: number[] = [];
  scanArea(area, { cellMm: CELL_MM, left: 0, top: 0 }, (row, from, to) => out.push(row, from, to));
  return Int32Array.from(out);
}

function trace(lines: readonly Line[]): Spans {
  const out: number[] = [];
  let [row, column] = [NaN, NaN];
  const visit = (p: Point): void => {
    const [r, c] = [cellOf(p.y), cellOf(p.x)];
    if (r === row && c === column) return;
    [row, column] = [r, c];
    out.push(r, c, c);
  };
  for (const line of lines) {
    for (let i = 1; i < line.length; i++) {
      const [a, b] = [line[i - 1]!, line[i]!];
      const steps = Math.max(1, Math.ceil((Math.abs(b.x - a.x) + Math.abs(b.y - a.y)) / (CELL_MM / 4)));
      for (let k = 0; k <= steps; k++) visit({ x: a.x + ((b.x - a.x) * k) / steps, y: a.y + ((b.y - a.y) * k) / steps });
    }
  }
  return Int32Array.from(out);
}

/** Cells that two sets of runs share. */
export function sharedCells(a: Spans, b: Spans): number {
  const rows = new Map<number, [number, number][]>();
  for (let i = 0; i < a.length; i += 3) {
    const list = rows.get(a[i]!) ?? [];
    if (list.length === 0) rows.set(a[i]!, list);
    list.push([a[i + 1]!, a[i + 2]!]);
  }
  let sum = 0;
  for (let i = 0; i < b.length; i += 3) {
    for (const [from, to] of rows.get(b[i]!) ?? []) sum += Math.max(0, Math.min(to, b[i + 2]!) - Math.max(from, b[i + 1]!) + 1);
  }
  return sum;
}
