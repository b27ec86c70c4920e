import { distance } from '../../geometry/point';
import { tiePlaces, type TieAt } from '../../stitches/tiePlaces';
import type { Check } from '../check';

const WITHIN_MM = 1;
/** Ties, each of a few stitches, that one spot bears. */
const MOST = 3;

export const tiesPiled: Check = {
  rule: 'ties-piled',
  severity: 'warn',
  title: 'Ties heaped on one spot',
  find({ plan, job }) {
    const ties = tiePlaces(plan);
    let worst: TieAt[] = [];
    for (const tie of ties) {
      const near = ties.filter((t) => distance(t.at, tie.at) <= WITHIN_MM);
      if (near.length > worst.length) worst = near;
    }
    if (worst.length <= MOST) return [];
    return [
      {
        pieces: [...new Set(worst.map((t) => job.pieces[t.piece]!.id))],
        at: worst[0]!.at,
        measured: worst.length,
        limit: MOST,
        unit: '',
        limitFrom: 'more make a lump that breaks threads',
        message: `${worst.length} ties lie within 1 mm: a lump that can be felt. Move a start or an end.`,
      },
    ];
  },
};
