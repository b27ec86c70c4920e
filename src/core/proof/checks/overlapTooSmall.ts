import { extendedUnder, PLACE_MM } from '../../editing/extend';
import type { Check } from '../check';

/** Two pieces that butt must share this much (craft §4), mm, and what rows that end a little sooner may take from it. */
const LEAST_MM = 1;
const ROUGH_MM = 0.25;
/** Deeper than this one lies on the other: they do not butt, mm. */
const UPON_MM = 4;
const ALONG_MM = 5;

export const overlapTooSmall: Check = {
  rule: 'overlap-too-small',
  severity: 'note',
  title: 'Neighbours that overlap too little',
  find({ job, shaped, forecast }) {
    return forecast().meetings.flatMap(({ first, later, places }) => {
      const short = places.filter((p) => -p.drawnGapMm < LEAST_MM - ROUGH_MM && -p.drawnGapMm < UPON_MM);
      if (short.length * PLACE_MM < ALONG_MM) return [];
      const [under, over] = [job.pieces[first]!, job.pieces[later]!];
      const worst = short.reduce((a, b) => (b.drawnGapMm > a.drawnGapMm ? b : a));
      const wanted = short.map((place) => ({ place, mm: Math.max(0, LEAST_MM + place.drawnGapMm + ROUGH_MM) }));
      const grown = under.area && !under.locked ? extendedUnder(under, under, shaped[later]!.shape!.painted, wanted) : under;
      return [
        {
          pieces: [under.id, over.id],
          at: worst.at,
          measured: -worst.drawnGapMm,
          limit: LEAST_MM,
          unit: 'mm' as const,
          limitFrom: 'what two pieces that butt need together',
          message: `‘${over.name}’ overlaps ‘${under.name}’ too little along ${(short.length * PLACE_MM).toFixed(0)} mm: a little pull opens the seam.`,
          ...(grown === under ? {} : { fix: { label: 'Extend the lower one', pieces: [{ id: under.id, patch: { area: grown.area! } }] } }),
        },
      ];
    });
  },
};
