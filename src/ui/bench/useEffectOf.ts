'use client';
import { useEffect, useState } from 'react';
import type { Job, PieceSettings } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';
import { withSettings } from '@/core/document/settings';
import { useJob } from '@/store/jobStore';
import { usePlan } from '@/store/planStore';
import { engine } from '@/workers/client';
import { effectWords } from './effectWords';

const WAIT_MS = 150;
type Key = keyof PieceSettings;

/** The job with one setting of some pieces tried. */
function tried(job: Job, ids: readonly string[], key: Key, value: unknown): Job {
  return {
    ...job,
    pieces: job.pieces.map((p) => (ids.includes(p.id) ? { ...p, settings: withSettings(p.settings, { [key]: value }) } : p)),
  };
}

/**
 * What each value of a setting would change in the whole job, in words, one after the other as they are known.
 * @param values null stands for a value that is not to be tried
 */
export function useEffectsOf(ids: readonly string[], key: Key, values: readonly unknown[]): readonly (string | null)[] {
  const asked = JSON.stringify([ids, key, values]);
  const [found, setFound] = useState<{ asked: string; after: (PlanFigures | null)[] }>({ asked: '', after: [] });
  const before = usePlan((s) => s.planned?.figures);
  useEffect(() => {
    const [which, name, all] = JSON.parse(asked) as [string[], Key, unknown[]];
    const job = useJob.getState().job;
    if (!job || all.every((v) => v === null)) return;
    let gone = false;
    const tryAll = async (): Promise<void> => {
      const after: (PlanFigures | null)[] = [];
      for (const value of all) {
        if (gone) return;
        after.push(value === null ? null : await engine.call('effect', { job: tried(job, which, name, value) }).catch(() => null));
        if (!gone) setFound({ asked, after: [...after] });
      }
    };
    const timer = setTimeout(() => void tryAll(), WAIT_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [asked]);
  return found.asked === asked && before ? found.after.map((a) => a && effectWords(before, a)) : [];
}

/** What a value being typed would change in the whole job, in words; null while nothing is typed. */
export function useEffectOf(ids: readonly string[], key: Key, draft: number | null): string | null {
  return useEffectsOf(ids, key, [draft])[0] ?? null;
}
