import { extendedUnder } from '../../editing/extend';
import { PLACE_MM } from '../../editing/edgePlaces';
import type { Piece } from '../../document/types';
import type { MeetingPlace } from '../../forecast/edgeMeetings';
import type { Check } from '../check';

/** Two pieces that butt must share this much (craft §4), mm, and what rows that end a little sooner may take from it. */
const LEAST_MM = 1;
const ROUGH_MM = 0.25;
/** Deeper than this one lies on the other: they do not butt, mm. */
const UPON_MM = 4;
const ALONG_MM = 5;

/** Two pieces and the places of their edge where they share too little. */
interface Seam {
  first: number;
  later: number;
  short: MeetingPlace[];
}

export const overlapTooSmall: Check = {
  rule: 'overlap-too-small',
  severity: 'note',
  title: 'Neighbours that overlap too little',
  find({ job, shaped, forecast }) {
    const seams = forecast().meetings.flatMap(({ first, later, places }): Seam[] => {
      const short = places.filter((p) => -p.drawnGapMm < LEAST_MM - ROUGH_MM && -p.drawnGapMm < UPON_MM);
      return short.length * PLACE_MM < ALONG_MM ? [] : [{ first, later, short }];
    });
    const grown = new Map<number, Piece>();
    for (const { first, later, short } of seams) {
      const under = job.pieces[first]!;
      const before = grown.get(first) ?? under;
      const wanted = short.map((place) => ({ place, mm: Math.max(0, LEAST_MM + place.drawnGapMm + ROUGH_MM) }));
      if (under.area && !under.locked) grown.set(first, extendedUnder(before, under, shaped[later]!.shape!.painted, wanted));
    }
    return seams.map(({ first, later, short }) => {
      const [under, over] = [job.pieces[first]!, job.pieces[later]!];
      const worst = short.reduce((a, b) => (b.drawnGapMm > a.drawnGapMm ? b : a));
      const along = short.length * PLACE_MM;
      const area = grown.get(first)?.area;
      return {
        pieces: [under.id, over.id],
        at: worst.at,
        measured: -worst.drawnGapMm,
        spoilsMm2: along * (LEAST_MM + worst.drawnGapMm),
        limit: LEAST_MM,
        unit: 'mm' as const,
        limitFrom: 'what two pieces that butt need together',
        message: `‘${over.name}’ overlaps ‘${under.name}’ too little along ${along.toFixed(0)} mm: a little pull opens the seam.`,
        ...(area === undefined || area === under.area
          ? {}
          : { fix: { label: 'Extend the lower one', pieces: [{ id: under.id, patch: { area } }] } }),
      };
    });
  },
};
