'use client';
import { useEffect } from 'react';
import { useJob } from '@/store/jobStore';
import { usePlan } from '@/store/planStore';
import { useView } from '@/store/viewStore';
import { useKeys } from '../commands/useKeys';
import { BENCH_KEYS } from './benchKeys';
import { ClothView } from './ClothView';
import { StitchCard } from './StitchCard';
import { ThreadLine } from './ThreadLine';
import { ToolStrip } from './ToolStrip';
import { Totals } from './Totals';

/** How is it sewn? The cloth with its pieces, the stitch card, and the thread line. */
export function Bench() {
  const job = useJob((s) => s.job);
  useKeys(BENCH_KEYS);
  useEffect(() => {
    return () => useView.setState({ playing: false, playhead: null });
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
        <div className="min-w-0 flex-1">
          <ClothView job={job} />
        </div>
        <StitchCard job={job} />
      </div>
      <ThreadLine job={job} />
      <Totals units={job.brief.units ?? 'mm'} hint="Click a piece to see how it is sewn; wheel to zoom; drag to move" />
    </main>
  );
}
