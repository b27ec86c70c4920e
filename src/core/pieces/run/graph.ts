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

/** One line of a tour: sewn on the way out, or on the way back. */
export interface Leg {
  line: Point[];
  back: boolean;
  /** Which edge of the graph it goes along. */
  edge: number;
}

/**
 * Tours that go along every line twice, out and back, so that each connected part is one unbroken way that ends where it
 * began.
 * @returns one tour for each connected part
 */
export function outAndBack(graph: LineGraph, start: Point | null): Leg[][] {
  const used = new Set<number>();
  const at = graph.nodes.map((): number[] => []);
  graph.edges.forEach((e, i) => {
    at[e.from]!.push(i);
    if (e.to !== e.from) at[e.to]!.push(i);
  });
  const order = graph.nodes.map((_, i) => i);
  if (start) order.sort((a, b) => distance(graph.nodes[a]!, start) - distance(graph.nodes[b]!, start));
  const out: Leg[][] = [];
  for (const root of order) {
    if (!at[root]!.some((e) => !used.has(e))) continue;
    out.push(tour(graph, at, used, root));
  }
  return out;
}

function tour(graph: LineGraph, at: readonly number[][], used: Set<number>, root: number): Leg[] {
  const legs: Leg[] = [];
  const stack: { node: number; back: Leg | null }[] = [{ node: root, back: null }];
  while (stack.length > 0) {
    const here = stack[stack.length - 1]!;
    const next = at[here.node]!.find((e) => !used.has(e));
    if (next === undefined) {
      if (here.back) legs.push(here.back);
      stack.pop();
      continue;
    }
    used.add(next);
    const edge = graph.edges[next]!;
    const forward = edge.from === here.node;
    const line = forward ? edge.line.slice() : edge.line.slice().reverse();
    legs.push({ line, back: false, edge: next });
    stack.push({ node: forward ? edge.to : edge.from, back: { line: line.slice().reverse(), back: true, edge: next } });
  }
  return legs;
}

/** The whole tour as one line. */
export const wayOf = (legs: readonly Leg[]): Point[] => legs.flatMap((leg, i) => (i === 0 ? leg.line : leg.line.slice(1)));
