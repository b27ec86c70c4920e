import { letterRows } from '../letters';
import type { Check } from '../check';

/** Letters lower than this are not read any more; lower than the second, they need thin thread (craft §8), mm. */
const LEAST_MM = 4;
const THIN_BELOW_MM = 6;
const THIN_WEIGHT = 60;

export const smallLetter: Check = {
  rule: 'small-letter',
  severity: 'warn',
  title: 'Letters too small to be read',
  find({ job, shaped, weightOf, middleOf }) {
    const texts = job.pieces.flatMap(({ lettering }, index) =>
      lettering && shaped[index]!.shape ? [[{ index, heightMm: lettering.height }]] : [],
    );
    const drawn = letterRows(job, shaped).filter((row) => row.every((l) => !job.pieces[l.index]!.lettering));
    return [...texts, ...drawn].flatMap((row) => {
      const lowest = row.reduce((a, b) => (b.heightMm < a.heightMm ? b : a));
      const thin = row.every((l) => weightOf(job.pieces[l.index]!) >= THIN_WEIGHT);
      const tiny = lowest.heightMm < LEAST_MM;
      if (!tiny && (thin || lowest.heightMm >= THIN_BELOW_MM)) return [];
      return [
        {
          severity: tiny ? ('warn' as const) : ('note' as const),
          pieces: row.map((l) => job.pieces[l.index]!.id),
          at: middleOf(lowest.index),
          measured: lowest.heightMm,
          limit: tiny ? LEAST_MM : THIN_BELOW_MM,
          unit: 'mm' as const,
          limitFrom: tiny ? 'lowest letter that reads' : 'below it thread of weight 60 and a 65/9 needle read better',
          message: tiny
            ? `Letters ${lowest.heightMm.toFixed(1)} mm high close up and cannot be read: enlarge them.`
            : `Letters ${lowest.heightMm.toFixed(1)} mm high want thread of weight 60, a 65/9 needle, and more room between them.`,
        },
      ];
    });
  },
};
