'use client';
import { useEffect, useState } from 'react';
import { among } from '@/core/document/among';
import type { Job, Piece, PieceSettings } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';
import { withSettings } from '@/core/document/settings';
import { useJob } from '@/session/job/jobStore';
import { usePlan } from '@/session/derived/planStore';
import { engine } from '@/workers/client';
import { effectWords } from './effectWords';

const WAIT_MS = 150;
type Key = keyof PieceSettings;

type JobsFor<Ask> = (job: Job, ask: Ask) => (Job | null)[];

/**
 * What each of some jobs would change against the present one, in words, one after the other as they are known.
 * @param ask what is asked, as plain data; equal questions are asked once
 * @param jobsFor the jobs to try, null for one that is not to be tried; the same function at every call
 */
export function useTried<Ask>(ask: Ask, jobsFor: JobsFor<Ask>): readonly (string | null)[] {
  const asked = JSON.stringify(ask);
  const [found, setFound] = useState<{ asked: string; after: (PlanFigures | null)[] }>({ asked: '', after: [] });
  const before = usePlan((s) => s.planned?.figures);
  useEffect(() => {
    const job = useJob.getState().job;
    const all = job ? jobsFor(job, JSON.parse(asked) as Ask) : [];
    if (all.every((tried) => tried === null)) return;
    const control = new AbortController();
    const { signal } = control;
    const tryAll = async (): Promise<void> => {
      const after: (PlanFigures | null)[] = [];
      for (const tried of all) {
        if (signal.aborted) return;
        after.push(tried === null ? null : await engine.call('effect', { job: tried }, { signal }).catch(() => null));
        if (!signal.aborted) setFound({ asked, after: [...after] });
      }
    };
    const timer = setTimeout(() => void tryAll(), WAIT_MS);
    return () => {
      clearTimeout(timer);
      control.abort();
    };
  }, [asked, jobsFor]);
  return found.asked === asked && before ? found.after.map((a) => a && effectWords(before, a)) : [];
}

const withSetting: JobsFor<[readonly string[], Key, readonly unknown[]]> = (job, [ids, key, values]) => {
  const chosen = among(ids);
  const piecesWith = (value: unknown): Piece[] =>
    job.pieces.map((p) => (chosen(p.id) ? { ...p, settings: withSettings(p.settings, { [key]: value }) } : p));
  return values.map((value) => (value === null ? null : { ...job, pieces: piecesWith(value) }));
};

/**
 * What each value of a setting would change in the whole job.
 * @param values null stands for a value that is not to be tried
 */
export function useEffectsOf(ids: readonly string[], key: Key, values: readonly unknown[]): readonly (string | null)[] {
  // Thousands of pieces are not named for nothing.
  const nothing = values.every((v) => v === null);
  return useTried([nothing ? [] : ids, key, values], withSetting);
}

/** What a value being typed would change in the whole job, in words; null while nothing is typed. */
export function useEffectOf(ids: readonly string[], key: Key, draft: number | null): string | null {
  return useEffectsOf(ids, key, [draft])[0] ?? null;
}
