'use client';
import { useEffect } from 'react';
import { useJob } from '@/session/job/jobStore';
import { usePlan } from '@/session/derived/planStore';
import { takeTool, useTool, type ToolName } from '@/session/view/toolStore';
import { useView } from '@/session/view/viewStore';
import { useProof } from '@/session/derived/proofStore';
import { leaveRoute } from '@/session/derived/routeStore';
import { useKeys } from '../commands/useKeys';
import { BENCH_KEYS } from './tools/benchKeys';
import { ClothView } from './cloth/ClothView';
import { LookSwitch } from './panels/LookSwitch';
import { StitchCard } from './card/StitchCard';
import { ThreadLine } from './threadline/ThreadLine';
import { ToolStrip } from './tools/ToolStrip';
import { Totals } from './Totals';

/** What the tool in hand does: in a few words, and in full. */
const HINTS: Record<ToolName, { short: string; full: string }> = {
  choose: {
    short: 'Click a piece, drag it to move; wheel zooms',
    full: 'Click a piece to see how it is sewn, then drag it to move it; drag the cloth to move the view; wheel to zoom',
  },
  nodes: {
    short: 'Double click adds a node; C curves; Delete',
    full: 'Drag nodes; double click adds one; C: corner or curve; Delete takes one out; arrows nudge',
  },
  slants: {
    short: 'Drag across to lay a slant; Delete',
    full: 'Drag across the piece to lay a slant; two or more make rows turn; Delete takes one away',
  },
  ends: { short: 'Ring: start; bar: end; Delete lets go', full: 'Drag the ring to pin the start, the bar to pin the end; Delete lets go' },
  cut: {
    short: 'Drag a line across; Shift: 15 degrees',
    full: 'Drag a line right across: what is chosen is cut there, or whatever it crosses; Shift: 15 degrees',
  },
  edge: {
    short: 'Drag an edge out or in',
    full: 'Drag an edge of the chosen piece outwards or inwards; the card says how far it gives way',
  },
  regions: {
    short: 'Click artwork to make it a piece',
    full: 'Click a region of the artwork to make it a piece; Shift-click gathers several into one',
  },
  guides: { short: 'Click: level; Shift-click: upright', full: 'Click: level guide; Shift-click: upright; drag moves, Delete takes away' },
  measure: {
    short: 'Point for widths; drag to measure',
    full: 'Point at a shape for its width there; drag from one place to another; hold Shift for level, upright and 15 degrees',
  },
  run: {
    short: 'Click nodes; C: curve; Enter ends',
    full: 'Click to set nodes; C: curve; Shift: 15 degrees; Backspace takes back; Enter ends the line',
  },
  satin: {
    short: 'One side, Enter, the other, Enter',
    full: 'Draw the first side, Enter, then the second side, Enter; C: curve; Backspace takes back',
  },
  area: { short: 'Click round; Enter closes', full: 'Click round the outline; click the first node or Enter closes it; C: curve' },
};

/** How is it sewn? The cloth with its pieces, the stitch card, and the thread line. */
export function Bench() {
  const job = useJob((s) => s.job);
  const tool = useTool((s) => s.tool);
  useKeys(BENCH_KEYS);
  useEffect(() => {
    return () => {
      takeTool('choose');
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
      <Totals units={job.brief.units ?? 'mm'} hint={HINTS[tool]} />
    </main>
  );
}
