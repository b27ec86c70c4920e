import { distance, mix, scale, sub, unit, add, type Point } from '../geometry/point';
import { splitSegment, type Path, type Segment, type Subpath } from '../geometry/path';

/** A node of a drawn outline or line: where it is, and whether the line goes smoothly through it. */
export interface PathNode {
  sub: number;
  /** Place among the nodes of its subpath, the start being 0. */
  index: number;
  at: Point;
  kind: 'corner' | 'curve';
}

const SAME_MM = 1e-6;
/** Handles within this of a straight line through the node make it a curve node, as a sine. */
const STRAIGHT = 0.08;

/** Whether a closed subpath's last segment comes back to its start by itself, so that both are one node. */
const comesBack = (s: Subpath): boolean =>
  s.closed && s.segments.length > 1 && distance(s.segments[s.segments.length - 1]!.to, s.start) < SAME_MM;

function pointsOf(s: Subpath): Point[] {
  const all = [s.start, ...s.segments.map((g) => g.to)];
  return comesBack(s) ? all.slice(0, -1) : all;
}

/** The segment that arrives at a node, and the one that leaves it; null where the line ends. */
function around(s: Subpath, index: number): { into: number | null; out: number | null } {
  const n = s.segments.length;
  if (index > 0) return { into: index - 1, out: index < n ? index : null };
  return { into: comesBack(s) ? n - 1 : null, out: n > 0 ? 0 : null };
}

function kindOf(s: Subpath, index: number): PathNode['kind'] {
  const { into, out } = around(s, index);
  const before = into === null ? undefined : s.segments[into]!.c2;
  const after = out === null ? undefined : s.segments[out]!.c1;
  if (!before || !after) return 'corner';
  const at = pointsOf(s)[index]!;
  const [d, e] = [unit(sub(at, before)), unit(sub(after, at))];
  return Math.abs(d.x * e.y - d.y * e.x) < STRAIGHT && d.x * e.x + d.y * e.y > 0 ? 'curve' : 'corner';
}

/** All nodes of a path. */
export function nodesOf(path: Path): PathNode[] {
  return path.flatMap((s, k) => pointsOf(s).map((at, index) => ({ sub: k, index, at, kind: kindOf(s, index) })));
}

const replaced = (path: Path, k: number, made: Subpath): Path => path.map((s, i) => (i === k ? made : s));

/** Moves a node and the handles on it. */
export function moveNode(path: Path, k: number, index: number, to: Point): Path {
  const s = path[k]!;
  const d = sub(to, pointsOf(s)[index]!);
  const { into, out } = around(s, index);
  const segments = s.segments.map((g, i): Segment => {
    let next = g;
    if (i === into) next = { ...next, to, ...(next.c2 ? { c2: add(next.c2, d) } : {}) };
    if (i === out && next.c1) next = { ...next, c1: add(next.c1, d) };
    return next;
  });
  return replaced(path, k, { ...s, start: index === 0 ? to : s.start, segments });
}

/** Takes a node out; a subpath left with too few of them goes altogether. */
export function removeNode(path: Path, k: number, index: number): Path {
  const s = path[k]!;
  const least = s.closed ? 3 : 2;
  if (pointsOf(s).length <= least) return path.filter((_, i) => i !== k);
  const { into, out } = around(s, index);
  const segments = s.segments.slice();
  if (into === null) {
    segments.shift();
    return replaced(path, k, { ...s, start: s.segments[0]!.to, segments });
  }
  if (out === null) {
    segments.pop();
    return replaced(path, k, { ...s, segments });
  }
  const [a, b] = [s.segments[into]!, s.segments[out]!];
  const from = into === 0 ? s.start : s.segments[into - 1]!.to;
  const curved = a.c1 ?? b.c2;
  const joined: Segment = curved ? { c1: a.c1 ?? mix(from, b.to, 1 / 3), c2: b.c2 ?? mix(from, b.to, 2 / 3), to: b.to } : { to: b.to };
  if (index === 0) {
    // The start of a ring goes: the ring starts at its next node.
    segments.shift();
    segments[segments.length - 1] = joined;
    return replaced(path, k, { ...s, start: b.to, segments });
  }
  segments.splice(into, 2, joined);
  return replaced(path, k, { ...s, segments });
}

/** Makes a node a corner, with straight neighbours, or a curve that goes smoothly through it. */
export function setNodeKind(path: Path, k: number, index: number, kind: PathNode['kind']): Path {
  const s = path[k]!;
  const points = pointsOf(s);
  const n = points.length;
  const at = points[index]!;
  const { into, out } = around(s, index);
  const before = points[into === null ? index : (index + n - 1) % n]!;
  const after = points[out === null ? index : (index + 1) % n]!;
  const along = unit(sub(after, before));
  const handle = (towards: Point, sense: number): Point => add(at, scale(along, (sense * distance(at, towards)) / 3));
  const segments = s.segments.map((g, i): Segment => {
    if (i !== into && i !== out) return g;
    const from = i === 0 ? s.start : s.segments[i - 1]!.to;
    if (kind === 'corner') {
      const c1 = i === out ? mix(at, g.to, 1 / 3) : g.c1;
      const c2 = i === into ? mix(from, at, 2 / 3) : g.c2;
      const straight = (!g.c1 || i === out) && (!g.c2 || i === into);
      return straight || !c1 || !c2 ? { to: g.to } : { c1, c2, to: g.to };
    }
    return {
      c1: i === out ? handle(after, 1) : (g.c1 ?? mix(from, g.to, 1 / 3)),
      c2: i === into ? handle(before, -1) : (g.c2 ?? mix(from, g.to, 2 / 3)),
      to: g.to,
    };
  });
  return replaced(path, k, { ...s, segments });
}

const SAMPLES = 24;

/** Puts a node on the line where it comes nearest to a place, without changing its course. */
export function insertNode(path: Path, near: Point): Path {
  let best = { away: Infinity, k: 0, i: 0, t: 0.5 };
  path.forEach((s, k) => {
    s.segments.forEach((g, i) => {
      const from = i === 0 ? s.start : s.segments[i - 1]!.to;
      for (let j = 1; j < SAMPLES; j++) {
        const away = distance(placeOn(from, g, j / SAMPLES), near);
        if (away < best.away) best = { away, k, i, t: j / SAMPLES };
      }
    });
  });
  const s = path[best.k];
  const g = s?.segments[best.i];
  if (!s || !g) return path;
  const from = best.i === 0 ? s.start : s.segments[best.i - 1]!.to;
  return replaced(path, best.k, { ...s, segments: s.segments.flatMap((seg, i) => (i === best.i ? splitSegment(from, g, best.t) : [seg])) });
}

function placeOn(from: Point, g: Segment, t: number): Point {
  return g.c1 && g.c2 ? splitSegment(from, g, t)[0].to : mix(from, g.to, t);
}
