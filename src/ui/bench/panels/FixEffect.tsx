'use client';
import { useCallback } from 'react';
import type { Job } from '@/core/document/types';
import type { Fix } from '@/core/proof/finding';
import { withFix } from '@/core/proof/withFix';
import { useTried } from '../card/useEffectOf';

/** What a fix would change in stitches, trims and time, before it is made. */
export function FixEffect({ fix }: { fix: Fix }) {
  const jobsOf = useCallback((job: Job) => [fix.correct ? null : withFix(job, fix)], [fix]);
  const [effect] = useTried(fix.label, jobsOf);
  const words = fix.correct ? 'extends it under what is sewn over it, until no cloth is predicted to show' : effect;
  return (
    <p className="min-h-4 text-xs text-quiet" data-testid="fix-effect">
      {words ? `‘${fix.label}’: ${words}` : ''}
    </p>
  );
}
