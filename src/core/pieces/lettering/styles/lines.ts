import { distance, mix, type Area, type Line, type Point } from '../../../geometry/point';
import { dividedAt, lineLength, nearestOnLine, resample } from '../../../geometry/line';
import { contains } from '../../../geometry/area';
import { middleOf } from '../../../geometry/congruent';
import { convexHull } from '../../../geometry/hull';
import { groupsOf } from '../../satin/nodes';
import { endOf } from '../../satin/foundation';
import { centreLine, type Column } from '../../satin/track';
import { isAcrossCloth } from '../joinedParts';

/** Lines that hang together, and bare ways that join those which do not touch. */
export interface JoinedLines {
  lines: Line[];
  bridges: Line[];
}

/** Lines farther apart than this are not joined by thread over bare cloth, mm: as columns of letters. */
const FARTHEST_MM = 4;
const STEP_MM = 0.5;
/** An end farther from where its columns meet than this, in their widths, does not reach there. */
const REACH = 0.8;
const ROUGH_MM = 0.3;
/** What stands alone and is no longer than this, in its widths, is a dot. */
const DOT = 1.8;
/** Columns nearer to each other than this, in widths, touch. */
const TOUCHES = 0.15;
/** Rings of dots lie so far in, as a share of the way to the middle: the thread has a width. */
const DOT_IN = 0.35;
/** A line is not divided nearer to its ends than this, mm. */
const AT_END_MM = 0.6;

/** Lines along the middles of columns, which meet where those do; of a dot a ring, or i would read as l. */
export function middleLines(joined: readonly Column[]): Line[] {
  const columns = withoutCrossings(joined);
  const dots = groupsOf(columns).filter((part) => isDot(part, columns));
  const lines = columns.filter((column) => !dots.some((dot) => dot.includes(column)));
  return [...strokeLines(lines), ...dots.map(dotRing)];
}

/** Nodes in which parts meet over bare cloth become nodes of each part alone: what one divides stays one. */
function withoutCrossings(columns: readonly Column[]): Column[] {
  const own: { node: number; at: Point }[] = [];
  const ownNode = (node: number, at: Point): number => {
    if (!isAcrossCloth(node)) return node;
    const known = own.findIndex((o) => o.node === node && distance(o.at, at) < SAME_END_MM);
    return -1 - (known >= 0 ? known : own.push({ node, at }) - 1);
  };
  return columns.map((c) => {
    const [from, to] = [ownNode(c.from, endOf(c.track, false)), ownNode(c.to, endOf(c.track, true))];
    const named = (n: number): number => (n === c.from ? from : n === c.to ? to : n);
    return { ...c, from, to, tuckedAt: c.tuckedAt?.map(named) ?? [] };
  });
}
const SAME_END_MM = 0.05;

function strokeLines(columns: readonly Column[]): Line[] {
  const ends = columns.flatMap((c) => [
    { node: c.from, at: endOf(c.track, false), tucked: c.tuckedAt?.includes(c.from) ?? false },
    { node: c.to, at: endOf(c.track, true), tucked: c.tuckedAt?.includes(c.to) ?? false },
  ]);
  const nodeAt = (node: number): Point => {
    const own = ends.filter((e) => e.node === node);
    const through = own.filter((e) => !e.tucked);
    const used = through.length > 0 ? through : own;
    return { x: used.reduce((s, e) => s + e.at.x, 0) / used.length, y: used.reduce((s, e) => s + e.at.y, 0) / used.length };
  };
  const endsInNode = (node: number): boolean => ends.filter((e) => e.node === node).length > 1;
  return columns.flatMap((column): Line[] => {
    const { track, from, to } = column;
    const widthMm = widestOf(column);
    let line = centreLine(track);
    if (endsInNode(from)) line = reaching(line.reverse(), nodeAt(from), widthMm).reverse();
    if (endsInNode(to)) line = reaching(line, nodeAt(to), widthMm);
    return lineLength(line) > 0.05 ? [line] : [];
  });
}

const widestOf = ({ track }: Column): number => track.left.reduce((most, l, i) => Math.max(most, distance(l, track.right[i]!)), 0);

/** Whether a part is short and touches no other. */
function isDot(part: readonly Column[], all: readonly Column[]): boolean {
  const widthMm = Math.max(...part.map(widestOf));
  if (part.reduce((sum, c) => sum + trackLength(c), 0) > DOT * widthMm) return false;
  const own = part.flatMap(ringOf);
  const touches = (other: Column): boolean => {
    const ring = ringOf(other);
    const outline = [...ring, ring[0]!];
    return own.some((p) => nearestOnLine(outline, p).distance < TOUCHES * widthMm) || contains([ring], own[0]!);
  };
  return all.every((other) => part.includes(other) || !touches(other));
}
const trackLength = ({ track: { advance } }: Column): number => advance[advance.length - 1]! - advance[0]!;

