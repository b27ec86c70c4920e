import { strokeArea, unite } from '../geometry/area';
import { ringsToData } from '../geometry/path';
import type { Point } from '../geometry/point';
import type { Piece } from '../document/types';
import { piece } from '../pieces/fixtures';

/** Middles of the bars of block capitals, on a grid 4 wide and 6 high; several lines apart by blanks. */
const GLYPHS: Readonly<Record<string, string>> = {
  A: '0,6-2,0-4,6 0.9,4-3.1,4',
  B: '0,6-0,0-3.4,0.4-3.4,2.6-0,3 3.4,2.6-4,4-3.4,5.8-0,6',
  C: '4,0-0,0-0,6-4,6',
  D: '0,0-3,0-4,1-4,5-3,6-0,6-0,0',
  E: '0,0-0,6 0,0-4,0 0,3-3,3 0,6-4,6',
  F: '0,0-0,6 0,0-4,0 0,3-3,3',
  G: '4,0-0,0-0,6-4,6-4,3.4-2.4,3.4',
  H: '0,0-0,6 4,0-4,6 0,3-4,3',
  I: '0,0-0,6',
  J: '4,0-4,6-0,6-0,4',
  K: '0,0-0,6 4,0-0,3.2 1,2.5-4,6',
  L: '0,0-0,6-4,6',
  M: '0,6-0,0-2,3.4-4,0-4,6',
  N: '0,6-0,0-4,6-4,0',
  O: '0,0-4,0-4,6-0,6-0,0',
  P: '0,6-0,0-4,0-4,3-0,3',
  Q: '0,0-4,0-4,6-0,6-0,0 2.6,4.4-4.6,6.8',
  R: '0,6-0,0-4,0-4,3-0,3 1.6,3-4,6',
  S: '4,0-0,0-0,3-4,3-4,6-0,6',
  T: '0,0-4,0 2,0-2,6',
  U: '0,0-0,6-4,6-4,0',
  V: '0,0-2,6-4,0',
  W: '0,0-1,6-2,1.6-3,6-4,0',
  X: '0,0-4,6 4,0-0,6',
  Y: '0,0-2,3-4,0 2,3-2,6',
  Z: '0,0-4,0-0,6-4,6',
};

export interface WordShape {
  text: string;
  heightMm: number;
  /** Width of the bars, mm. */
  barMm: number;
  /** Between one letter's box and the next, mm. */
  gapMm: number;
}

interface Letter {
  bars: Point[][];
  /** Outline, united. */
  outline: string;
}

/** Block capitals beside each other, as bars and as outlines. */
export function lettersOf({ text, heightMm, barMm, gapMm }: WordShape): Letter[] {
  const unit = (heightMm - barMm) / 6;
  let x = 0;
  return [...text].map((glyph) => {
    const lines = GLYPHS[glyph]!.split(' ').map((line) =>
      line.split('-').map((xy): Point => {
        const [px, py] = xy.split(',').map(Number) as [number, number];
        return { x: x + barMm / 2 + px * unit, y: barMm / 2 + py * unit };
      }),
    );
    x = Math.max(...lines.flat().map((p) => p.x)) + barMm / 2 + gapMm;
    const closed = (l: Point[]): boolean => l.length > 2 && l[0]!.x === l[l.length - 1]!.x && l[0]!.y === l[l.length - 1]!.y;
    const stroke = { widthMm: barMm, cap: 'square', join: 'miter', miterLimit: 2 } as const;
    const outline = ringsToData(unite(...lines.map((l) => strokeArea([closed(l) ? l.slice(0, -1) : l], closed(l), stroke))));
    return { bars: lines.flatMap((l) => l.slice(1).map((p, i) => [l[i]!, p])), outline };
  });
}

/** A word as pieces of one thread: a satin for each letter, or for each bar. */
export function wordPieces(word: WordShape, as: 'outlines' | 'bars'): Piece[] {
  const letters = lettersOf(word);
  if (as === 'outlines') return letters.map((l) => piece('satin', { area: l.outline }));
  return letters.flatMap((l) =>
    l.bars.map((bar) => piece('satin', { line: ringsToData([bar], false), width: word.barMm, cap: 'square', join: 'miter' })),
  );
}
