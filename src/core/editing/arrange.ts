import { boundsOf, type Bounds } from '../geometry/point';
import { dataToRings, type Matrix } from '../geometry/path';
import type { Piece } from '../document/types';
import { extentOf } from '../lettering/textJob';
import { movedBy } from './transform';

export type Alignment = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

/** Box of a piece's drawn shape, mm. */
export function boxOf(piece: Piece): Bounds {
  const text = piece.lettering && extentOf(piece.lettering);
  if (text) return text;
  const data = [piece.line, piece.area, ...(piece.sides ?? [])].filter((d): d is string => d !== undefined);
  return boundsOf(data.flatMap((d) => dataToRings(d)));
}

const PLACES: Record<Alignment, (b: Bounds) => number> = {
  left: (b) => b.minX,
  centre: (b) => (b.minX + b.maxX) / 2,
  right: (b) => b.maxX,
  top: (b) => b.minY,
  middle: (b) => (b.minY + b.maxY) / 2,
  bottom: (b) => b.maxY,
};
const isAcross = (how: Alignment): boolean => how === 'left' || how === 'centre' || how === 'right';

function shared(boxes: readonly Bounds[]): Bounds {
  return {
    minX: Math.min(...boxes.map((b) => b.minX)),
    maxX: Math.max(...boxes.map((b) => b.maxX)),
    minY: Math.min(...boxes.map((b) => b.minY)),
    maxY: Math.max(...boxes.map((b) => b.maxY)),
  };
}

/** Moves that line pieces up: several with their common box, a single one with the hoop's centre. One map for each piece. */
export function alignedBy(pieces: readonly Piece[], how: Alignment): Matrix[] {
  const boxes = pieces.map(boxOf);
  const place = PLACES[how];
  const to = pieces.length === 1 ? 0 : place(shared(boxes));
  return boxes.map((b) => (isAcross(how) ? movedBy(to - place(b), 0) : movedBy(0, to - place(b))));
}

/** Moves that set the gaps between three or more pieces equal, leaving the outermost where they are. */
export function distributedBy(pieces: readonly Piece[], way: 'across' | 'down'): Matrix[] {
  const boxes = pieces.map(boxOf);
  const low = (b: Bounds): number => (way === 'across' ? b.minX : b.minY);
  const high = (b: Bounds): number => (way === 'across' ? b.maxX : b.maxY);
  const order = boxes.map((_, i) => i).sort((i, j) => low(boxes[i]!) + high(boxes[i]!) - low(boxes[j]!) - high(boxes[j]!));
  if (order.length < 3) return boxes.map(() => movedBy(0, 0));
  const [first, last] = [boxes[order[0]!]!, boxes[order[order.length - 1]!]!];
  const sizes = boxes.reduce((sum, b) => sum + high(b) - low(b), 0);
  const gap = (high(last) - low(first) - sizes) / (order.length - 1);
  const out = boxes.map(() => movedBy(0, 0));
  let at = low(first);
  for (const i of order) {
    const by = at - low(boxes[i]!);
    out[i] = way === 'across' ? movedBy(by, 0) : movedBy(0, by);
    at += high(boxes[i]!) - low(boxes[i]!) + gap;
  }
  return out;
}
