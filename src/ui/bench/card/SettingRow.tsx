'use client';
import { RotateCcw } from 'lucide-react';
import type { ReactNode } from 'react';
import { WhatIsThis } from '../../words/WhatIsThis';
import type { Source } from '@/core/document/resolved';

const SOURCES: Record<Source, { name: string; look: string }> = {
  recipe: { name: 'recipe', look: 'border-hairline text-quiet' },
  rule: { name: 'rule', look: 'border-hairline text-quiet' },
  hand: { name: 'hand', look: 'border-ink bg-tape-soft text-ink' },
};

interface Props {
  label: string;
  /** The word of the craft that it goes by. */
  term?: string | undefined;
  from: Source;
  why: string;
  aside?: string;
  /** What the value being typed would change. */
  effect?: string | null;
  onReset(): void;
  /** Chooses every piece of the same value. */
  onLike?(): void;
  children: ReactNode;
}

/** A setting in place: its value, where it came from, why, and the way back. */
export function SettingRow({ label, term, from, why, aside, effect, onReset, onLike, children }: Props) {
  const source = SOURCES[from];
  return (
    <div className="grid grid-cols-[92px_1fr_60px] items-center gap-x-2 border-t border-hairline py-1.5" data-setting={label}>
      <span className="flex items-center gap-1">
        {onLike ? (
          <button
            type="button"
            onClick={onLike}
            title={`Choose every piece with the same ${label.toLowerCase()}`}
            className="min-w-0 text-left leading-tight decoration-dotted underline-offset-2 hover:underline"
          >
            {label}
          </button>
        ) : (
          <span className="min-w-0 leading-tight">{label}</span>
        )}
        {term && <WhatIsThis term={term} />}
      </span>
      <div>{children}</div>
      {from === 'hand' ? (
        <button
          type="button"
          onClick={onReset}
          title={`Set by hand. Give it back to recipe and rules`}
          aria-label={`${label}: set by hand; reset`}
          className={`inline-flex h-6 items-center justify-center gap-1 rounded-full border text-xs ${source.look}`}
        >
          {source.name} <RotateCcw size={11} aria-hidden="true" />
        </button>
      ) : (
        <span title={why} className={`inline-flex h-6 items-center justify-center rounded-full border text-xs ${source.look}`}>
          {source.name}
        </span>
      )}
      <span className="col-span-2 col-start-2 mt-0.5 text-xs leading-tight text-quiet">
        {aside ? `${aside} · ` : ''}
        {why}
      </span>
      {effect && (
        <span role="status" data-testid="effect" className="figures col-span-2 col-start-2 mt-0.5 rounded-sm bg-tape-soft px-1 text-xs">
          {effect}
        </span>
      )}
    </div>
  );
}
