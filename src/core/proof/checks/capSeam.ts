import { isCap } from '../../document/job';
import type { Point } from '../../geometry/point';
import { distance } from '../../geometry/point';
import { isText } from '../../pieces/registry';
import { Command, Role } from '../../stitches/roles';
import { perPiece, type Check, type SewnPiece } from '../check';
import type { ProofContext } from '../context';

/** A text begins no nearer to the seam in the middle of a stiff cap than this, mm: assumed. */
const OFF_MM = 3;
/** Where it is begun instead lies so much farther off. */
const CLEAR_MM = 1;

export const capSeam: Check = {
  rule: 'cap-seam',
  severity: 'note',
  title: 'Texts begun on the seam of a cap',
  find: perPiece((sewn, context) => {
    const { brief } = context.job;
    if (!isCap(brief) || brief.cloth === 'soft-cap' || !isText(sewn.piece)) return null;
    const first = placesOf(sewn, context)[0];
    if (!first || Math.abs(first.x) >= OFF_MM) return null;
    const other = offTheSeam(sewn, context, first);
    return {
      at: first,
      measured: Math.abs(first.x),
      limit: OFF_MM,
      unit: 'mm',
      limitFrom: 'begin off a hard centre seam',
      message: 'It begins on the seam in the middle of the cap: there the needle deflects, and a tie comes loose.',
      ...(other
        ? { fix: { label: 'Begin it beside the seam', pieces: [{ id: sewn.piece.id, patch: { start: [other.x, other.y] } }] } }
        : {}),
    };
  }),
};

/** Where the needle goes in for a piece, in order, ties left out. */
function placesOf({ index }: SewnPiece, { plan }: ProofContext): Point[] {
  const { from, to } = plan.pieces[index]!;
  const out: Point[] = [];
  for (let i = from; i < to; i++)
    if (plan.command[i] === Command.stitch && plan.role[i] !== Role.tie) out.push({ x: plan.x[i]!, y: plan.y[i]! });
  return out;
}

/** The place of a piece's own nearest to where it begins that lies clear of the seam. */
function offTheSeam(sewn: SewnPiece, context: ProofContext, first: Point): Point | null {
  const clear = placesOf(sewn, context).filter((p) => Math.abs(p.x) >= OFF_MM + CLEAR_MM);
  return clear.reduce<Point | null>((best, p) => (best && distance(best, first) <= distance(p, first) ? best : p), null);
}
