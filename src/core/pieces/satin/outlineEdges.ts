import Flatbush from 'flatbush';
import type { Area, Point } from '../../geometry/point';

/** Outline edges indexed by place, for finding where a row meets the outline. */
export interface EdgeIndex {
  /**
   * The stretch of the line p + t × d (d of length 1, t within ±reach) that is inside the area and holds or is nearest
   * to t = 0, clipped to the reach; null when the line does not meet the inside there.
   */
  stretch(p: Point, d: Point, reachLeft: number, reachRight: number): [number, number] | null;
}

const HAIR_MM = 1e-7;

export function indexEdges(area: Area): EdgeIndex {
  const edges: [Point, Point][] = area.flatMap((ring) => ring.map((a, i): [Point, Point] => [a, ring[(i + 1) % ring.length]!]));
  const tree = new Flatbush(Math.max(1, edges.length));
  for (const [a, b] of edges) {
    tree.add(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
  }
  if (edges.length === 0) tree.add(0, 0, 0, 0);
  tree.finish();

  const crossings = (p: Point, d: Point, from: number, to: number): number[] => {
    const [x0, x1] = [p.x + d.x * from, p.x + d.x * to];
    const [y0, y1] = [p.y + d.y * from, p.y + d.y * to];
    const found = tree.search(Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1));
    const out: number[] = [];
    for (const e of found) {
      const edge = edges[e];
      if (!edge) continue;
      const sa = (edge[0].x - p.x) * d.y - (edge[0].y - p.y) * d.x;
      const sb = (edge[1].x - p.x) * d.y - (edge[1].y - p.y) * d.x;
      if (sa > 0 === sb > 0) continue;
      const k = sa / (sa - sb);
      const qx = edge[0].x + (edge[1].x - edge[0].x) * k - p.x;
      const qy = edge[0].y + (edge[1].y - edge[0].y) * k - p.y;
      out.push(qx * d.x + qy * d.y);
    }
    return out.sort((a, b) => a - b);
  };

  /**
   * Even-odd, by the edges to the right: level, so that few of them have to be looked at. A hair beside the line, on the side
   * to which `crossings` reckons what lies on it.
   */
  const insideAt = (p: Point, d: Point, t: number): boolean => {
    const [x, y] = [p.x + d.x * t + HAIR_MM * d.y, p.y + d.y * t - HAIR_MM * d.x];
    let inside = false;
    for (const e of tree.search(x, y, Infinity, y)) {
      const edge = edges[e];
      if (!edge) continue;
      const [a, b] = edge;
      if (a.y > y !== b.y > y && a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y) > x) inside = !inside;
    }
    return inside;
  };

  return {
    stretch(p, d, reachLeft, reachRight) {
      const at = crossings(p, d, -reachLeft, reachRight).filter((t) => t > -reachLeft && t < reachRight);
      const cuts = [-reachLeft, ...at, reachRight];
      let inside = insideAt(p, d, -reachLeft + 1e-7);
      let best: [number, number] | null = null;
      let bestAway = Infinity;
      for (let i = 0; i + 1 < cuts.length; i++, inside = !inside) {
        if (!inside) continue;
        const away = Math.max(0, cuts[i]!, -cuts[i + 1]!);
        if (away < bestAway) [best, bestAway] = [[cuts[i]!, cuts[i + 1]!], away];
      }
      return best;
    },
  };
}
