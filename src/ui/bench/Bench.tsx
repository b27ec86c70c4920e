'use client';
import { useEffect } from 'react';
import { useJob } from '@/session/job/jobStore';
import { usePlan } from '@/session/derived/planStore';
import { useView } from '@/session/view/viewStore';
import { useProof } from '@/session/derived/proofStore';
import { leaveRoute } from '@/session/derived/routeStore';
import { useKeys } from '../commands/useKeys';
import { BENCH_KEYS } from './tools/benchKeys';
import { ClothView } from './cloth/ClothView';
import { LookSwitch } from './panels/LookSwitch';
import { StitchCard } from './card/StitchCard';
import { ThreadLine } from './threadline/ThreadLine';
import { putAway } from './tools/inHand';
import { useToolInHand } from './tools/registry';
import { ToolStrip } from './tools/ToolStrip';
import { Totals } from './Totals';

/** How is it sewn? The cloth with its pieces, the stitch card, and the thread line. */
export function Bench() {
  const job = useJob((s) => s.job);
  const { hint } = useToolInHand();
  useKeys(BENCH_KEYS);
  useEffect(() => {
    return () => {
      putAway();
      useView.setState({ playing: false, playhead: null });
      leaveRoute();
      useProof.setState({ open: false });
    };
  }, []);
  const foreign = usePlan((s) => s.of !== null && s.of.id !== job?.id);
  useEffect(() => {
    if (foreign) usePlan.setState({ planned: null, of: null });
  }, [foreign]);
  if (!job) return null;
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <h1 className="sr-only">Bench: {job.name}</h1>
      <div className="flex min-h-0 flex-1">
        <ToolStrip />
        <div className="relative min-w-0 flex-1">
          <ClothView job={job} />
          <LookSwitch />
        </div>
        <StitchCard job={job} />
      </div>
      <ThreadLine job={job} />
      <Totals units={job.brief.units ?? 'mm'} hint={hint} />
    </main>
  );
}
