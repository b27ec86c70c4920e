import { formOf } from '../../pieces/registry';
import { extendedUnder } from '../../editing/extend';
import { PLACE_MM, placesAlong, type EdgePlace } from '../../editing/edgePlaces';
import { contains, offset } from '../../geometry/area';
import { ofPair } from '../../geometry/known';
import { boundsOf, boundsTouch, type Area, type Point } from '../../geometry/point';
import { letterRows } from '../letters';
import type { Check } from '../check';

/** A slot between two areas that is wider than this was meant, mm; and one narrower closes by itself. */
const WIDEST_MM = 0.8;
const NARROWEST_MM = 0.1;
const STEP_MM = 0.1;
const ALONG_MM = 4;
const LEAST_AREA_MM2 = 20;
const OVERLAP_MM = 1;

const along = ({ at, out }: EdgePlace, mm: number): Point => ({ x: at.x + mm * out.x, y: at.y + mm * out.y });

/** Width of the slot between a place and an area, mm; 0 when there is none. */
function slotAt(place: EdgePlace, other: Area): number {
  for (let mm = STEP_MM / 2; mm <= WIDEST_MM; mm += STEP_MM) if (contains(other, along(place, mm))) return mm > NARROWEST_MM ? mm : 0;
  return 0;
}

/** Places of an area's edge that face another area across a slot, with the slot's width. */
const slotsBetween = ofPair((own: Area, other: Area): { place: EdgePlace; mm: number }[] => {
  const box = boundsOf(other);
  return placesAlong(own)
    .flat()
    .filter(({ at }) => boundsTouch({ minX: at.x, maxX: at.x, minY: at.y, maxY: at.y }, box, WIDEST_MM))
    .map((place) => ({ place, mm: slotAt(place, other) }))
    .filter(({ mm }) => mm > 0);
});

export const unsewnSlot: Check = {
  rule: 'unsewn-slot',
  severity: 'note',
  title: 'Slots between areas that are sewn apart',
  find({ job, shaped }) {
    const areas = shaped.map(({ shape }, i) =>
      shape && formOf(job.pieces[i]!) !== 'line' && shape.areaMm2 >= LEAST_AREA_MM2 ? shape.painted : null,
    );
    const boxes = areas.map((a) => boundsOf(a ?? []));
    // Letters stand apart on purpose.
    const letters = new Set(letterRows(job, shaped).flatMap((row) => row.map((l) => l.index)));
    return areas.flatMap((own, first) =>
      areas.slice(first + 1).flatMap((other, k) => {
        const later = first + 1 + k;
        if (!own || !other || !boundsTouch(boxes[first]!, boxes[later]!, WIDEST_MM)) return [];
        if (letters.has(first) && letters.has(later)) return [];
        const slot = slotsBetween(own, other).filter(({ place, mm }) => {
          const middle = along(place, mm / 2);
          return !areas.some((a, i) => a && i !== first && i !== later && contains(a, middle));
        });
        if (slot.length * PLACE_MM < ALONG_MM) return [];
        const [a, b] = [job.pieces[first]!, job.pieces[later]!];
        const wide = slot.map((s) => s.mm).sort((p, q) => p - q)[slot.length >> 1]!;
        const wanted = slot.map(({ place, mm }) => ({ place, mm: mm + OVERLAP_MM }));
        const grown = a.area && !a.locked ? extendedUnder(a, a, offset(other, 2 * WIDEST_MM), wanted) : a;
        return [
          {
            pieces: [a.id, b.id],
            at: slot[slot.length >> 1]!.place.at,
            measured: wide,
            limit: 0,
            unit: 'mm' as const,
            limitFrom: 'fill under, overlap, or run one through',
            message: `A slot of cloth ${wide.toFixed(1)} mm wide stays between ‘${a.name}’ and ‘${b.name}’ along ${(slot.length * PLACE_MM).toFixed(0)} mm: sewn, it gapes.`,
            ...(grown === a ? {} : { fix: { label: 'Extend the lower one', pieces: [{ id: a.id, patch: { area: grown.area! } }] } }),
          },
        ];
      }),
    );
  },
};
