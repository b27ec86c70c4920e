import { areaOf, intersect, opened, roughOffset, subtract } from '../../geometry/area';
import { ringsToData } from '../../geometry/path';
import { boundsOf, boundsTouch, type Area } from '../../geometry/point';
import { formOf } from '../../pieces/registry';
import { GROUND_TO_MM, HIDES_TO_MM } from '../../units/craft';
import { OVERLAP_MM } from '../../units/tolerances';
import type { Check } from '../check';
import type { ProofContext } from '../context';

/** Details up to 8 mm are sewn on what lies beneath, and what is broader laps over what is carved there; a place wider than both is told, mm. */
const BROAD_MM = 8 + 2 * OVERLAP_MM;
const LEAST_MM2 = 150;

export const coverTwice: Check = {
  rule: 'cover-twice',
  severity: 'warn',
  title: 'Full cover on full cover',
  find(context) {
    const { job } = context;
    const covers = job.pieces.map((_, i) => fullCover(context, i));
    const boxes = covers.map((c) => boundsOf(c ?? []));
    return covers.flatMap((over, later) =>
      covers.slice(0, later).flatMap((under, first) => {
        if (!over || !under || !boundsTouch(boxes[first]!, boxes[later]!)) return [];
        const both = intersect(under, over);
        const broad = opened(both, BROAD_MM);
        if (areaOf(broad) < LEAST_MM2) return [];
        const mm2 = areaOf(both);
        const [a, b] = [job.pieces[first]!, job.pieces[later]!];
        const box = boundsOf([broad.reduce((x, y) => (areaOf([y]) > areaOf([x]) ? y : x))]);
        const carved = a.area && !a.locked ? subtract(under, roughOffset(broad, -OVERLAP_MM)) : [];
        return [
          {
            pieces: [a.id, b.id],
            at: { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
            measured: mm2,
            spoilsMm2: mm2,
            limit: LEAST_MM2,
            unit: 'mm²' as const,
            limitFrom: 'what is broader than 8 mm is carved beneath, but for an overlap all round',
            message: `‘${b.name}’ covers ‘${a.name}’ on ${mm2.toFixed(0)} mm² where both cover fully: stiff, and stitches that nobody sees.`,
            ...(carved.length > 0
              ? { fix: { label: 'Carve the lower one', pieces: [{ id: a.id, patch: { area: ringsToData(carved) } }] } }
              : {}),
          },
        ];
      }),
    );
  },
};

/** The area that a piece covers fully; null for lines, light fills and edges. */
function fullCover({ job, shaped }: ProofContext, index: number): Area | null {
  const { shape, settings } = shaped[index]!;
  const form = formOf(job.pieces[index]!);
  const spacing = settings?.spacing?.value ?? Infinity;
  const broad = form === 'rows' || form === 'column';
  return shape && broad && spacing < Math.min(HIDES_TO_MM, GROUND_TO_MM) ? shape.painted : null;
}
