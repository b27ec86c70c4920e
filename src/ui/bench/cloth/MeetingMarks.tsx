'use client';
import { useEffect, useState } from 'react';
import type { Meeting } from '@/core/editing/overlaps';
import type { Job } from '@/core/document/types';
import { usePlan } from '@/session/derived/planStore';
import { engine } from '@/workers/client';

/** Two pieces that should meet overlap by at least this much, mm (craft §4). */
const SHOULD_OVERLAP_MM = 1;

const APART_PX = { x: 44, y: 20 };

/** Meetings whose labels do not cover each other, the smallest overlaps first. */
function apart(meetings: readonly Meeting[], scale: number): Meeting[] {
  const out: Meeting[] = [];
  for (const m of [...meetings].sort((p, q) => p.overlapMm - q.overlapMm)) {
    const covered = out.some((o) => Math.abs(o.at.x - m.at.x) * scale < APART_PX.x && Math.abs(o.at.y - m.at.y) * scale < APART_PX.y);
    if (!covered) out.push(m);
  }
  return out;
}

/** By how much neighbours overlap, where they meet; too little stands out by shape and colour. */
export function MeetingMarks({ job, scale }: { job: Job; scale: number }) {
  const [meetings, setMeetings] = useState<readonly Meeting[]>([]);
  const of = usePlan((s) => s.of);
  useEffect(() => {
    if (!of) return;
    const control = new AbortController();
    engine
      .call('meetings', { job: of })
      .then((m) => !control.signal.aborted && setMeetings(m))
      .catch(() => undefined);
    return () => control.abort();
  }, [of]);
  return (
    <g data-testid="meetings" data-count={meetings.length}>
      {apart(
        meetings.filter((m) => job.pieces[m.a] && job.pieces[m.b]),
        scale,
      ).map((m) => {
        const short = m.overlapMm < SHOULD_OVERLAP_MM;
        const text = m.overlapMm < 0 ? `gap ${(-m.overlapMm).toFixed(1)}` : m.overlapMm.toFixed(1);
        const half = text.length * 3.7 + 6;
        return (
          <g key={`${m.a} ${m.b}`} transform={`translate(${m.at.x} ${m.at.y}) scale(${1 / scale})`}>
            <title>{`${job.pieces[m.a]!.name} and ${job.pieces[m.b]!.name}`}</title>
            <path
              d={`M${-half},0 l7,-10 h${2 * half - 14} l7,10 l-7,10 h${14 - 2 * half} Z`}
              fill={short ? '#a8500f' : '#fcfcfa'}
              stroke="#fff"
            />
            <text y={4} textAnchor="middle" fontSize={12} className="figures" fill={short ? '#fff' : '#1d282c'}>
              {text}
            </text>
          </g>
        );
      })}
    </g>
  );
}
