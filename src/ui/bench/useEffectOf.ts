'use client';
import { useEffect, useState } from 'react';
import type { PieceSettings } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';
import { withSettings } from '@/store/commands';
import { useJob } from '@/store/jobStore';
import { usePlan } from '@/store/planStore';
import { engine } from '@/workers/client';
import { effectWords } from './effectWords';

const WAIT_MS = 150;

/** What a value being typed would change in the whole job, in words; null while nothing is typed. */
export function useEffectOf(ids: readonly string[], key: keyof PieceSettings, draft: number | null): string | null {
  const [after, setAfter] = useState<{ draft: number; figures: PlanFigures } | null>(null);
  const before = usePlan((s) => s.planned?.figures);
  const which = ids.join(' ');
  useEffect(() => {
    if (draft === null) return;
    const timer = setTimeout(() => {
      const job = useJob.getState().job;
      if (!job) return;
      const chosen = which.split(' ');
      const pieces = job.pieces.map((p) => (chosen.includes(p.id) ? { ...p, settings: withSettings(p.settings, { [key]: draft }) } : p));
      engine
        .call('effect', { job: { ...job, pieces } })
        .then((figures) => setAfter({ draft, figures }))
        .catch(() => setAfter(null));
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [draft, key, which]);
  return draft !== null && before && after?.draft === draft ? effectWords(before, after.figures) : null;
}
