import { said } from '@/session/view/unitsStore';
import { PIECE_KINDS } from '@/core/document/kinds';
import type { Job, Piece } from '@/core/document/types';
import { alikeOf } from '@/core/editing/alike';
import { sewAllAlike } from '@/session/edit/commands';
import { selectAll } from '@/session/view/viewStore';
import { Button } from '../../components/Button';

/** Why a piece is sewn as it is, and the others of its shape. */
export function WhySo({ job, piece }: { job: Job; piece: Piece }) {
  const alike = alikeOf(job.pieces, piece);
  const others = alike.length - 1;
  if (!piece.why && others === 0) return null;
  return (
    <div className="mt-2 text-xs text-quiet" data-testid="why">
      {piece.why && (
        <p>
          {PIECE_KINDS[piece.kind].word}: {said(piece.why)}
        </p>
      )}
      {others > 0 && (
        <div className="mt-1 flex items-center gap-2">
          <p className="flex-1">The same shape as {others === 1 ? 'one other' : `${others} others`}.</p>
          <Button dense onClick={() => selectAll([piece.id, ...alike.filter((id) => id !== piece.id)])} title="Choose all of this shape">
            Choose all
          </Button>
          {differs(job, piece, alike) && (
            <Button
              dense
              look="primary"
              onClick={() => sewAllAlike(piece.id)}
              title="Kind, thread and settings of this one for all of its shape"
            >
              All like this
            </Button>
          )}
        </div>
      )}
    </div>
  );
}

/** Whether some piece of the shape is sewn otherwise: then what was done here is offered for all of them. */
function differs(job: Job, piece: Piece, alike: readonly string[]): boolean {
  const how = ({ kind, thread, settings: { angle: _angle, ...settings } }: Piece): string =>
    JSON.stringify([kind, thread, Object.entries(settings).sort()]);
  const own = how(piece);
  return job.pieces.some((p) => alike.includes(p.id) && how(p) !== own);
}
