'use client';
import type { Job, Lettering } from '@/core/document/types';
import { Choice } from '../../../components/Choice';

export const isOnLine = ({ line }: Lettering): boolean => line === 'path' || line === 'between';

const NONE = 'none';

/** Which drawn lines a text stands on, or between: those of pieces that are sewn along a line. The text keeps a copy. */
export function DrawnLines({ job, text, set }: { job: Job; text: Lettering; set(patch: Partial<Lettering>): void }) {
  const lines = job.pieces.flatMap(({ id, name, line }) => (line ? [{ id, name, line }] : []));
  if (lines.length === 0)
    return (
      <p className="mt-2 text-xs text-quiet" data-testid="no-lines">
        There is no line to stand on yet: draw one as a run, then choose it here.
      </p>
    );
  const field = (label: string, key: 'path' | 'upper') => (
    <Choice
      label={label}
      value={lines.find((l) => l.line === text[key])?.id ?? NONE}
      options={[
        { value: NONE, name: text[key] ? 'As it was drawn' : 'Choose a line' },
        ...lines.map((l) => ({ value: l.id, name: l.name })),
      ]}
      onChange={(id) => {
        const found = lines.find((l) => l.id === id);
        // The line lies where its piece lies: the text's own place and turn would move it away from there.
        if (found) set({ [key]: found.line, at: [0, 0], turn: undefined });
      }}
    />
  );
  return (
    <div className="mt-2 grid grid-cols-2 gap-2">
      {field(text.line === 'between' ? 'Feet on' : 'Stands on the line', 'path')}
      {text.line === 'between' && field('Reaches up to', 'upper')}
    </div>
  );
}
