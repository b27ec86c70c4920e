/** Connected spots of a grid: lists of cells that share sides, row by row from the upper left; those at the grid's edge do not wrap. */
export function spotsOf(cells: number, columns: number, isIn: (cell: number) => boolean): number[][] {
  const seen = new Uint8Array(cells);
  const out: number[][] = [];
  for (let i = 0; i < cells; i++) {
    if (seen[i] || !isIn(i)) continue;
    seen[i] = 1;
    const spot = [i];
    for (const at of spot) {
      const column = at % columns;
      const beside = [at - columns, at + columns, ...(column > 0 ? [at - 1] : []), ...(column < columns - 1 ? [at + 1] : [])];
      for (const next of beside) {
        if (next < 0 || next >= cells || seen[next] || !isIn(next)) continue;
        seen[next] = 1;
        spot.push(next);
      }
    }
    out.push(spot);
  }
  return out;
}
