import { resampleClosely } from '../../geometry/line';
import { distance, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Role } from '../../stitches/roles';
import type { ColumnEnds, UnderlayLayer } from '../../document/types';
import { SHORTEST_STITCH_MM } from '../../units/tolerances';
import type { RowMesh } from '../rows/mesh';
import { evenPull } from '../rules/pull';
import { sewColumn, type ColumnCover } from './cover';
import { capOf } from './columnEnds';
import { centreLine, crossingAt, widenRow, type Column, type Track } from './track';
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

/** Middle of the track's first or last row. */
export function endOf(track: Track, last: boolean): Point {
  const i = last ? track.left.length - 1 : 0;
  return { x: (track.left[i]!.x + track.right[i]!.x) / 2, y: (track.left[i]!.y + track.right[i]!.y) / 2 };
}

/** Closes an open end with cross stitches, when such are asked for. */
export function sewCap(out: StitchBuffer, column: Column, atEnd: boolean, settings: ColumnSettings): void {
  if (settings.ends !== 'capped' || !(atEnd ? column.openTo : column.openFrom)) return;
  const cap = capOf(column.track, atEnd);
  if (cap) sewColumn(out, cap, false, { ...settings.cover, widen: [evenPull(0), evenPull(0)], leastWidthMm: 0.5 }, Role.cover);
}

/** Brings the needle to the first row of the cover without leaving the column. */
export function approach(out: StitchBuffer, track: Track, fromEnd: boolean, settings: ColumnSettings): void {
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
export function layFoundation(out: StitchBuffer, track: Track, fromEnd: boolean, settings: ColumnSettings, across: boolean): void {
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
      const first = nearerSide(track, atEnd, out.last());
      runTrack(out, track, atEnd, length, { side: first, inset }, Role.underlay);
      runTrack(out, track, !atEnd, length, { side: first === 'left' ? 'right' : 'left', inset }, Role.underlay);
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

/** The side of an end at which the needle stands. */
function nearerSide(track: Track, atEnd: boolean, here: Point | null): 'left' | 'right' {
  const i = atEnd ? track.left.length - 1 : 0;
  return here && distance(here, track.right[i]!) < distance(here, track.left[i]!) ? 'right' : 'left';
}

const zigzagOf = (layer: UnderlayLayer, pass: number): ColumnCover => ({
  spacingMm: (layer.spacing ?? 2) * (pass === 0 ? 1 : 1.05),
  widen: [evenPull(-(layer.inset ?? COLUMN_INSET_MM)), evenPull(-(layer.inset ?? COLUMN_INSET_MM))],
  leastWidthMm: 0.5,
  splitMm: 7,
});

export function runTrack(
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

/** A longer chord over the inside of a bend would leave the column, mm. */
const OFF_BEND_MM = 0.25;
const LEAST_ON_BEND_MM = 0.8;

/** Runs along a line, in steps of at most `lengthMm`, shorter where it bends. */
export function runAlong(out: StitchBuffer, line: readonly Point[], lengthMm: number, role: number): void {
  for (const p of resampleClosely(line, lengthMm, OFF_BEND_MM, LEAST_ON_BEND_MM)) {
    const here = out.last();
    if (!here || distance(here, p) >= SHORTEST_STITCH_MM) out.push(p.x, p.y, role);
  }
}
