import { contains } from '../../geometry/area';
import { formOf } from '../../pieces/registry';
import { Role } from '../../stitches/roles';
import { perPiece, type Check } from '../check';

/**
 * A cross is strong but wider than the run that it locks, and a tie from outside lies beyond the piece's end: both show unless something is
 * sewn over them (craft §6).
 */
export const tieShown: Check = {
  rule: 'tie-shown',
  severity: 'note',
  title: 'Ties that show beside the piece',
  find: perPiece(({ piece, index, settings }, { plan, shaped }) => {
    const crossed = formOf(piece) === 'line' && settings.tieShape.value === 'cross';
    if (!crossed && settings.tieShape.value !== 'outside') return null;
    const { from, to } = plan.pieces[index]!;
    // What lies within the piece itself is hidden in it; a run has nothing to hide a cross in.
    const own = crossed ? [] : [shaped[index]!.shape!.painted];
    const later = shaped.slice(index + 1).flatMap(({ shape }) => (shape ? [shape.painted] : []));
    let shown = 0;
    let at: { x: number; y: number } | undefined;
    for (let i = from; i < to; i++) {
      if (plan.role[i] !== Role.tie) continue;
      const p = { x: plan.x[i]!, y: plan.y[i]! };
      if ([...own, ...later].some((area) => contains(area, p))) continue;
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
      message: crossed
        ? `${shown} stitches of crossed ties lie beside the line of ‘${piece.name}’, and nothing is sewn over them.`
        : `${shown} stitches of ties lie beyond the end of ‘${piece.name}’, and nothing is sewn over them.`,
      fix: { label: 'Tie along the line', pieces: [{ id: piece.id, settings: { tieShape: 'line' } }] },
    };
  }),
};
