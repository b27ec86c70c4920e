'use client';
import { memo } from 'react';
import type { Job } from '@/core/document/types';
import { ringsToData } from '@/core/geometry/path';
import type { Point } from '@/core/geometry/point';
import type { ExplainedCut } from '@/core/plan/explain';
import type { StitchPlan } from '@/core/plan/plan';
import { reshape } from '@/session/edit/commands';
import { setApproach } from '@/session/edit/orderCommands';
import { useCuts, usePlan } from '@/session/derived/planStore';
import { allowTravel } from '@/session/derived/routeStore';
import { select, useView } from '@/session/view/viewStore';
import { Handle } from './Handle';
import { waysIn } from './innerWays';
import { labelPlaces } from './labelPlaces';

const MOST_MARKS = 600;

interface MarkProps {
  job: Job;
  plan: StitchPlan;
  /** Mm per pixel. */
  k: number;
}

const round = (v: number): number => Math.round(v * 100) / 100;

function pin(id: string, which: 'start' | 'end', to: Point, mark: string): void {
  reshape(id, `Pin the ${which}`, (p) => void (p[which] = [round(to.x), round(to.y)]), mark);
}

/** Order numbers, starts, ends, travels and cuts over the Path look; all of them can be dragged. */
export function PathMarks({ job, scale }: { job: Job; scale: number }) {
  const plan = usePlan((s) => s.planned?.plan);
  const cuts = useCuts();
  if (!plan) return null;
  const k = 1 / scale;
  return (
    <g data-testid="path-marks">
      {cuts?.slice(0, MOST_MARKS).map((cut) => (
        <Cut key={cut.reason === 'parts' ? `part ${cut.event}` : `${cut.from} ${cut.to}`} job={job} cut={cut} k={k} />
      ))}
      <InnerWays job={job} plan={plan} k={k} />
      <Travels job={job} plan={plan} k={k} />
      <Ends job={job} plan={plan} k={k} />
    </g>
  );
}

/** Where the thread is cut: dragging it pins where the piece before it ends, Delete sews across instead. */
function Cut({ job, cut, k }: { job: Job; cut: ExplainedCut; k: number }) {
  const from = job.pieces[cut.from];
  if (!from) return null;
  const inside = cut.reason === 'parts';
  const snip = (
    <path transform={`translate(${cut.at.x} ${cut.at.y}) scale(${k})`} d="M-6,-9 L0,0 L6,-9" fill="none" stroke="#a3152e" strokeWidth={2.4}>
      <title>{cut.words}</title>
    </path>
  );
  if (inside) return snip;
  return (
    <Handle
      at={cut.at}
      label={`Cut after ‘${from.name}’: ${cut.words}`}
      tab={false}
      onPick={() => select(from.id)}
      onMove={(to, mark) => pin(from.id, 'end', to, mark)}
      onKey={(e) => {
        if ((e.key !== 'Delete' && e.key !== 'Backspace') || !cut.remedies.includes('allow-travel')) return;
        e.preventDefault();
        e.stopPropagation();
        allowTravel(cut);
      }}
    >
      {snip}
      <rect transform={`translate(${cut.at.x} ${cut.at.y}) scale(${k})`} x={-8} y={-11} width={16} height={11} fill="transparent" />
    </Handle>
  );
}

/** The ways inside the pieces that are chosen; those of all would hide how pieces follow each other. */
function InnerWays({ job, plan, k }: MarkProps) {
  const chosen = useView((s) => s.selected);
  const also = useView((s) => s.also);
  const ways = [...(chosen === null ? [] : [chosen]), ...also].flatMap((id) => {
    const n = job.pieces.findIndex((p) => p.id === id);
    const piece = plan.pieces[n];
    return piece ? waysIn(plan, piece.from, piece.to) : [];
  });
  return ways.map((d, i) => (
    <path key={i} d={d} fill="none" stroke="#1d282c" strokeWidth={1.4 * k} strokeDasharray={`${3 * k} ${3 * k}`} pointerEvents="none" />
  ));
}

