import { transformedPiece } from '../../editing/transform';
import { predictedHeight } from '../letterForecast';
import { letterRows } from '../letters';
import type { Check } from '../check';

/** Round letters predicted lower than flat ones by more than this at top and at bottom look short (craft §7), mm. */
const LEAST_MM = 0.1;
/** In lower letters nobody sees it, mm. */
const SEEN_FROM_MM = 5;

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Told of heights as they are predicted to come out, each letter by its own: what pulls a C is not what pulls an O. */
export const letterHeights: Check = {
  rule: 'letter-heights',
  severity: 'note',
  title: 'Round letters that will look short',
  find({ job, shaped, forecast, middleOf }) {
    return letterRows(job, shaped).flatMap((row) => {
      const flat = row.filter((l) => l.form === 'flat');
      const round = row.filter((l) => l.form === 'round');
      if (flat.length === 0 || round.length === 0 || mean(flat.map((l) => l.heightMm)) < SEEN_FROM_MM) return [];
      const { outlines } = forecast();
      const heights = flat.flatMap((l) => predictedHeight(l, outlines) ?? []);
      if (heights.length === 0) return [];
      const height = mean(heights);
      const short = round.flatMap((letter) => {
        const own = predictedHeight(letter, outlines);
        return own !== null && (height - own) / 2 > LEAST_MM ? [{ letter, missing: height - own }] : [];
      });
      if (short.length === 0) return [];
      const worst = short.reduce((a, b) => (b.missing > a.missing ? b : a));
      return [
        {
          pieces: short.map(({ letter }) => job.pieces[letter.index]!.id),
          at: middleOf(worst.letter.index),
          measured: worst.missing / 2,
          limit: LEAST_MM,
          unit: 'mm' as const,
          limitFrom: 'their rows pull where those of flat letters push',
          message: `Round letters are predicted up to ${worst.missing.toFixed(2)} mm lower than flat ones: draw them taller by what they lose.`,
          fix: {
            label: 'Make each taller by what it loses',
            pieces: short.map(({ letter: l, missing }) => {
              const piece = job.pieces[l.index]!;
              const grown = (l.heightMm + missing) / l.heightMm;
              const { area, line, sides, slants } = transformedPiece(piece, [1, 0, 0, grown, 0, l.middleY * (1 - grown)]);
              return {
                id: piece.id,
                patch: { ...(area ? { area } : {}), ...(line ? { line } : {}), ...(sides ? { sides } : {}), ...(slants ? { slants } : {}) },
              };
            }),
          },
        },
      ];
    });
  },
};
