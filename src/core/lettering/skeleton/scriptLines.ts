import { curve, type Proportions, type Stroke } from '../glyph';

/** Where letters of a script join, as a share of the height of small letters: each begins there on its left and ends there on its right. */
const JOIN = 0.42;

/** Heights that the letters are drawn by: the join, and the middles of strokes at foot, top of small letters, top of tall ones, and below. */
export interface Lines {
  c: number;
  f: number;
  t: number;
  tall: number;
  low: number;
  x: number;
}

export const linesOf = ({ x, w, over, below }: Proportions): Lines => ({
  c: JOIN * x,
  f: w / 2 - over,
  t: x - w / 2 + over,
  tall: 1 - w / 2,
  low: below + w / 2 - over,
  x,
});

/** How far the stroke that leads on reaches beyond a stem. */
export const LEAD = 0.24;

/** A stem that turns at its foot and leads on. */
export const leading = ({ c, f }: Lines, x: number, from: number): Stroke =>
  curve([x, from], [x, (from + c) / 2], [x, c], [x + 0.03, 0.6 * c], [x + 0.1, f], [x + 0.18, 0.62 * c], [x + LEAD, c]);
