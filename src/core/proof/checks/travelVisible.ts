import { bareTravels } from '../../stitches/hidden';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import { HIDES_TO_MM } from '../../units/craft';
import type { Check } from '../check';
import { overCloth } from './threadCrossesCloth';

/** Shorter stretches are lost among the rows beside them, mm. */
const SEEN_MM = 3;

export const travelVisible: Check = {
  rule: 'travel-visible',
  severity: 'warn',
  title: 'Travel that nothing covers',
  find(context) {
    const { plan, job, shaped } = context;
    // A light fill hides nothing, even in the colour of the cloth.
    const covers = (event: number): boolean => (shaped[plan.piece[event]!]!.settings?.spacing?.value ?? 0) < HIDES_TO_MM;
    return bareTravels(plan, covers)
      .filter((t) => t.lengthMm > SEEN_MM && overCloth(context, t.from, t.to) < SEEN_MM / 2)
      .map((t) => {
        const piece = job.pieces[t.piece]!;
        const asked = piece.approach?.how === 'travel';
        return {
          pieces: [piece.id],
          at: t.at,
          measured: t.lengthMm,
          spoilsMm2: t.lengthMm * THREAD_WIDTH_MM,
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
