import { strokeArea, unite, type StrokeShape } from './area';
import { flattenSubpath, type Segment, type Subpath } from './path';
import { distance, type Area, type Line, type Point } from './point';

/** Turns below this look the same joined round or on the mitre (tip 0.02 mm beyond a 3 mm half width), as a cosine: about 14°. */
const GENTLE_COS = 0.97;
/** Tangents that differ by more than this at a node make it a corner, as a cosine: about 8°. */
const SMOOTH_COS = 0.99;
/** Length of the straight tips from which an end cap grows, mm. */
const TIP_MM = 0.002;

const cosBetween = (a: Point, b: Point): number => {
  const size = Math.sqrt((a.x * a.x + a.y * a.y) * (b.x * b.x + b.y * b.y));
  return size > 0 ? (a.x * b.x + a.y * b.y) / size : 1;
};
const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });

/** The first of the points that is not `p` itself, seen from it. */
function towards(p: Point, ...others: (Point | undefined)[]): Point {
  for (const o of others) if (o && distance(o, p) > 1e-6) return minus(o, p);
  return { x: 0, y: 0 };
}

/** Nodes at which the drawn line really has a corner; places where a flattened curve merely turns are none. */
function cornersOf(sub: Subpath): Point[] {
  const segments: { from: Point; s: Segment }[] = [];
  let pen = sub.start;
  for (const s of sub.segments) {
    if (distance(pen, s.to) > 1e-6 || s.c1) segments.push({ from: pen, s });
    pen = s.to;
  }
  if (sub.closed && distance(pen, sub.start) > 1e-6) segments.push({ from: pen, s: { to: sub.start } });
  const out: Point[] = [];
  segments.forEach(({ from, s }, i) => {
    const before = i > 0 ? segments[i - 1]! : sub.closed ? segments[segments.length - 1]! : null;
    if (!before) return;
    const arriving = towards(from, before.s.c2, before.s.c1, before.from);
    const leaving = towards(from, s.c1, s.c2, s.to);
    if (cosBetween({ x: -arriving.x, y: -arriving.y }, leaving) < SMOOTH_COS) out.push(from);
  });
  return out;
}

/** How the line goes on at its point `i`, as a cosine: 1 straight on, -1 back. */
function turnAt(line: Line, i: number): number {
  const n = line.length;
  const [a, b, c] = [line[(i + n - 1) % n]!, line[i]!, line[(i + 1) % n]!];
  return cosBetween(minus(b, a), minus(c, b));
}

function turnsAt(line: Line, closed: boolean): (i: number) => boolean {
  return (i) => (closed || (i > 0 && i < line.length - 1)) && turnAt(line, i) < GENTLE_COS;
}

/** Whether a mitre would be longer than its limit allows: the corner is cut off then, as SVG has it. */
const cutOff = (line: Line, i: number, { join, miterLimit }: StrokeShape): boolean =>
  join === 'miter' && ((1 + turnAt(line, i)) / 2) * miterLimit * miterLimit < 1;

/**
 * The area that a stroke paints along one subpath (mm). Joins are made only where the drawn line has a corner: inside a
 * curve the pen turns round, however sharp the curve, so that a hairpin grows no mitre.
 */
export function strokeOf(sub: Subpath, shape: StrokeShape): Area {
  const line = flattenSubpath(sub);
  const turns = turnsAt(line, sub.closed);
  const sharp = line.flatMap((_, i) => (turns(i) ? [i] : []));
  const corners = shape.join === 'round' || sharp.length === 0 ? [] : cornersOf(sub);
  const isCorner = (i: number): boolean => corners.some((c) => distance(c, line[i]!) < 1e-6);
  if (shape.join === 'round' || sharp.every((i) => isCorner(i) && !cutOff(line, i, shape))) return strokeArea([line], sub.closed, shape);
  const round = { ...shape, join: 'round' as const };
  const nodes = sharp.filter(isCorner);
  if (nodes.length === 0) return strokeArea([line], sub.closed, round);
  return unite(
    strokeArea(stretchesBetween(line, sub.closed, nodes), false, { ...round, cap: 'butt' }),
    ...joinsAt(line, nodes, shape),
    ...capsAt(line, sub.closed, shape),
  );
}

function stretchesBetween(line: Line, closed: boolean, nodes: readonly number[]): Point[][] {
  if (!closed) {
    const cuts = [0, ...nodes, line.length - 1];
    return cuts.slice(1).map((to, k) => line.slice(cuts[k], to + 1));
  }
  return nodes.map((from, k) => {
    const to = nodes[(k + 1) % nodes.length]!;
    return to > from ? line.slice(from, to + 1) : [...line.slice(from), ...line.slice(0, to + 1)];
  });
}

function joinsAt(line: Line, nodes: readonly number[], shape: StrokeShape): Area[] {
  const n = line.length;
  return nodes.map((i) => {
    const join = cutOff(line, i, shape) ? 'bevel' : shape.join;
    return strokeArea([[line[(i + n - 1) % n]!, line[i]!, line[(i + 1) % n]!]], false, { ...shape, join, cap: 'butt' });
  });
}

function capsAt(line: Line, closed: boolean, shape: StrokeShape): Area[] {
  if (closed || shape.cap === 'butt') return [];
  const tip = (end: Point, inner: Point): Point[] => {
    const d = distance(end, inner);
    const t = d > 0 ? TIP_MM / d : 0;
    return [{ x: end.x + (inner.x - end.x) * t, y: end.y + (inner.y - end.y) * t }, end];
  };
  const ends = [tip(line[0]!, line[1]!), tip(line[line.length - 1]!, line[line.length - 2]!)];
  return ends.map((e) => strokeArea([e], false, { ...shape, join: 'round' }));
}
