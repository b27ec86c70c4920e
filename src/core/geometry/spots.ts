/** Connected spots of a grid: lists of cells that share sides, row by row from the upper left; those at the grid's edge do not wrap. */
export function spotsOf(cells: number, columns: number, isIn: (cell: number) => boolean): number[][] {
  const seen = new Uint8Array(cells);
  const out: number[][] = [];
  for (let i = 0; i < cells; i++) {
    if (seen[i] || !isIn(i)) continue;
    seen[i] = 1;
    const spot = [i];
    const reach = (next: number): void => {
      if (next < 0 || next >= cells || seen[next] || !isIn(next)) return;
      seen[next] = 1;
      spot.push(next);
    };
    for (const at of spot) {
      const column = at % columns;
      reach(at - columns);
      reach(at + columns);
      if (column > 0) reach(at - 1);
      if (column < columns - 1) reach(at + 1);
    }
    out.push(spot);
  }
  return out;
}
