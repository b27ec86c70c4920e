import { formOf } from '../../pieces/registry';
import { GROUND_TO_MM, LEAST_CROSSING_DEG, ON_GROUND_SHARE } from '../../units/craft';
import { apart } from '../../units/directions';
import { CELL_MM, sharedCells, spansOf } from '../../route/cells';
import { boundsOf, boundsTouch } from '../../geometry/point';
import { perPiece, type Check, type SewnPiece } from '../check';
import type { ProofContext } from '../context';

const CROSSING_DEG = 60;

export const directionAsBelow: Check = {
  rule: 'direction-as-below',
  severity: 'warn',
  title: 'Rows that run along those beneath',
  find: perPiece((sewn, context) => {
    const angle = sewn.settings.angle?.value;
    const bed = formOf(sewn.piece) === 'rows' && angle !== undefined ? bedOf(sewn, context) : null;
    if (angle === undefined || !bed) return null;
    const differs = apart(angle, bed.angle);
    if (differs >= LEAST_CROSSING_DEG) return null;
    const { id, name } = context.job.pieces[bed.index]!;
    const turned = Math.round((bed.angle + CROSSING_DEG) % 180);
    return {
      pieces: [sewn.piece.id, id],
      measured: differs,
      limit: LEAST_CROSSING_DEG,
      unit: '°',
      limitFrom: 'rows beneath swallow rows that run like them',
      message: `Its rows run along those of ‘${name}’ beneath: they sink between them and the edge turns ragged.`,
      fix: { label: `Turn its rows to ${turned}°`, pieces: [{ id: sewn.piece.id, settings: { angle: turned }, without: ['slants'] }] },
    };
  }),
};

/** The fill sewn last among those that most of a piece lies on. */
function bedOf({ shape, index }: SewnPiece, { job, shaped }: ProofContext): { index: number; angle: number } | null {
  const cells = shape.areaMm2 / (CELL_MM * CELL_MM);
  const box = boundsOf(shape.painted);
  for (let b = index - 1; b >= 0; b--) {
    const beneath = shaped[b]!;
    const angle = beneath.settings?.angle?.value;
    const open = (beneath.settings?.spacing?.value ?? Infinity) > GROUND_TO_MM;
    if (formOf(job.pieces[b]!) !== 'rows' || angle === undefined || open || !beneath.shape) continue;
    if (!boundsTouch(box, boundsOf(beneath.shape.painted))) continue;
    if (sharedCells(spansOf(shape.cover), spansOf(beneath.shape.cover)) >= ON_GROUND_SHARE * cells) return { index: b, angle };
  }
  return null;
}
