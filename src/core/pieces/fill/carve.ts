import Flatbush from 'flatbush';
import { cross, distance, dot, mix, sub, type Line, type Point } from '../../geometry/point';

/**
 * Lines drawn by the person on which penetrations shall fall, so that they show as a groove in the fill.
 * @returns for a row, the distances from its start at which it meets such a line, in order
 */
export function carvedLines(lines: readonly Line[]): ((row: Line) => number[]) | null {
  const edges = lines.flatMap((l) => l.slice(1).map((b, i): [Point, Point] => [l[i]!, b]));
  if (edges.length === 0) return null;
  const tree = new Flatbush(edges.length);
  for (const [a, b] of edges) tree.add(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
  tree.finish();
  const meets = (a: Point, b: Point): number[] => {
    const d = sub(b, a);
    return tree.search(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y)).flatMap((e) => {
      const [p, q] = edges[e]!;
      const [sp, sq] = [cross(d, sub(p, a)), cross(d, sub(q, a))];
      if (sp > 0 === sq > 0) return [];
      const t = dot(sub(mix(p, q, sp / (sp - sq)), a), d) / (dot(d, d) || 1);
      return t >= 0 && t < 1 ? [t * distance(a, b)] : [];
    });
  };
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
