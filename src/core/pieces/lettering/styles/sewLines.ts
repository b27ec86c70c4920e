import type { LineStyle } from '../../run/lineStyles';
import type { StartEnd } from '../../../stitches/startEnd';
import type { StitchBuffer } from '../../../stitches/buffer';
import { Role } from '../../../stitches/roles';
import { distance, type Line, type Point } from '../../../geometry/point';
import { lineLength } from '../../../geometry/line';
import { graphOf, outAndBack, wayOf, type LineGraph } from '../../run/graph';
import { styledPoints } from '../../run/lineStyles';
import { goTo } from '../../run';
import { runPoints } from '../../run/points';
import { dividedNear, type JoinedLines } from './lines';

/** Sews lines that hang together, out and back along each, from the place nearest to the wished start to the one nearest to the end. */
export function sewLines(out: StitchBuffer, { lines, bridges }: JoinedLines, style: LineStyle, { start, end }: StartEnd): void {
  let divided: readonly Line[] = lines;
  for (const p of [start, end]) if (p) divided = dividedNear(divided, p).lines;
  const graph = graphOf([...divided, ...bridges]);
  const isBridge = (edge: number): boolean => edge >= divided.length;
  const plain = style.style === 'plain' || style.style === 'double';
  let here: Point | null = start;
  for (const legs of outAndBack(graph, start)) {
    here = legs[0]!.line[0]!;
    goTo(out, here);
    if (plain) append(out, runPoints(wayOf(legs), style.stitchLengthMm), Role.cover);
    else
      for (const { line, back, edge } of legs) {
        if (back && !isBridge(edge)) append(out, styledPoints(line, style), Role.cover);
        else append(out, runPoints(line, style.stitchLengthMm), Role.travel);
      }
  }
  if (here && end) append(out, runPoints(wayThrough(graph, here, end), style.stitchLengthMm), Role.travel);
}

function append(out: StitchBuffer, points: readonly Point[], role: number): void {
  for (const p of points) {
    const last = out.last();
    if (!last || distance(last, p) > SAME_MM) out.push(p.x, p.y, role);
  }
}
const SAME_MM = 0.05;

/** The shortest way along the lines between the nodes nearest to two places; empty where they are one. */
function wayThrough({ nodes, edges }: LineGraph, from: Point, to: Point): Point[] {
  const nearest = (p: Point): number => nodes.reduce((best, n, i) => (distance(n, p) < distance(nodes[best]!, p) ? i : best), 0);
  const [first, last] = [nearest(from), nearest(to)];
  const cost = nodes.map((_, i) => (i === first ? 0 : Infinity));
  const cameBy: (Line | null)[] = nodes.map(() => null);
  const cameFrom: number[] = nodes.map(() => -1);
  const open = new Set(nodes.keys());
  while (open.size > 0) {
    const here = [...open].reduce((a, b) => (cost[b]! < cost[a]! ? b : a));
    open.delete(here);
    if (here === last || cost[here] === Infinity) break;
    for (const e of edges) {
      const far = e.from === here ? e.to : e.to === here ? e.from : null;
      if (far === null || cost[here]! + lineLength(e.line) >= cost[far]!) continue;
      cost[far] = cost[here]! + lineLength(e.line);
      cameBy[far] = e.from === here ? e.line : e.line.slice().reverse();
      cameFrom[far] = here;
    }
  }
  const parts: Line[] = [];
  for (let at = last; cameBy[at]; at = cameFrom[at]!) parts.unshift(cameBy[at]!);
  return parts.flatMap((line, i) => (i === 0 ? line : line.slice(1)));
}
