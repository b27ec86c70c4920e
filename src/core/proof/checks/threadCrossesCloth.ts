import { bareTravels } from '../../stitches/hidden';
import { Command } from '../../stitches/roles';
import { contains } from '../../geometry/area';
import { boundsOf, boundsTouch } from '../../geometry/point';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import { isText } from '../../pieces/registry';
import { letterRows } from '../letters';
import type { Check } from '../check';
import type { ProofContext } from '../context';

/** Shorter stretches between two pieces are not seen, mm. */
const SEEN_MM = 1.5;
const STEP_MM = 0.3;
const LETTER_GAP_MM = 2;

/** Travel that is sewn over bare cloth, where no piece lies before or after it. */
export const threadCrossesCloth: Check = {
  rule: 'thread-crosses-cloth',
  severity: 'warn',
  title: 'Thread that crosses bare cloth',
  find(context) {
    const { plan, job } = context;
    const letters = new Set(letterRows(job, context.shaped).flatMap((row) => row.map((l) => l.index)));
    return bareTravels(plan).flatMap((t) => {
      const mm = overCloth(context, t.from, t.to);
      // Letters are joined by a stitch or two along the base line, up to the distance at which the shop trims.
      const joins = isText(job.pieces[t.piece]!) || (letters.has(t.piece) && letters.has(sewnBefore(plan, t.piece)));
      if (mm < (joins ? Math.max(SEEN_MM, job.settings.trimDistance ?? LETTER_GAP_MM) : SEEN_MM)) return [];
      const piece = job.pieces[t.piece]!;
      return [
        {
          pieces: [piece.id],
          at: t.at,
          measured: mm,
          spoilsMm2: mm * THREAD_WIDTH_MM,
          limit: SEEN_MM,
          unit: 'mm' as const,
          limitFrom: 'a shorter one is lost at the edge of a piece',
          message: `Thread runs ${mm.toFixed(1)} mm over bare cloth on the way to ‘${piece.name}’.`,
          fix: {
            label: 'Cut instead',
            pieces: [
              piece.approach?.how === 'travel'
                ? { id: piece.id, without: ['approach' as const] }
                : { id: piece.id, patch: { approach: { how: 'trim' as const } } },
            ],
          },
        },
      ];
    });
  },
};

function sewnBefore({ pieces }: ProofContext['plan'], piece: number): number {
  for (let i = piece - 1; i >= 0; i--) if (pieces[i]!.to > pieces[i]!.from) return i;
  return -1;
}

/** How much of a way lies on no piece at all, mm. */
export function overCloth({ plan, shaped }: ProofContext, from: number, to: number): number {
  let [steps, bare] = [0, 0];
  const places: { x: number; y: number; mm: number }[] = [];
  for (let i = from; i <= to; i++) {
    if (i === 0 || plan.command[i] !== Command.stitch) continue;
    const [ax, ay, bx, by] = [plan.x[i - 1]!, plan.y[i - 1]!, plan.x[i]!, plan.y[i]!];
    const mm = Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2);
    const n = Math.max(1, Math.ceil(mm / STEP_MM));
    for (let k = 0; k < n; k++) places.push({ x: ax + ((bx - ax) * (k + 0.5)) / n, y: ay + ((by - ay) * (k + 0.5)) / n, mm: mm / n });
    steps += n;
  }
  if (steps === 0) return 0;
  const box = boundsOf([places]);
  const near = shaped.flatMap(({ shape }) => (shape && boundsTouch(boundsOf(shape.painted), box, 1) ? [shape.painted] : []));
  for (const p of places) if (!near.some((area) => contains(area, p))) bare += p.mm;
  return bare;
}
