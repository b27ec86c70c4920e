import { distance, mix, type Area, type Line, type Point } from '../../../geometry/point';
import { dividedAt, lineLength, nearestOnLine, resample } from '../../../geometry/line';
import { endOf } from '../../satin/foundation';
import type { Column } from '../../satin/track';

/** Lines that hang together, and bare ways that join those which do not touch. */
export interface JoinedLines {
  lines: Line[];
  bridges: Line[];
}

/** Lines farther apart than this are not joined by thread over bare cloth, mm. */
const FARTHEST_MM = 4;
const STEP_MM = 0.5;
/** An end farther from where its columns meet than this, in their widths, does not reach there. */
const REACH = 0.8;
const ROUGH_MM = 0.3;
/** A line is not divided nearer to its ends than this, mm. */
const AT_END_MM = 0.6;

/** Lines along the middles of columns, which meet where those do. */
export function middleLines(columns: readonly Column[]): Line[] {
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
  const isShared = (node: number): boolean => ends.filter((e) => e.node === node).length > 1;
  return columns.flatMap((column): Line[] => {
    const { track, from, to } = column;
    const widthMm = widestOf(column);
    let line = track.left.map((l, i) => mix(l, track.right[i]!, 0.5));
    if (isShared(from)) line = reaching(line.reverse(), nodeAt(from), widthMm).reverse();
    if (isShared(to)) line = reaching(line, nodeAt(to), widthMm);
    return lineLength(line) > 0.05 ? [line] : [];
  });
}

const widestOf = ({ track }: Column): number => track.left.reduce((most, l, i) => Math.max(most, distance(l, track.right[i]!)), 0);

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

/** Lines in groups that hang together, each with the shortest ways over bare cloth between what does not touch. */
export function joinedLines(lines: readonly Line[]): JoinedLines[] {
  let groups = lines.map((line): JoinedLines => ({ lines: [line], bridges: [] }));
  for (;;) {
    let best: { a: number; b: number; from: Point; to: Point; mm: number } | null = null;
    for (let a = 0; a < groups.length; a++) {
      for (let b = a + 1; b < groups.length; b++) {
        const way = nearestWay(groups[a]!, groups[b]!);
        if (way.mm <= FARTHEST_MM && way.mm < (best?.mm ?? Infinity)) best = { a, b, ...way };
      }
    }
    if (!best) return groups;
    const { a, b, from, to, mm } = best;
    const touches = mm < ROUGH_MM;
    const joined = {
      lines: [...dividedNear(groups[a]!.lines, from), ...dividedNear(groups[b]!.lines, to)],
      bridges: [...groups[a]!.bridges, ...groups[b]!.bridges, ...(touches ? [] : [[from, to]])],
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

/** Lines of which the nearest one is divided beside a place, unless it ends there. */
export function dividedNear(lines: readonly Line[], p: Point): Line[] {
  const { index } = lines.reduce(
    (best, line, index) => {
      const mm = nearestOnLine(line, p).distance;
      return mm < best.mm ? { index, mm } : best;
    },
    { index: 0, mm: Infinity },
  );
  const line = lines[index]!;
  const { along } = nearestOnLine(line, p);
  if (along < AT_END_MM || lineLength(line) - along < AT_END_MM) return lines.slice();
  return lines.flatMap((l, i) => (i === index ? dividedAt(l, along) : [l]));
}
