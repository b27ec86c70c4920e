import { distance, mix } from '../../geometry/point';
import { bareTravels, type BareTravel } from '../../stitches/hidden';
import { apart, directionOf } from '../../units/directions';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import { HIDES_TO_MM } from '../../units/craft';
import type { Check } from '../check';
import type { ProofContext } from '../context';
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
      .map((t) => ({ ...t, lengthMm: t.lengthMm * (1 - shareAlongRows(context, t)) }))
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

/** A travel this nearly along the rows of its own piece lies among them as one more, degrees. */
const ALONG_DEG = 15;

/** Share of a travel that runs along the rows of its own piece. */
function shareAlongRows({ plan, shaped }: ProofContext, { from, to, piece }: BareTravel): number {
  const { shape, settings } = shaped[piece]!;
  const angle = settings?.angle?.value;
  let [all, along] = [0, 0];
  for (let i = from; i <= to; i++) {
    const [a, b] = [
      { x: plan.x[i - 1]!, y: plan.y[i - 1]! },
      { x: plan.x[i]!, y: plan.y[i]! },
    ];
    const mm = distance(a, b);
    const row = shape?.rowAt?.(mix(a, b, 0.5));
    const rows = row ? directionOf({ x: 0, y: 0 }, row) : angle;
    all += mm;
    if (rows !== undefined && apart(directionOf(a, b), rows) < ALONG_DEG) along += mm;
  }
  return all > 0 ? along / all : 0;
}
