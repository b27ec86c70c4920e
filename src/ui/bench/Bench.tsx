'use client';
import { useEffect } from 'react';
import { useJob } from '@/session/job/jobStore';
import { usePlan } from '@/session/derived/planStore';
import { useView } from '@/session/view/viewStore';
import { useProof } from '@/session/derived/proofStore';
import { leaveRoute } from '@/session/derived/routeStore';
import { useKeys } from '../commands/useKeys';
import { BenchPanels } from './BenchPanels';
import { BENCH_KEYS } from './tools/benchKeys';
import { ClothView } from './cloth/ClothView';
import { HeardChanges } from './HeardChanges';
import { LookSwitch } from './panels/LookSwitch';
import { StitchCard } from './card/StitchCard';
import { ThreadLine } from './threadline/ThreadLine';
import { putAway } from './tools/inHand';
import { useToolInHand } from './tools/registry';
import { ThreadInHand } from './tools/draw/ThreadInHand';
import { ToolStrip } from './tools/ToolStrip';
import { Totals } from './Totals';

/** How is it sewn? The cloth with its pieces, the stitch card, and the thread line. */
export function Bench() {
  const job = useJob((s) => s.job);
  const tool = useToolInHand();
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
      <BenchPanels
        tools={<ToolStrip />}
        cloth={
          <>
            <ClothView job={job} />
            <LookSwitch />
            {!tool.atRest && <ToolHint text={tool.hint.full} />}
          </>
        }
        card={
          <div className="flex h-full flex-col">
            {tool.lays && <ThreadInHand job={job} />}
            <StitchCard job={job} />
          </div>
        }
        line={<ThreadLine job={job} />}
      />
      <HeardChanges />
      <Totals units={job.brief.units ?? 'mm'} hint={tool.atRest ? tool.hint.short : ''} />
    </main>
  );
}

/** What the tool in hand does, on the cloth where the eyes are; it never takes the pointer. */
const ToolHint = ({ text }: { text: string }) => (
  <p
    role="status"
    data-testid="tool-hint"
    className="pointer-events-none absolute bottom-2 left-1/2 w-max max-w-[92%] -translate-x-1/2 rounded-md border border-hairline bg-panel/90 px-3 py-1 text-center text-xs"
  >
    {text}
  </p>
);