const ringOf = ({ track: { left, right } }: Column): Point[] => [...left, ...right.slice().reverse()];

/** A place no nearer to a middle than makes a ring that can be sewn. */
function atLeast(p: Point, middle: Point): Point {
  const mm = distance(p, middle);
  return mm >= LEAST_RING_MM || mm === 0 ? p : mix(middle, p, LEAST_RING_MM / mm);
}
const LEAST_RING_MM = 0.35;

function dotRing(part: readonly Column[]): Point[] {
  const hull = convexHull(part.flatMap(ringOf));
  const middle = middleOf(hull);
  const line = hull.map((p) => atLeast(mix(p, middle, DOT_IN), middle));
  return [...line, line[0]!];
}

/** A line that ends at a node: what lies round the node is left out, unless the node is out of reach. */
function reaching(line: Point[], node: Point, widthMm: number): Point[] {
  const last = line[line.length - 1]!;
  const away = distance(last, node);
  if (away > REACH * widthMm + ROUGH_MM) return line;
  const kept = line.filter((p, i) => i === 0 || distance(p, node) > away * 1.05);
  return [...kept, node];
}

/** Closed lines round an area. */
export const outlines = (area: Area): Line[] => area.map((ring) => [...ring, ring[0]!]);

/** Lines in groups that hang together, each with the shortest ways over bare cloth, up to so long, between what does not touch. */
export function joinedLines(lines: readonly Line[], farthestMm = FARTHEST_MM): JoinedLines[] {
  let groups = lines.map((line): JoinedLines => ({ lines: [line], bridges: [] }));
  for (;;) {
    let best: { a: number; b: number; from: Point; to: Point; mm: number } | null = null;
    for (let a = 0; a < groups.length; a++) {
      for (let b = a + 1; b < groups.length; b++) {
        const way = nearestWay(groups[a]!, groups[b]!);
        if (way.mm <= Math.max(ROUGH_MM, farthestMm) && way.mm < (best?.mm ?? Infinity)) best = { a, b, ...way };
      }
    }
    if (!best) return groups;
    const { a, b, from, to } = best;
    const [first, second] = [dividedNear(groups[a]!.lines, from), dividedNear(groups[b]!.lines, to)];
    const joined = {
      lines: [...first.lines, ...second.lines],
      bridges: [...groups[a]!.bridges, ...groups[b]!.bridges, ...(distance(first.at, second.at) < ROUGH_MM ? [] : [[first.at, second.at]])],
    };
    groups = [...groups.filter((_, i) => i !== a && i !== b), joined];
  }
}

function nearestWay(a: JoinedLines, b: JoinedLines): { from: Point; to: Point; mm: number } {
  let best = { from: a.lines[0]![0]!, to: b.lines[0]![0]!, mm: Infinity };
  const look = (p: Point, others: readonly Line[], turned: boolean): void => {
    for (const line of others) {
      const near = nearestOnLine(line, p);
      if (near.distance < best.mm) best = { from: turned ? near.point : p, to: turned ? p : near.point, mm: near.distance };
    }
  };
  for (const line of a.lines) for (const p of ends(line)) look(p, b.lines, false);
  for (const line of b.lines) for (const p of ends(line)) look(p, a.lines, true);
  if (best.mm < ROUGH_MM) return best;
  for (const line of a.lines) for (const p of resample(line, STEP_MM)) look(p, b.lines, false);
  return best;
}

const ends = (line: Line): Point[] => [line[0]!, line[line.length - 1]!];

/** Lines of which the nearest one is divided beside a place, unless it ends there; and where that is. */
export function dividedNear(lines: readonly Line[], p: Point): { lines: Line[]; at: Point } {
  const { index } = lines.reduce(
    (best, line, index) => {
      const mm = nearestOnLine(line, p).distance;
      return mm < best.mm ? { index, mm } : best;
    },
    { index: 0, mm: Infinity },
  );
  const line = lines[index]!;
  const { along } = nearestOnLine(line, p);
  if (along < AT_END_MM) return { lines: lines.slice(), at: line[0]! };
  if (lineLength(line) - along < AT_END_MM) return { lines: lines.slice(), at: line[line.length - 1]! };
  const [before, after] = dividedAt(line, along);
  return { lines: lines.flatMap((l, i) => (i === index ? [before, after] : [l])), at: after[0]! };
}
