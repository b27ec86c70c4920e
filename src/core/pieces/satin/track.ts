import { add, cross, distance, mix, scale, sub, unit, type Point } from '../../geometry/point';

/**
 * The two sides of a column, matched point by point: row i crosses from `left[i]` to `right[i]`.
 * `advance[i]` is how far the wider-turning side has come, mm; rows are spaced along it, so that spacing holds on the
 * outer side of a turn.
 */
export interface Track {
  readonly left: readonly Point[];
  readonly right: readonly Point[];
  readonly advance: Float64Array;
}

export interface Column {
  /** Nodes of the network at the track's first and last row. */
  readonly from: number;
  readonly to: number;
  readonly track: Track;
  /** Nodes at which the column is tucked under others; there it is sewn before them. */
  readonly tuckedAt?: readonly number[];
  /** Whether the track's first and last row are open ends, which nothing of the piece goes on from. */
  readonly openFrom?: boolean;
  /** Whether it ends against a neighbour's side there: it is then carried on to where that side will be sewn. */
  readonly buttsFrom?: boolean;
  readonly buttsTo?: boolean;
  readonly openTo?: boolean;
  /** Whether its stroke ends there although others meet it: a row then lies at that end, as at an open one. */
  readonly stopsFrom?: boolean;
  readonly stopsTo?: boolean;
}

/** Columns of one piece and how they meet. Columns that share a node touch there. */
export interface ColumnNetwork {
  readonly columns: readonly Column[];
  /** Whether its corners, built the way that was asked, make it another than with turned ones. */
  readonly cornered?: boolean;
}

/** Builds a track; the advance counts movement square to the rows only, so jumps of a side along its row are free. */
export function makeTrack(left: readonly Point[], right: readonly Point[], startAt = 0): Track {
  const advance = new Float64Array(left.length);
  advance[0] = startAt;
  for (let i = 1; i < left.length; i++) {
    const row = unit(sub(right[i]!, left[i]!));
    const a = Math.abs(cross(sub(left[i]!, left[i - 1]!), row));
    const b = Math.abs(cross(sub(right[i]!, right[i - 1]!), row));
    advance[i] = advance[i - 1]! + Math.max(a, b);
  }
  return { left, right, advance };
}

/** The part of a track between two row indices, keeping its advance so that rows of both parts line up. */
export function sliceTrack(track: Track, from: number, to: number): Track {
  return {
    left: track.left.slice(from, to + 1),
    right: track.right.slice(from, to + 1),
    advance: track.advance.slice(from, to + 1),
  };
}

export interface Crossing {
  left: Point;
  right: Point;
  /**
   * How far the left and the right side move on per mm of advance here: below 1 on the inside of a turn, below 0 where
   * rows cross each other.
   */
  leftPace: number;
  rightPace: number;
}

/** A row as plain numbers, kept and filled anew for row after row: a cover has hundreds of thousands of them. */
export interface RowScratch {
  leftX: number;
  leftY: number;
  rightX: number;
  rightY: number;
  leftPace: number;
  rightPace: number;
}

export const rowScratch = (): RowScratch => ({ leftX: 0, leftY: 0, rightX: 0, rightY: 0, leftPace: 1, rightPace: 1 });

/** Fills `row` with the row at a given advance. `hint` is an index near it; the returned index serves the next call. */
export function rowAt(track: Track, advance: number, hint: number, row: RowScratch): number {
  const { advance: along, left, right } = track;
  const n = along.length;
  let i = Math.min(Math.max(1, hint), n - 1);
  while (i < n - 1 && along[i]! < advance) i++;
  while (i > 1 && along[i - 1]! > advance) i--;
  const span = along[i]! - along[i - 1]!;
  const t = span > 0 ? Math.min(1, Math.max(0, (advance - along[i - 1]!) / span)) : 0;
  const [a, b] = [left[i - 1]!, right[i - 1]!];
  const [ax, ay] = [left[i]!.x - a.x, left[i]!.y - a.y];
  const [bx, by] = [right[i]!.x - b.x, right[i]!.y - b.y];
  row.leftX = a.x + ax * t;
  row.leftY = a.y + ay * t;
  row.rightX = b.x + bx * t;
  row.rightY = b.y + by * t;
  row.leftPace = 1;
  row.rightPace = 1;
  if (!(span > 0)) return i;
  const ux = row.rightX - row.leftX;
  const uy = row.rightY - row.leftY;
  const length = Math.sqrt(ux * ux + uy * uy);
  const pa = length > 0 ? (ax * uy - ay * ux) / length : -ay;
  const pb = length > 0 ? (bx * uy - by * ux) / length : -by;
  const onward = pa + pb < 0 ? -span : span;
  row.leftPace = pa / onward;
  row.rightPace = pb / onward;
  return i;
}

/** The row at a given advance as points; see `rowAt`. */
export function crossingAt(track: Track, advance: number, hint: number): { crossing: Crossing; index: number } {
  const row = rowScratch();
  const index = rowAt(track, advance, hint, row);
  const { leftX, leftY, rightX, rightY, leftPace, rightPace } = row;
  return { crossing: { left: { x: leftX, y: leftY }, right: { x: rightX, y: rightY }, leftPace, rightPace }, index };
}

/** Moves the ends of a row outward by `leftMm` and `rightMm` (inward when negative) and keeps at least `least` mm between them. */
export function widenRow(left: Point, right: Point, leftMm: number, rightMm: number, least: number): [Point, Point] {
  const lack = Math.max(0, least - (distance(left, right) + leftMm + rightMm)) / 2;
  const row = unit(sub(right, left));
  return [add(left, scale(row, -leftMm - lack)), add(right, scale(row, rightMm + lack))];
}

/** Points midway between the sides. */
export function centreLine(track: Track): Point[] {
  return track.left.map((p, i) => mix(p, track.right[i]!, 0.5));
}

/** Middle value of the row lengths, mm. */
export function medianWidth(tracks: readonly Track[]): number {
  const widths = tracks.flatMap((t) => t.left.map((p, i) => distance(p, t.right[i]!))).sort((a, b) => a - b);
  return widths[Math.floor(widths.length / 2)] ?? 0;
}
