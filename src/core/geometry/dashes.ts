import { splitSegment, type Segment, type Subpath } from './path';
import { distance, type Point } from './point';

/** Lengths of dashes and gaps in turn, and how far into them a line begins, in the line's own units. */
export interface DashPattern {
  lengths: readonly number[];
  offset: number;
}

/** More dashes than this on one line are no drawing for thread. */
const MOST_DASHES = 2000;
/** Parts into which a curve is divided to measure along it. */
const PARTS = 32;

interface Piece {
  from: Point;
  segment: Segment;
}

/** A line as its dashes, curves kept as curves; lines that are all dash or hold too many stay whole. Source: SVG 2, 13.5.6. */
export function dashed(sub: Subpath, { lengths, offset }: DashPattern): Subpath[] {
  const pattern = lengths.length % 2 === 1 ? [...lengths, ...lengths] : lengths;
  const period = pattern.reduce((sum, v) => sum + v, 0);
  const pieces = piecesOf(sub);
  const total = pieces.reduce((sum, p) => sum + lengthOf(p), 0);
  if (!(period > 0) || pattern.some((v) => !(v >= 0)) || total / period > MOST_DASHES) return [sub];
  const out: Subpath[] = [];
  let open: Segment[] | null = null;
  let [k, left] = placeIn(pattern, ((offset % period) + period) % period);
  for (const piece of pieces) {
    let rest = piece;
    let long = lengthOf(rest);
    while (left < long) {
      const [before, after] = dividedAt(rest, left);
      if (k % 2 === 0) {
        if (open) open.push(before.segment);
        else out.push({ start: before.from, segments: (open = [before.segment]), closed: false });
      }
      [open, rest, long] = [null, after, lengthOf(after)];
      k = (k + 1) % pattern.length;
      left = pattern[k]!;
    }
    left -= long;
    if (k % 2 === 1) continue;
    if (open) open.push(rest.segment);
    else out.push({ start: rest.from, segments: (open = [rest.segment]), closed: false });
  }
  return sub.closed && open ? joinedAtStart(out, sub) : out;
}

/** A dash that runs through the start of a closed line is one. */
function joinedAtStart(dashes: Subpath[], { start }: Subpath): Subpath[] {
  const [first, last] = [dashes[0]!, dashes.at(-1)!];
  if (distance(first.start, start) > 1e-9) return dashes;
  if (first === last) return [{ ...first, closed: true }];
  return [...dashes.slice(1, -1), { ...last, segments: [...last.segments, ...first.segments] }];
}

function placeIn(pattern: readonly number[], offset: number): [number, number] {
  let [k, left] = [0, offset];
  while (left > 0 && left >= pattern[k]!) {
    left -= pattern[k]!;
    k = (k + 1) % pattern.length;
  }
  return [k, pattern[k]! - left];
}

function piecesOf({ start, segments, closed }: Subpath): Piece[] {
  let from = start;
  const all = closed && distance(start, segments.at(-1)!.to) > 0 ? [...segments, { to: start }] : segments;
  return all.map((segment) => {
    const piece = { from, segment };
    from = segment.to;
    return piece;
  });
}

const lengthsOf = ({ from, segment }: Piece): number[] => {
  if (!segment.c1) return [distance(from, segment.to)];
  const points = Array.from({ length: PARTS + 1 }, (_, i) => (i === 0 ? from : splitSegment(from, segment, i / PARTS)[0].to));
  return points.slice(1).map((p, i) => distance(points[i]!, p));
};
const lengthOf = (piece: Piece): number => lengthsOf(piece).reduce((sum, v) => sum + v, 0);

function dividedAt(piece: Piece, mm: number): [Piece, Piece] {
  const parts = lengthsOf(piece);
  let [i, left] = [0, mm];
  while (i < parts.length - 1 && left > parts[i]!) left -= parts[i++]!;
  const t = (i + Math.min(1, left / Math.max(1e-9, parts[i]!))) / parts.length;
  const [before, after] = splitSegment(piece.from, piece.segment, t);
  return [
    { from: piece.from, segment: before },
    { from: before.to, segment: after },
  ];
}
