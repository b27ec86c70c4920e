'use client';
import { useEffect, useRef, useState } from 'react';
import { usePlan } from '@/session/derived/planStore';
import { useProof } from '@/session/derived/proofStore';
import { useJob } from '@/session/job/jobStore';
import { heardChange, type Heard } from './heardChange';

/** What a figure of a job became, in words to be heard, each time it has settled. @param now null while it is worked on */
function useHeard(job: string | undefined, now: Heard | null): string {
  const [told, setTold] = useState('');
  const last = useRef<{ job: string | undefined; figures: Heard } | null>(null);
  const key = now && JSON.stringify(now);
  useEffect(() => {
    if (key === null) return;
    const figures = JSON.parse(key) as Heard;
    const before = last.current;
    last.current = { job, figures };
    const words = before?.job === job ? heardChange(before?.figures ?? figures, figures) : '';
    if (words) setTold(words);
  }, [job, key]);
  return told;
}

/** What a change did to stitches, trims and findings, for those who hear the page. */
export function HeardChanges() {
  const job = useJob((s) => s.job);
  const { planned, of } = usePlan();
  const { findings, of: proofed } = useProof();
  const figures = planned?.figures;
  const plan = useHeard(job?.id, figures && of === job ? { stitches: figures.stitches, trims: figures.trims } : null);
  const proof = useHeard(job?.id, proofed === job ? { findings: findings.filter((f) => f.accepted === undefined).length } : null);
  return (
    <div className="sr-only" data-testid="heard">
      <p aria-live="polite">{plan}</p>
      <p aria-live="polite">{proof}</p>
    </div>
  );
}
