import { distance, type Line, type Point } from '../../geometry/point';

/** Ends nearer than this are one node, mm: less than the shortest stitch. */
const SNAP_MM = 0.35;

export interface LineGraph {
  nodes: Point[];
  edges: { from: number; to: number; line: Line }[];
}

/** Joins lines at their ends. */
export function graphOf(lines: readonly Line[]): LineGraph {
  const nodes: Point[] = [];
  const nodeAt = (p: Point): number => {
    const known = nodes.findIndex((n) => distance(n, p) < SNAP_MM);
    return known >= 0 ? known : nodes.push(p) - 1;
  };
  const edges = lines.filter((l) => l.length > 1).map((line) => ({ from: nodeAt(line[0]!), to: nodeAt(line[line.length - 1]!), line }));
  return { nodes, edges };
}

/**
 * Ways that go along every edge twice, out and back, so that each connected part is one unbroken line that ends where it
 * began.
 */
export function outAndBack(graph: LineGraph, start: Point | null): Point[][] {
  const used = new Set<number>();
  const at = graph.nodes.map((): number[] => []);
  graph.edges.forEach((e, i) => {
    at[e.from]!.push(i);
    if (e.to !== e.from) at[e.to]!.push(i);
  });
  const order = graph.nodes.map((_, i) => i);
  if (start) order.sort((a, b) => distance(graph.nodes[a]!, start) - distance(graph.nodes[b]!, start));
  const out: Point[][] = [];
  for (const root of order) {
    if (!at[root]!.some((e) => !used.has(e))) continue;
    out.push(tour(graph, at, used, root));
  }
  return out;
}

function tour(graph: LineGraph, at: readonly number[][], used: Set<number>, root: number): Point[] {
  const way: Point[] = [graph.nodes[root]!];
  const stack: { node: number; back: Point[] }[] = [{ node: root, back: [] }];
  while (stack.length > 0) {
    const here = stack[stack.length - 1]!;
    const next = at[here.node]!.find((e) => !used.has(e));
    if (next === undefined) {
      way.push(...here.back);
      stack.pop();
      continue;
    }
    used.add(next);
    const edge = graph.edges[next]!;
    const forward = edge.from === here.node;
    const line = forward ? edge.line : edge.line.slice().reverse();
    way.push(...line.slice(1));
    stack.push({ node: forward ? edge.to : edge.from, back: line.slice(0, -1).reverse() });
  }
  return way;
}
