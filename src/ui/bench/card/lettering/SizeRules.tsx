'use client';
import { said } from '@/session/view/unitsStore';
import { useMemo } from 'react';
import type { Job, Lettering } from '@/core/document/types';
import { sizeRules, type SizeRule } from '@/core/lettering/sizeRules';
import { editLettering } from '@/session/edit/letteringCommands';
import { useTried } from '../useEffectOf';

type Ask = [id: string, text: Lettering, keys: readonly SizeRule['key'][]];

const switched = (text: Lettering, key: SizeRule['key']): Lettering['rules'] => ({
  ...text.rules,
  [key]: text.rules?.[key] === false,
});

const jobsFor = (job: Job, [id, text, keys]: Ask): Job[] =>
  keys.map((key) => ({
    ...job,
    pieces: job.pieces.map((p) => (p.id === id ? { ...p, lettering: { ...text, rules: switched(text, key)! } } : p)),
  }));

/** The rules that a text's size brings, with what each changes, and a switch for each. */
export function SizeRules({ id, text, locked }: { id: string; text: Lettering; locked: boolean }) {
  const rules = useMemo(() => sizeRules(text), [text]);
  const effects = useTried<Ask>([id, text, rules.map((r) => r.key)], jobsFor);
  if (rules.length === 0) return null;
  return (
    <ul className="mt-2 flex flex-col gap-1.5 border-t border-hairline pt-2" data-testid="size-rules">
      {rules.map((r, i) => (
        <li key={r.key}>
          <label className="flex items-start gap-2 leading-snug">
            <input
              type="checkbox"
              className="mt-0.5"
              checked={r.on}
              disabled={locked}
              onChange={() => editLettering(id, { rules: switched(text, r.key) })}
            />
            <span>
              {said(r.says)}{' '}
              <span className="text-xs text-quiet">
                {r.source}:{' '}
                <span className="figures">
                  {r.without.toFixed(2)} → {r.with.toFixed(2)} {r.unit}
                </span>
                {effects[i] && (
                  <span className="figures">
                    {' '}
                    · {r.on ? 'off' : 'on'}: {effects[i]}
                  </span>
                )}
              </span>
            </span>
          </label>
        </li>
      ))}
    </ul>
  );
}
