import type { Path, Segment } from '../geometry/path';
import { add, distance, scale, sub, unit, type Point } from '../geometry/point';
import { atan2, cos, PI, sin } from '../units/trig';

/** A node set down while drawing. */
export interface DrawnNode {
  at: Point;
  /** Whether the line goes smoothly through it. */
  curve: boolean;
}

/** The line through nodes set down one after the other: straight between corners, smooth through curve nodes. */
export function drawnPath(nodes: readonly DrawnNode[], closed: boolean): Path {
  const n = nodes.length;
  if (n < 2) return [];
  const at = (i: number): DrawnNode => nodes[((i % n) + n) % n]!;
  const inner = (i: number): boolean => closed || (i > 0 && i < n - 1);
  const handle = (i: number, towards: number): Point => {
    const here = at(i).at;
    const other = at(i + towards).at;
    const reach = distance(here, other) / 3;
    if (!at(i).curve || !inner(i)) return add(here, scale(unit(sub(other, here)), reach));
    return add(here, scale(unit(sub(at(i + 1).at, at(i - 1).at)), towards * reach));
  };
  const segments: Segment[] = [];
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const to = at(i + 1).at;
    const straight = !(at(i).curve && inner(i)) && !(at(i + 1).curve && inner((i + 1) % n));
    segments.push(straight ? { to } : { c1: handle(i, 1), c2: handle(i + 1, -1), to });
  }
  return [{ start: nodes[0]!.at, segments, closed }];
}

const STEP_DEG = 15;

/** The place turned about `from` so that its direction is a multiple of 15 degrees. */
export function constrained(from: Point, to: Point): Point {
  const step = (STEP_DEG * PI) / 180;
  const angle = Math.round(atan2(to.y - from.y, to.x - from.x) / step) * step;
  const length = distance(from, to);
  return { x: from.x + cos(angle) * length, y: from.y + sin(angle) * length };
}
