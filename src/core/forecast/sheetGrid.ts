import type { Hoop } from '../document/types';

/** The square cells that the cloth is divided into. Lengths mm. */
export interface CellGrid {
  columns: number;
  rows: number;
  left: number;
  top: number;
  cellMm: number;
}

/** The ring that holds the cloth lies so far outside the field that the needle may reach, mm. */
export const RING_MM = 5;
/** The coarsest grid has at least so many cells each way. */
const COARSEST_CELLS = 5;
/** Cells are at least this share of the size asked for. */
const LEAST_SHARE = 0.75;
/** Half as large a cell costs as much as so many mm by which the grid reaches beyond the ring. */
const COST_MM = 20;

/**
 * Cells of at most `largestMm` that fill a hoop out to its ring as nearly as whole cells of the coarsest grid can. How
 * far out the cloth is held then hardly depends on the size of cells.
 * @returns the finest grid, and how many times it can be halved
 */
export function gridOver({ width, height }: Pick<Hoop, 'width' | 'height'>, largestMm: number): { grid: CellGrid; depth: number } {
  const [across, down] = [width + 2 * RING_MM, height + 2 * RING_MM];
  let depth = 0;
  while (Math.ceil(Math.min(across, down) / largestMm) / 2 ** (depth + 1) >= COARSEST_CELLS) depth++;
  const many = 2 ** depth;
  const counts = (side: number): number[] => {
    const [least, most] = [Math.ceil(side / largestMm / many), Math.floor(side / (LEAST_SHARE * largestMm) / many)];
    return Array.from({ length: Math.max(1, most - least + 1) }, (_, i) => (least + i) * many);
  };
  let best = { columns: 0, rows: 0, cellMm: 0, cost: Infinity };
  for (const columns of counts(across)) {
    for (const rows of counts(down)) {
      const cellMm = Math.max(across / columns, down / rows);
      const beyond = columns * cellMm - across + rows * cellMm - down;
      const cost = beyond + COST_MM * (1 - cellMm / largestMm);
      if (cost < best.cost) best = { columns, rows, cellMm, cost };
    }
  }
  const { columns, rows, cellMm } = best;
  return { grid: { columns, rows, left: (-columns * cellMm) / 2, top: (-rows * cellMm) / 2, cellMm }, depth };
}
