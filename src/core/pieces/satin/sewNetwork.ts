import { resample } from '../../geometry/line';
import { distance, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Role } from '../../stitches/roles';
import type { ColumnEnds, UnderlayLayer } from '../../document/types';
import { SHORTEST_STITCH_MM } from '../../units/tolerances';
import type { RowMesh } from '../rows/mesh';
import { travelTo } from '../rows/sewRows';
import { sewColumn, type ColumnCover } from './cover';
import { capOf, withEnds, withRowsToEnds } from './columnEnds';
import { centreLine, crossingAt, widenRow, type Column, type ColumnNetwork, type Track } from './track';
import { COLUMN_INSET_MM } from '../../units/craft';

export interface ColumnSettings {
  cover: ColumnCover;
  underlay: readonly UnderlayLayer[];
  runLengthMm: number;
  /** How open ends are sewn, and by how much push would lengthen them, mm. */
  ends: ColumnEnds;
  pushMm: number;
  /** Over foam a run holds it down before anything else. */
  tackDown: boolean;
  /** Rows of the painted area, to find ways between columns that do not meet. */
  ways: Iterable<RowMesh>;
}

/**
 * Sews a network of columns as one unbroken path: out on the underlay, back with the cover.
 *
 * Entering a column at one end, its underlay is sewn to the other end, everything attached there is sewn first, and then
 * its cover is sewn back to where it was entered. So every run on the way lies under cover that comes later, and the
 * needle ends where it began. A lone column may also end at its other end.
 */
export function sewNetwork(
  out: StitchBuffer,
  network: ColumnNetwork,
  settings: ColumnSettings,
  start: Point | null,
  end: Point | null,
): void {
  const columns = network.columns.map((c) =>
    withRowsToEnds(withEnds(c, settings.ends, settings.pushMm, Math.max(...settings.cover.widenMm)), settings.cover.spacingMm),
  );
  if (columns.length === 0) return;
  if (columns.length === 1) return sewLone(out, columns[0]!, settings, start, end);
  const done = new Set<Column>();
  for (const group of groupsOf(columns)) {
    const entry = nearestNode(group, start ?? out.last());
    moveTo(out, entry.point, settings.ways);
    sewFrom(out, group, entry.node, settings, done);
  }
}

/** Columns that hang together by their nodes; the longest group last, so that it covers the ways to the others. */
function groupsOf(columns: readonly Column[]): Column[][] {
  const left = new Set(columns);
  const groups: Column[][] = [];
  for (const first of columns) {
    if (!left.delete(first)) continue;
    const group = [first];
    for (const c of group) {
      for (const d of left) {
        if (![d.from, d.to].some((n) => n === c.from || n === c.to)) continue;
        left.delete(d);
        group.push(d);
      }
    }
    groups.push(group);
  }
  const length = (g: readonly Column[]): number => g.reduce((sum, c) => sum + c.track.advance[c.track.advance.length - 1]!, 0);
  return groups.sort((a, b) => length(a) - length(b));
}

function nearestNode(columns: readonly Column[], wish: Point | null): { node: number; point: Point } {
  let best = { node: -1, point: { x: 0, y: 0 } };
  let bestAway = Infinity;
  for (const c of columns) {
    for (const [node, point] of [
      [c.from, endOf(c.track, false)],
      [c.to, endOf(c.track, true)],
    ] as const) {
      const away = wish ? distance(point, wish) : 0;
      if (away < bestAway) [best, bestAway] = [{ node, point }, away];
    }
  }
  return best;
}

/** Middle of the track's first or last row. */
function endOf(track: Track, last: boolean): Point {
  const i = last ? track.left.length - 1 : 0;
  return { x: (track.left[i]!.x + track.right[i]!.x) / 2, y: (track.left[i]!.y + track.right[i]!.y) / 2 };
}

/** A gap that one short run may bridge without being looked for under cover, mm. */
const BRIDGE_MM = 4;

function moveTo(out: StitchBuffer, p: Point, ways: Iterable<RowMesh>): void {
  const here = out.last();
  if (!here || distance(here, p) <= SHORTEST_STITCH_MM) return;
  if (distance(here, p) <= BRIDGE_MM) runAlong(out, [here, p], 2.5, Role.travel);
  else travelTo(out, p, ways);
}

function sewFrom(out: StitchBuffer, columns: readonly Column[], node: number, settings: ColumnSettings, done: Set<Column>): void {
  const here = columns.filter((c) => c.from === node || c.to === node);
  const tucked = (c: Column): boolean => c.tuckedAt?.includes(node) ?? false;
  for (const column of [...here.filter(tucked), ...here.filter((c) => !tucked(c))]) {
    if (done.has(column)) continue;
    done.add(column);
    const backwards = column.from !== node;
    const far = backwards ? column.from : column.to;
    sewCap(out, column, backwards, settings);
    layFoundation(out, column.track, backwards, settings, true);
    sewCap(out, column, !backwards, settings);
    if (far !== node) sewFrom(out, columns, far, settings, done);
    approach(out, column.track, !backwards, settings);
    sewColumn(out, column.track, !backwards, settings.cover, Role.cover);
  }
}

