'use client';
import { useId, useState } from 'react';
import type { Piece } from '@/core/document/types';
import { formOf } from '@/core/pieces/registry';
import { layTextOver, useTextOver } from '@/session/derived/textOverStore';
import { Button } from '../../../components/Button';

/** Shapes that are outlined letters: what they say is set as a text in their place. */
export function TheySay({ pieces }: { pieces: readonly Piece[] }) {
  const [text, setText] = useState('');
  const own = useId();
  const { progress, problem } = useTextOver();
  if (pieces.some((p) => p.lettering || p.locked) || pieces.every((p) => formOf(p) === 'line')) return null;
  const set = (): void => layTextOver(text.trim(), pieces.map((p) => p.id)); // prettier-ignore
  return (
    <details className="border-t border-hairline py-1" data-testid="they-say">
      <summary className="cursor-pointer py-1 text-quiet">Letters of a word? Set it as text</summary>
      <label htmlFor={own} className="mb-1 block text-quiet">
        {pieces.length === 1 ? 'It says' : 'They say'}
      </label>
      <div className="flex gap-2">
        <input
          id={own}
          value={text}
          maxLength={200}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && text.trim() !== '' && set()}
          className="min-w-0 flex-1 rounded-md border border-edge bg-white px-2 py-1.5 font-semibold"
        />
        <Button disabled={text.trim() === '' || progress !== null} onClick={set}>
          {progress === null ? 'Set it' : 'Trying faces …'}
        </Button>
      </div>
      <p className="mt-1 text-xs text-quiet">
        The likest of our own faces, in the size, place and distances of these shapes, in their place.
      </p>
      {problem && (
        <p role="alert" className="mt-1 text-xs text-danger">
          {problem}
        </p>
      )}
    </details>
  );
}
