import { transformedPiece } from '../../editing/transform';
import { letterRows } from '../letters';
import type { Check } from '../check';

/** Round letters stand this much beyond flat ones at top and at bottom (craft §4), mm; less is seen as short. */
const BEYOND_MM = 0.2;
const LEAST_MM = 0.1;
/** In lower letters nobody sees it, mm. */
const SEEN_FROM_MM = 5;

const middle = (values: readonly number[]): number => values.slice().sort((a, b) => a - b)[values.length >> 1]!;

export const letterHeights: Check = {
  rule: 'letter-heights',
  severity: 'note',
  title: 'Round letters that will look short',
  find({ job, shaped, middleOf }) {
    return letterRows(job, shaped).flatMap((row) => {
      const flat = row.filter((l) => l.form === 'flat');
      const round = row.filter((l) => l.form === 'round');
      if (flat.length === 0 || round.length === 0) return [];
      const height = middle(flat.map((l) => l.heightMm));
      const short = round.filter((l) => (l.heightMm - height) / 2 < LEAST_MM);
      if (height < SEEN_FROM_MM || short.length === 0) return [];
      const worst = short.reduce((a, b) => (b.heightMm < a.heightMm ? b : a));
      return [
        {
          pieces: short.map((l) => job.pieces[l.index]!.id),
          at: middleOf(worst.index),
          measured: (worst.heightMm - height) / 2,
          limit: BEYOND_MM,
          unit: 'mm' as const,
          limitFrom: 'their rows pull where those of flat letters push',
          message: 'Round letters as high as flat ones come out short: draw them a little taller at top and bottom.',
          fix: {
            label: 'Make them taller',
            pieces: short.map((l) => {
              const piece = job.pieces[l.index]!;
              const grown = (height + 2 * BEYOND_MM) / l.heightMm;
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
