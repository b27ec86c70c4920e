import { formOf } from '../../pieces/registry';
import { colourDifference } from '../../cloth/threads';
import { boundsOf, boundsTouch } from '../../geometry/point';
import type { ProofContext } from '../context';
import { perPiece, type Check } from '../check';

const LIGHT_MM = 0.8;
/** Beyond this the thread stands apart from the cloth between its rows (CIEDE2000). */
const MOST = 20;

/** Whether another light fill lies there too: together they blend into a cover. */
function blends({ shaped }: ProofContext, index: number): boolean {
  const own = boundsOf(shaped[index]!.shape!.painted);
  return shaped.some(
    ({ shape, settings }, k) =>
      k !== index && shape && (settings?.spacing?.value ?? 0) >= LIGHT_MM && boundsTouch(boundsOf(shape.painted), own, -1),
  );
}

export const lightCoverColour: Check = {
  rule: 'light-cover-colour',
  severity: 'note',
  title: 'Light cover over a cloth of another colour',
  find: perPiece(({ piece, index, settings: { spacing, spacingTo } }, context) => {
    if (formOf(piece) !== 'rows' || !spacing || spacing.value < LIGHT_MM || spacingTo || blends(context, index)) return null;
    const thread = context.job.threads.find((t) => t.id === piece.thread);
    const apart = thread ? colourDifference(context.job.brief.clothHex ?? context.recipe.hex, thread.hex) : 0;
    if (apart <= MOST) return null;
    return {
      measured: apart,
      limit: MOST,
      unit: '',
      limitFrom: 'difference of thread and cloth that the eye lets pass',
      message: 'Light cover is for thread near the cloth’s own colour: here the cloth shows between the rows.',
      ...(spacing.from === 'hand' ? { fix: { label: 'Full cover', pieces: [{ id: piece.id, settings: { spacing: undefined } }] } } : {}),
    };
  }),
};
