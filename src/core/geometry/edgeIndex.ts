import Flatbush from 'flatbush';
import { cross, dot, mix, sub, type Area, type Line, type Point } from './point';

type Edge = readonly [Point, Point];

/** Edges indexed by place, for finding where segments meet them. */
export class EdgeIndex {
  private readonly tree: Flatbush;

  constructor(private readonly edges: readonly Edge[]) {
    this.tree = new Flatbush(Math.max(1, edges.length));
    for (const [a, b] of edges) this.tree.add(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
    if (edges.length === 0) this.tree.add(0, 0, 0, 0);
    this.tree.finish();
  }

  /** Where a segment meets the edges, as shares of its length, in no order; a little beyond its ends where an edge's box reaches it. */
  meets(a: Point, b: Point): number[] {
    const d = sub(b, a);
    const found = this.tree.search(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
    return found.flatMap((e) => {
      const edge = this.edges[e];
      if (!edge) return [];
      const [sp, sq] = [cross(d, sub(edge[0], a)), cross(d, sub(edge[1], a))];
      if (sp > 0 === sq > 0) return [];
      return [dot(sub(mix(edge[0], edge[1], sp / (sp - sq)), a), d) / (dot(d, d) || 1)];
    });
  }
}

export const edgesOfArea = (area: Area): Edge[] => area.flatMap((ring) => ring.map((a, i): Edge => [a, ring[(i + 1) % ring.length]!]));
export const edgesOfLines = (lines: readonly Line[]): Edge[] => lines.flatMap((l) => l.slice(1).map((b, i): Edge => [l[i]!, b]));
