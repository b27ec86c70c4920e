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
  const sizes = painted.map((area, i) => {
    const spans = spansOf(area);
    let cells = 0;
    for (let s = 0; s < spans.length; s += 3) {
      for (let c = spans[s + 1]!; c <= spans[s + 2]!; c++) {
        const at = (spans[s]! - top) * columns + c - left;
        const below = seen[at]!;
        if (below >= 0) on.set(i * n + below, (on.get(i * n + below) ?? 0) + 1);
        seen[at] = i;
        cells++;
      }
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
  for (let at = 0; at + columns < seen.length; at++) {
    for (const next of [at + 1, at + columns]) {
      const [a, b] = [seen[at]!, seen[next]!];
      if (a < 0 || b < 0 || a === b) continue;
      const pair = Math.min(a, b) * n + Math.max(a, b);
      out.set(pair, (out.get(pair) ?? 0) + 1);
    }
  }
  return out;
}
