'use client';
import type { Job, Lettering, Piece } from '@/core/document/types';
import { LETTER_HEIGHTS } from '@/core/document/ranges';
import { layOut } from '@/core/lettering/layout';
import { previous } from '@/core/lettering/moveLetter';
import { editLetter, letterInThread, resetLetter } from '@/session/edit/letteringCommands';
import type { LengthUnit } from '@/core/units/length';
import { Button } from '../../../components/Button';
import { Choice } from '../../../components/Choice';
import { ConeCode } from '../ConeCode';
import { NumberField } from '../../../components/NumberField';
import { usePickedLetter } from '@/session/view/letteringView';

const AS_TEXT = 'as the text';

/** What the letter that was taken hold of has for itself. */
export function OneLetter({ job, piece, text, units }: { job: Job; piece: Piece; text: Lettering; units: LengthUnit }) {
  const index = usePickedLetter((s) => (s.piece === piece.id ? s.index : null));
  const letter = index === null ? undefined : layOut(text).letters.find((l) => l.index === index);
  if (index === null || !letter) return null;
  const own = text.letters?.[index] ?? {};
  const before = previous(text, index)?.index;
  const isNudged = before !== undefined && text.pairs?.[before] !== undefined;
  return (
    <fieldset className="mt-2 rounded-md border border-hairline p-2" data-testid="one-letter">
      <legend className="px-1">
        Letter <b>{letter.char}</b>
      </legend>
      <div className="grid grid-cols-2 gap-2">
        <Choice
          label="Its thread"
          value={own.thread ?? AS_TEXT}
          options={[{ value: AS_TEXT, name: 'As the text' }, ...job.threads.map((t, i) => ({ value: t.id, name: `${i + 1} ${t.name}` }))]}
          onChange={(thread) => editLetter(piece.id, index, { thread: thread === AS_TEXT || thread === piece.thread ? undefined : thread })}
        />
        <ConeCode job={job} label="… by its cone’s code" onChoose={(thread) => letterInThread(piece.id, index, thread)} />
        <NumberField
          label="Its height"
          {...{ unit: 'mm', ...LETTER_HEIGHTS, step: 0.1, decimals: 2, lengthUnit: units }}
          value={own.height ?? text.height}
          onCommit={(height) => editLetter(piece.id, index, { height: height === text.height ? undefined : height })}
        />
        <NumberField
          label="Raised by"
          {...{ unit: 'mm', min: -100, max: 100, step: 0.1, decimals: 2, lengthUnit: units }}
          value={own.shift?.[1] ?? 0}
          onCommit={(up) => editLetter(piece.id, index, { shift: [own.shift?.[0] ?? 0, up ?? 0] })}
        />
        <label className="flex items-end gap-2 pb-1.5">
          <input
            type="checkbox"
            checked={own.cut === true}
            onChange={(e) => editLetter(piece.id, index, { cut: e.target.checked || undefined })}
          />
          Cut before it
        </label>
      </div>
      {(Object.keys(own).length > 0 || isNudged) && (
        <Button dense look="quiet" className="mt-2" onClick={() => resetLetter(piece.id, index)}>
          As the others again
        </Button>
      )}
    </fieldset>
  );
}
