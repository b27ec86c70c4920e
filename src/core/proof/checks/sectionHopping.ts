import { sectionHops } from '../../route/objectives';
import type { Check } from '../check';

/** Work this large is sewn section by section (craft §6), mm. */
const LARGE_MM = 250;
const MOST = 2;

export const sectionHopping: Check = {
  rule: 'section-hopping',
  severity: 'warn',
  title: 'Large work that goes to and fro',
  find({ figures, route, job, middleOf }) {
    if (Math.max(figures.widthMm, figures.heightMm) < LARGE_MM) return [];
    const { items, pieces } = route();
    const hops = sectionHops(
      items,
      items.map((_, k) => k),
    );
    if (hops.length <= MOST) return [];
    const back = hops.map((k) => pieces[k]!);
    return [
      {
        pieces: back.map((i) => job.pieces[i]!.id),
        at: middleOf(back[0]!),
        measured: hops.length,
        limit: MOST,
        unit: '',
        limitFrom: 'large work is finished section by section',
        message: `The needle comes back to a finished section ${hops.length} times: each time the cloth has moved meanwhile. The path by sections mends it.`,
      },
    ];
  },
};
