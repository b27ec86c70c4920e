import { EdgeIndex, edgesOfLines } from '../../geometry/edgeIndex';
import { distance, type Line, type Point } from '../../geometry/point';

/**
 * Lines drawn by the person on which penetrations shall fall, so that they show as a groove in the fill.
 * @returns for a row, the distances from its start at which it meets such a line, in order
 */
export function carvedLines(lines: readonly Line[]): ((row: Line) => number[]) | null {
  const edges = edgesOfLines(lines);
  if (edges.length === 0) return null;
  const index = new EdgeIndex(edges);
  const meets = (a: Point, b: Point): number[] => index.meets(a, b).flatMap((t) => (t >= 0 && t < 1 ? [t * distance(a, b)] : []));
  return (row) => {
    const out: number[] = [];
    let sum = 0;
    for (let i = 1; i < row.length; i++) {
      for (const t of meets(row[i - 1]!, row[i]!)) out.push(sum + t);
      sum += distance(row[i - 1]!, row[i]!);
    }
    return out.sort((a, b) => a - b);
  };
}
