import { contains } from '../../geometry/area';
import { formOf } from '../../pieces/registry';
import { Role } from '../../stitches/roles';
import { perPiece, type Check } from '../check';

/** A cross is strong but wider than the run that it locks: it shows unless something is sewn over it (craft §6). */
export const tieShown: Check = {
  rule: 'tie-shown',
  severity: 'note',
  title: 'Crossed ties that show on runs',
  find: perPiece(({ piece, index, settings }, { plan, shaped }) => {
    if (formOf(piece) !== 'line' || settings.tieShape.value !== 'cross') return null;
    const { from, to } = plan.pieces[index]!;
    const later = shaped.slice(index + 1).flatMap(({ shape }) => (shape ? [shape.painted] : []));
    let shown = 0;
    let at: { x: number; y: number } | undefined;
    for (let i = from; i < to; i++) {
      if (plan.role[i] !== Role.tie) continue;
      const p = { x: plan.x[i]!, y: plan.y[i]! };
      if (later.some((area) => contains(area, p))) continue;
      shown++;
      at ??= p;
    }
    if (!at) return null;
    return {
      at,
      measured: shown,
      limit: 0,
      unit: '',
      limitFrom: 'ties back along the line stay hidden in it',
      message: `${shown} stitches of crossed ties lie beside the line of ‘${piece.name}’, and nothing is sewn over them.`,
      fix: { label: 'Tie along the line', pieces: [{ id: piece.id, settings: { tieShape: undefined } }] },
    };
  }),
};