function sewLone(out: StitchBuffer, column: Column, settings: ColumnSettings, start: Point | null, end: Point | null): void {
  const { track } = column;
  const loop = column.from === column.to;
  const from = start ?? out.last();
  const atEnd = from !== null && distance(endOf(track, true), from) < distance(endOf(track, false), from);
  const wantsReturn = !loop && end !== null && distance(end, endOf(track, atEnd)) < distance(end, endOf(track, !atEnd));
  const capped = settings.ends === 'capped';
  sewCap(out, column, atEnd, settings);
  layFoundation(out, track, atEnd, settings, wantsReturn || capped);
  sewCap(out, column, !atEnd, settings);
  const coverFromEnd = wantsReturn || capped ? !atEnd : atEnd;
  approach(out, track, coverFromEnd, settings);
  sewColumn(out, track, coverFromEnd, settings.cover, Role.cover);
}

/** Closes an open end with cross stitches, when such are asked for. */
function sewCap(out: StitchBuffer, column: Column, atEnd: boolean, settings: ColumnSettings): void {
  if (settings.ends !== 'capped' || !(atEnd ? column.openTo : column.openFrom)) return;
  const cap = capOf(column.track, atEnd);
  if (cap) sewColumn(out, cap, false, { ...settings.cover, widenMm: [0, 0], leastWidthMm: 0.5 }, Role.cover);
}

/** Brings the needle to the first row of the cover without leaving the column. */
function approach(out: StitchBuffer, track: Track, fromEnd: boolean, settings: ColumnSettings): void {
  const here = out.last();
  const i = fromEnd ? track.left.length - 1 : 0;
  // From a neighbour's last row the way to the nearer side runs along that row and does not show.
  const doors = [endOf(track, fromEnd), track.left[i]!, track.right[i]!];
  const door = here ? doors.reduce((a, b) => (distance(b, here) < distance(a, here) - 0.5 ? b : a)) : doors[0]!;
  if (here && distance(here, door) > settings.runLengthMm) runAlong(out, [here, door], settings.runLengthMm, Role.travel);
}

/**
 * Sews the underlay layers, starting at the track's end when `fromEnd`, and finishes at the other end when `across`,
 * else where it began; an odd pass too many or too few is made up by a run along the middle.
 */
function layFoundation(out: StitchBuffer, track: Track, fromEnd: boolean, settings: ColumnSettings, across: boolean): void {
  let atEnd = fromEnd;
  if (settings.tackDown) {
    runTrack(out, track, atEnd, settings.runLengthMm, null, Role.travel);
    atEnd = !atEnd;
  }
  const closed = distance(endOf(track, false), endOf(track, true)) < 0.05;
  for (const layer of settings.underlay) {
    const inset = layer.inset ?? COLUMN_INSET_MM;
    const length = layer.length ?? settings.runLengthMm;
    if (layer.kind === 'centre-run') {
      runTrack(out, track, atEnd, length, null, Role.underlay);
      atEnd = !atEnd;
    } else if (layer.kind === 'edge-run') {
      runTrack(out, track, atEnd, length, { side: 'left', inset }, Role.underlay);
      runTrack(out, track, !atEnd, length, { side: 'right', inset }, Role.underlay);
    } else {
      const passes = layer.kind === 'double-zigzag' ? 2 : 1;
      for (let i = 0; i < passes; i++) {
        sewColumn(out, track, atEnd, zigzagOf(layer, i), Role.underlay);
        atEnd = !atEnd;
      }
    }
  }
  if (!closed && (atEnd !== fromEnd) !== across) {
    const role = settings.underlay.length > 0 ? Role.underlay : Role.travel;
    runTrack(out, track, atEnd, settings.runLengthMm, null, role);
  }
}

const zigzagOf = (layer: UnderlayLayer, pass: number): ColumnCover => ({
  spacingMm: (layer.spacing ?? 2) * (pass === 0 ? 1 : 1.05),
  widenMm: [-(layer.inset ?? COLUMN_INSET_MM), -(layer.inset ?? COLUMN_INSET_MM)],
  leastWidthMm: 0.5,
  splitMm: 7,
});

function runTrack(
  out: StitchBuffer,
  track: Track,
  backwards: boolean,
  lengthMm: number,
  edge: { side: 'left' | 'right'; inset: number } | null,
  role: number,
): void {
  let line: Point[];
  if (!edge) line = centreLine(track);
  else {
    line = track.left.map((l, i) => {
      const row = widenRow(l, track.right[i]!, -edge.inset, -edge.inset, 0.2);
      return edge.side === 'left' ? row[0] : row[1];
    });
  }
  const trimmed = insideEnds(track, line);
  runAlong(out, backwards ? trimmed.reverse() : trimmed, lengthMm, role);
}

/** Leaves out what comes nearer than 0.4 mm to a column's open ends, where cover would not hide it. */
function insideEnds(track: Track, line: Point[]): Point[] {
  const n = track.advance.length;
  const total = track.advance[n - 1]! - track.advance[0]!;
  const keep = Math.min(0.4, total * 0.2);
  const a = crossingAt(track, track.advance[0]! + keep, 1).index;
  const b = crossingAt(track, track.advance[n - 1]! - keep, n - 1).index;
  const out = line.slice(Math.max(0, a - 1), b + 1);
  return out.length > 1 ? out : line.slice();
}

function runAlong(out: StitchBuffer, line: readonly Point[], lengthMm: number, role: number): void {
  for (const p of resample(line, lengthMm)) {
    const here = out.last();
    if (!here || distance(here, p) >= SHORTEST_STITCH_MM) out.push(p.x, p.y, role);
  }
}
