import { strokeArea, unite, type StrokeShape } from './area';
import { flattenSubpath, type Segment, type Subpath } from './path';
import { distance, type Area, type Line, type Point } from './point';

/** Turns below this look the same joined round or on the mitre (tip 0.02 mm beyond a 3 mm half width), as a cosine: about 14°. */
const GENTLE_COS = 0.97;
/** Tangents that differ by more than this at a node make it a corner, as a cosine: about 8°. */
const SMOOTH_COS = 0.99;
/** An edge within this of a tangent, as a cosine, has its direction: about a tenth of a degree. */
const ALONG_COS = 0.999998;
/** Length of the lines of which a join is made, mm. */
const ARM_MM = 0.1;
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

/** A node at which the drawn line has a corner, and where it comes from and goes to: its tangents there, seen from the node. */
interface Corner {
  at: Point;
  from: Point;
  to: Point;
}

/** The corners of a drawn line; places where a flattened curve merely turns are none. */
function cornersOf(sub: Subpath): Corner[] {
  const segments: { from: Point; s: Segment }[] = [];
  let pen = sub.start;
  for (const s of sub.segments) {
    if (distance(pen, s.to) > 1e-6 || s.c1) segments.push({ from: pen, s });
    pen = s.to;
  }
  if (sub.closed && distance(pen, sub.start) > 1e-6) segments.push({ from: pen, s: { to: sub.start } });
  const out: Corner[] = [];
  segments.forEach(({ from: at, s }, i) => {
    const before = i > 0 ? segments[i - 1]! : sub.closed ? segments[segments.length - 1]! : null;
    if (!before) return;
    const corner = { at, from: towards(at, before.s.c2, before.s.c1, before.from), to: towards(at, s.c1, s.c2, s.to) };
    if (straightOn(corner) < SMOOTH_COS) out.push(corner);
  });
  return out;
}

/** How the line goes on at a corner, as a cosine: 1 straight on, -1 back. */
const straightOn = ({ from, to }: Corner): number => cosBetween({ x: -from.x, y: -from.y }, to);

/** Whether a mitre would be longer than its limit allows: the corner is cut off then, as SVG has it. */
const cutOff = (corner: Corner, { join, miterLimit }: StrokeShape): boolean =>
  join === 'miter' && ((1 + straightOn(corner)) / 2) * miterLimit * miterLimit < 1;

/** The points before and after one of a line. */
const besides = (line: Line, i: number): [Point, Point] => [line[(i + line.length - 1) % line.length]!, line[(i + 1) % line.length]!];

function turnsAt(line: Line, closed: boolean): (i: number) => boolean {
  return (i) => {
    if (!closed && (i === 0 || i === line.length - 1)) return false;
    const [a, c] = besides(line, i);
    return cosBetween(minus(line[i]!, a), minus(c, line[i]!)) < GENTLE_COS;
  };
}

/** A flattened curve leaves a corner beside its tangent; a sharp mitre would point elsewhere and be longer or shorter. */
function leavesAlong(line: Line, i: number, { at, from, to }: Corner): boolean {
  const [a, c] = besides(line, i);
  return Math.min(cosBetween(minus(a, at), from), cosBetween(minus(c, at), to)) > ALONG_COS;
}

/**
 * The area that a stroke paints along one subpath (mm). Joins are made only where the drawn line has a corner, by its tangents
 * there: inside a curve the pen turns round, however sharp the curve, so that a hairpin grows no mitre.
 */
export function strokeOf(sub: Subpath, shape: StrokeShape): Area {
  const line = flattenSubpath(sub);
  const turns = turnsAt(line, sub.closed);
  const sharp = line.flatMap((_, i) => (turns(i) ? [i] : []));
  if (shape.join === 'round' || sharp.length === 0) return strokeArea([line], sub.closed, shape);
  const corners = cornersOf(sub);
  const at = (i: number): Corner | undefined => corners.find((c) => distance(c.at, line[i]!) < 1e-6);
  const plain = (corner: Corner | undefined, i: number): boolean => !!corner && !cutOff(corner, shape) && leavesAlong(line, i, corner);
  if (sharp.every((i) => plain(at(i), i))) return strokeArea([line], sub.closed, shape);
  const round = { ...shape, join: 'round' as const };
  const nodes = sharp.filter(at);
  if (nodes.length === 0) return strokeArea([line], sub.closed, round);
  return unite(
    strokeArea(stretchesBetween(line, sub.closed, nodes), false, { ...round, cap: 'butt' }),
    ...nodes.map((i) => joinAt(at(i)!, shape)),
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

function joinAt(corner: Corner, shape: StrokeShape): Area {
  const arm = (to: Point): Point => {
    const k = ARM_MM / Math.sqrt(to.x * to.x + to.y * to.y);
    return { x: corner.at.x + to.x * k, y: corner.at.y + to.y * k };
  };
  const join = cutOff(corner, shape) ? 'bevel' : shape.join;
  return strokeArea([[arm(corner.from), corner.at, arm(corner.to)]], false, { ...shape, join, cap: 'butt' });
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
