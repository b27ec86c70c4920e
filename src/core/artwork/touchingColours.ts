import { spansOf } from '../route/cells';
import type { Area } from '../geometry/point';

/** A painted area and which of a drawing's colours it has. */
export interface Painted {
  colour: number;
  painted: Area;
}

/** Cells (of half a millimetre) that two colours must have side by side to touch. */
const LEAST_CELLS = 3;
const ROW = 1 << 16;

/**
 * Which colours of a drawing lie beside each other where they are seen.
 * @param painted back to front
 * @returns pairs of colours, the smaller first
 */
export function touchingColours(painted: readonly Painted[]): [number, number][] {
  const seen = new Map<number, number>();
  for (const { colour, painted: area } of painted) {
    const spans = spansOf(area);
    for (let i = 0; i < spans.length; i += 3) for (let c = spans[i + 1]!; c <= spans[i + 2]!; c++) seen.set(spans[i]! * ROW + c, colour);
  }
  const met = new Map<number, number>();
  const most = Math.max(0, ...painted.map((p) => p.colour)) + 1;
  for (const [cell, colour] of seen) {
    for (const next of [cell + 1, cell + ROW]) {
      const other = seen.get(next);
      if (other === undefined || other === colour) continue;
      const pair = Math.min(colour, other) * most + Math.max(colour, other);
      met.set(pair, (met.get(pair) ?? 0) + 1);
    }
  }
  return [...met].filter(([, n]) => n >= LEAST_CELLS).map(([pair]) => [Math.floor(pair / most), pair % most]);
}
