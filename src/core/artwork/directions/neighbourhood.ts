import { boundsOf, type Area } from '../../geometry/point';
import { cellOf, CELL_MM, spansOf } from '../../route/cells';

/** Which regions of a drawing lie beside and on one another, where they are seen. */
export interface Neighbourhood {
  /** Length along which two regions lie side by side, mm. */
  besideMm(i: number, j: number): number;
  /** All pairs that lie side by side, the smaller number first. */
  meetings: readonly Meeting[];
  /** Share of region `i` that lies on region `j`, 0 to 1. */
  onShare(i: number, j: number): number;
  /** Region that is seen in each cell of the picture, -1 where none is. */
  picture: Picture;
}

export interface Meeting {
  regions: readonly [number, number];
  mm: number;
}

export interface Picture {
  left: number;
  top: number;
  columns: number;
  rows: number;
  seen: Int32Array;
}

/** @param painted what each region paints, back to front; empty for those that are left out */
export function neighbourhoodOf(painted: readonly Area[]): Neighbourhood {
  const n = painted.length;
  const box = boundsOf(painted.flat());
  const empty = !(box.maxX >= box.minX);
  const [left, top] = empty ? [0, 0] : [cellOf(box.minX) - 1, cellOf(box.minY) - 1];
  const [columns, rows] = empty ? [1, 1] : [cellOf(box.maxX) - left + 2, cellOf(box.maxY) - top + 2];
  const seen = new Int32Array(columns * rows).fill(-1);
  const on = new Map<number, number>();
  const hidden = new Int32Array(n);
  const sizes = painted.map((area, i) => {
    const spans = spansOf(area);
    let cells = 0;
    for (let s = 0; s < spans.length; s += 3) {
      const start = (spans[s]! - top) * columns - left;
      const [from, to] = [start + spans[s + 1]!, start + spans[s + 2]!];
      for (let at = from; at <= to; at++) if (seen[at]! >= 0) hidden[seen[at]!]!++;
      seen.fill(i, from, to + 1);
      cells += Math.max(0, to - from + 1);
    }
    for (let j = 0; j < i; j++) {
      if (hidden[j]! > 0) on.set(i * n + j, hidden[j]!);
      hidden[j] = 0;
    }
    return cells;
  });
  const picture = { left, top, columns, rows, seen };
  const beside = edgesBetween(picture, n);
  return {
    picture,
    meetings: [...beside].map(([pair, edges]) => ({ regions: [Math.floor(pair / n), pair % n], mm: CELL_MM * edges })),
    besideMm: (i, j) => CELL_MM * (beside.get(Math.min(i, j) * n + Math.max(i, j)) ?? 0),
    onShare: (i, j) => (on.get(i * n + j) ?? 0) / Math.max(1, sizes[i]!),
  };
}

/** Edges of cells at which two regions meet, by pair. */
function edgesBetween({ columns, seen }: Picture, n: number): Map<number, number> {
  const out = new Map<number, number>();
  const meet = (a: number, b: number): void => {
    if (b < 0 || a === b) return;
    const pair = a < b ? a * n + b : b * n + a;
    out.set(pair, (out.get(pair) ?? 0) + 1);
  };
  for (let at = 0; at + columns < seen.length; at++) {
    const a = seen[at]!;
    if (a < 0) continue;
    meet(a, seen[at + 1]!);
    meet(a, seen[at + columns]!);
  }
  return out;
}
