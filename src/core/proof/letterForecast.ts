import type { Job } from '../document/types';
import type { Forecast } from '../forecast/forecast';
import type { Shaped } from '../pieces/prepare/shaped';
import { letterRows, type Letter } from './letters';

/** How high the letters of one row are predicted to come out, mm; means over the letters of each form. */
export interface LetterHeights {
  /** Ids of the pieces of the row, from left to right. */
  pieces: string[];
  flatMm: number;
  roundMm: number;
}

/** Within this of straight up or down an edge is the top or the bottom of a letter. */
const LEVEL = 0.97;

/** How high a letter is predicted to come out, mm; null where its top or its bottom is not known. */
export function predictedHeight({ index, heightMm }: Letter, outlines: Forecast['outlines']): number | null {
  const places = outlines.filter((o) => o.piece === index).flatMap((o) => o.places);
  const [top, bottom] = [-1, 1].map((side) => places.filter((p) => side * p.out.y > LEVEL));
  if (!top || !bottom || top.length === 0 || bottom.length === 0) return null;
  const moved = (ps: typeof places): number => ps.reduce((sum, p) => sum + p.offMm, 0) / ps.length;
  return heightMm + moved(top) + moved(bottom);
}

/** Predicted heights of rows that have both flat and round letters: round ones should come out as high as flat ones, not lower. */
export function letterHeightsOf(job: Job, shaped: readonly Shaped[], { outlines }: Pick<Forecast, 'outlines'>): LetterHeights[] {
  const heightOf = (letter: Letter): number | null => predictedHeight(letter, outlines);
  const mean = (letters: readonly Letter[]): number | null => {
    const heights = letters.map(heightOf).filter((h): h is number => h !== null);
    return heights.length === 0 ? null : heights.reduce((a, b) => a + b, 0) / heights.length;
  };
  return letterRows(job, shaped).flatMap((row): LetterHeights[] => {
    const flatMm = mean(row.filter((l) => l.form === 'flat'));
    const roundMm = mean(row.filter((l) => l.form === 'round'));
    return flatMm === null || roundMm === null ? [] : [{ pieces: row.map((l) => job.pieces[l.index]!.id), flatMm, roundMm }];
  });
}
