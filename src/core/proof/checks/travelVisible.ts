import { bareTravels } from '../../stitches/hidden';
import type { Check } from '../check';

/** Shorter stretches are lost among the rows beside them, mm. */
const SEEN_MM = 3;

export const travelVisible: Check = {
  rule: 'travel-visible',
  severity: 'warn',
  title: 'Travel that nothing covers',
  find({ plan, job }) {
    return bareTravels(plan)
      .filter((t) => t.lengthMm > SEEN_MM)
      .map((t) => {
        const piece = job.pieces[t.piece]!;
        const asked = piece.approach?.how === 'travel';
        return {
          pieces: [piece.id],
          at: t.at,
          measured: t.lengthMm,
          limit: SEEN_MM,
          unit: 'mm' as const,
          limitFrom: 'a shorter run is lost among the rows beside it',
          message: `${t.lengthMm.toFixed(1)} mm of travel stay visible on the way through ‘${piece.name}’.`,
          ...(asked
            ? { severity: 'note' as const, fix: { label: 'Cut instead', pieces: [{ id: piece.id, without: ['approach' as const] }] } }
            : {}),
        };
      });
  },
};
