'use client';
import { FRAMES, type Job, type Piece } from '@/core/document/types';
import { setFollows } from '@/session/edit/letteringCommands';
import { selectAll } from '@/session/view/viewStore';
import { Button } from '../../../components/Button';
import { Choice } from '../../../components/Choice';
import { NumberField } from '../../../components/NumberField';

const SHAPES: Record<'hugging' | (typeof FRAMES)[number], string> = {
  hugging: 'Along the letters',
  circle: 'Circle',
  diamond: 'Diamond',
  square: 'Square',
};

/** How a shadow or a border follows its text. */
export function Follows({ job, piece, follows }: { job: Job; piece: Piece; follows: NonNullable<Piece['follows']> }) {
  const text = job.pieces.find((p) => p.id === follows.text);
  const lengthUnit = job.brief.units ?? 'mm';
  const { shift, gap } = follows;
  if (!text) return null;
  return (
    <section aria-label="Follows a text" className="mt-3 border-t border-hairline pt-2" data-testid="follows">
      <p>
        Follows{' '}
        <button className="font-semibold underline" onClick={() => selectAll([text.id])}>
          {text.name}
        </button>
        : it is made anew whenever that changes.
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        {shift && (
          <>
            <NumberField
              label="To the right"
              {...{ unit: 'mm', min: -50, max: 50, step: 0.2, decimals: 1, lengthUnit }}
              value={shift[0]}
              onCommit={(x) => x !== undefined && setFollows(piece.id, { shift: [x, shift[1]] })}
            />
            <NumberField
              label="Down"
              {...{ unit: 'mm', min: -50, max: 50, step: 0.2, decimals: 1, lengthUnit }}
              value={shift[1]}
              onCommit={(y) => y !== undefined && setFollows(piece.id, { shift: [shift[0], y] })}
            />
          </>
        )}
        {gap !== undefined && (
          <>
            <Choice
              label="Shape"
              value={follows.frame ?? 'hugging'}
              options={(['hugging', ...FRAMES] as const).map((frame) => ({ value: frame, name: SHAPES[frame] }))}
              onChange={(frame) => setFollows(piece.id, { frame: frame === 'hugging' ? undefined : frame })}
            />
            <NumberField
              label="Off the letters"
              {...{ unit: 'mm', min: 0, max: 50, step: 0.5, decimals: 1, lengthUnit }}
              value={gap}
              onCommit={(mm) => mm !== undefined && setFollows(piece.id, { gap: mm })}
            />
          </>
        )}
        <Button className="self-end" onClick={() => setFollows(piece.id, undefined)}>
          Let it stand alone
        </Button>
      </div>
    </section>
  );
}