/** Middle of the way that leads to a piece. */
function middleOf(plan: StitchPlan, from: number, to: number): Point {
  const i = Math.floor((from + to - 1) / 2);
  return { x: plan.x[i]!, y: plan.y[i]! };
}

/** A grip on every way between pieces: dragging it leads the way through another place. */
const Travels = memo(function Travels({ job, plan, k }: MarkProps) {
  return plan.pieces.slice(0, MOST_MARKS).map((p, n) => {
    const { link } = p;
    const piece = job.pieces[n];
    if (!piece || link?.how !== 'travel') return null;
    const at = middleOf(plan, plan.pieces[link.from]!.to, p.from);
    return (
      <Handle
        key={p.id}
        at={at}
        label={`Way to ‘${piece.name}’`}
        tab={false}
        onMove={(to, mark) => setApproach(p.id, { how: 'travel', way: ringsToData([[to, to]], false) }, mark)}
        onKey={(e) => {
          if (e.key !== 'Delete' && e.key !== 'Backspace') return;
          e.preventDefault();
          e.stopPropagation();
          setApproach(p.id, piece.approach ? undefined : { how: 'trim' });
        }}
      >
        <circle
          transform={`translate(${at.x} ${at.y}) scale(${k})`}
          r={4.5}
          fill="#fff"
          stroke="#1d282c"
          strokeWidth={1.6}
          strokeDasharray="2 2"
        />
      </Handle>
    );
  });
});

/** Numbers of the sewing order are this broad, pixels. */
const NUMBER_PX = 19;

const Ends = memo(function Ends({ job, plan, k }: MarkProps) {
  const sewn = plan.pieces.slice(0, MOST_MARKS).flatMap((p, n) => (p.to > p.from && job.pieces[n] ? [{ p, n }] : []));
  const starts = sewn.map(({ p }) => ({ x: plan.x[p.from]!, y: plan.y[p.from]! }));
  const grips = sewn.flatMap(({ p }) => (p.link?.how === 'travel' ? [middleOf(plan, plan.pieces[p.link.from]!.to, p.from)] : []));
  const numbers = labelPlaces(starts, NUMBER_PX * k, grips);
  return sewn.map(({ p, n }, at) => {
    const piece = job.pieces[n]!;
    const [start, number] = [starts[at]!, numbers[at]!];
    const end = { x: plan.x[p.to - 1]!, y: plan.y[p.to - 1]! };
    return (
      <g key={p.id}>
        <Handle
          at={end}
          label={`End of ‘${piece.name}’`}
          tab={false}
          onPick={() => select(p.id)}
          onMove={(to, mark) => pin(p.id, 'end', to, mark)}
        >
          <path transform={`translate(${end.x} ${end.y}) scale(${k})`} d="M-6,0 H6" stroke="#1d282c" strokeWidth={3} />
          <rect transform={`translate(${end.x} ${end.y}) scale(${k})`} x={-7} y={-4} width={14} height={8} fill="transparent" />
        </Handle>
        <Handle
          at={start}
          label={`Start of ‘${piece.name}’, sewn as number ${n + 1}`}
          tab={false}
          onPick={() => select(p.id)}
          onMove={(to, mark) => pin(p.id, 'start', to, mark)}
        >
          {number !== start && (
            <g stroke="#1d282c" strokeWidth={1.2 * k}>
              <line x1={start.x} y1={start.y} x2={number.x} y2={number.y} />
              <circle cx={start.x} cy={start.y} r={2 * k} fill="#1d282c" />
            </g>
          )}
          <g transform={`translate(${number.x} ${number.y}) scale(${k})`}>
            <circle r={9} fill="#fff" stroke="#1d282c" strokeWidth={1.6} />
            <text y={4} textAnchor="middle" fontSize={12} className="figures" fill="#1d282c">
              {n + 1}
            </text>
          </g>
        </Handle>
      </g>
    );
  });
});
