'use client';
import type { Job } from '@/core/document/types';
import { Command } from '@/core/plan/roles';
import { usePlan } from '@/store/planStore';

const MOST_MARKS = 600;

/** Order numbers, starts, ends and trims over the Path look. */
export function PathMarks({ job, scale }: { job: Job; scale: number }) {
  const plan = usePlan((s) => s.planned?.plan);
  const cuts = usePlan((s) => s.planned?.cuts);
  if (!plan) return null;
  const k = 1 / scale;
  const trims = Array.from(plan.command.keys())
    .filter((i) => plan.command[i] === Command.trim)
    .slice(0, MOST_MARKS);
  return (
    <g data-testid="path-marks">
      {trims.map((i) => (
        <path
          key={i}
          transform={`translate(${plan.x[i]} ${plan.y[i]}) scale(${k})`}
          d="M-6,-9 L0,0 L6,-9"
          fill="none"
          stroke="#a3152e"
          strokeWidth={2.4}
        >
          <title>{cuts?.find((c) => c.event === i)?.words}</title>
        </path>
      ))}
      {plan.pieces.slice(0, MOST_MARKS).map((p, n) => {
        if (p.to <= p.from || !job.pieces[n]) return null;
        const [sx, sy, ex, ey] = [plan.x[p.from]!, plan.y[p.from]!, plan.x[p.to - 1]!, plan.y[p.to - 1]!];
        return (
          <g key={p.id}>
            <path transform={`translate(${ex} ${ey}) scale(${k})`} d="M-6,0 H6" stroke="#1d282c" strokeWidth={3} />
            <g transform={`translate(${sx} ${sy}) scale(${k})`}>
              <circle r={9} fill="#fff" stroke="#1d282c" strokeWidth={1.6} />
              <text y={4} textAnchor="middle" fontSize={12} className="figures" fill="#1d282c">
                {n + 1}
              </text>
            </g>
          </g>
        );
      })}
    </g>
  );
}
