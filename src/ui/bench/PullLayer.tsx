'use client';
import { memo, useEffect } from 'react';
import type { MeetingEdge, PredictedOutline } from '@/core/forecast/edges';
import { gapsOf, type Forecast } from '@/core/forecast/forecast';
import { usePlan } from '@/store/planStore';
import { requestForecast, usePull } from '@/store/pullStore';

/** Cloth that shows less than this is not seen, mm. */
export const SEEN_MM = 0.15;
/** Places farther apart than this are not joined, mm. */
const BREAK_MM = 3;

/** Drawn edges against those predicted, and where cloth will show; made anew for every plan. */
export function PullLayer({ scale }: { scale: number }) {
  const of = usePlan((s) => s.of);
  const forecast = usePull((s) => s.forecast);
  const enlarged = usePull((s) => s.enlarged);
  useEffect(() => void (of && requestForecast(of)), [of]);
  if (!forecast) return null;
  return (
    <g data-testid="pull" fill="none">
      <Outlines outlines={forecast.outlines} enlarged={enlarged} />
      <Gaps forecast={forecast} scale={scale} />
    </g>
  );
}

const Outlines = memo(function Outlines({ outlines, enlarged }: { outlines: readonly PredictedOutline[]; enlarged: number }) {
  const drawn = outlines.map((o) => lineOf(o, 0)).join(' ');
  const predicted = outlines.map((o) => lineOf(o, enlarged)).join(' ');
  return (
    <>
      <path d={drawn} stroke="#55636a" strokeWidth={1} strokeDasharray="3 3" vectorEffect="non-scaling-stroke" />
      <path d={predicted} stroke="#1d282c" strokeWidth={1.6} vectorEffect="non-scaling-stroke" />
    </>
  );
});

/** What is seen of an outline, through its places, moved by `times` what is predicted. */
function lineOf({ places }: PredictedOutline, times: number): string {
  let [lastX, lastY] = [NaN, NaN];
  const out: string[] = [];
  for (const { at, out: away, offMm, covered } of places) {
    if (covered) continue;
    const near = Math.hypot(at.x - lastX, at.y - lastY) < BREAK_MM;
    out.push(`${near ? 'L' : 'M'}${(at.x + times * offMm * away.x).toFixed(2)},${(at.y + times * offMm * away.y).toFixed(2)}`);
    [lastX, lastY] = [at.x, at.y];
  }
  return out.join(' ');
}

function openStretches({ places }: MeetingEdge): string {
  let open = false;
  return places
    .map(({ at, gapMm }) => {
      const before = open;
      open = gapMm > SEEN_MM;
      return open ? `${before ? 'L' : 'M'}${at.x.toFixed(2)},${at.y.toFixed(2)} h0.01` : '';
    })
    .join(' ');
}

const MOST_LABELS = 40;

/** Edges along which cloth will show, with the widest gap of each in mm. */
function Gaps({ forecast, scale }: { forecast: Forecast; scale: number }) {
  const gaps = gapsOf(forecast.meetings, SEEN_MM).slice(0, MOST_LABELS);
  const bad = forecast.meetings.filter((m) => gaps.some((g) => g.first === m.first && g.later === m.later));
  return (
    <>
      <path
        d={bad.map(openStretches).join(' ')}
        stroke="#a3152e"
        strokeWidth={5}
        strokeLinecap="round"
        strokeOpacity={0.8}
        vectorEffect="non-scaling-stroke"
      />
      {gaps.map((g) => (
        <g key={`${g.first} ${g.later}`} transform={`translate(${g.at.x} ${g.at.y}) scale(${1 / scale})`} data-gap={g.gapMm.toFixed(2)}>
          <rect x={6} y={-22} width={58} height={18} rx={3} fill="#fcfcfa" stroke="#a3152e" />
          <text x={35} y={-9} textAnchor="middle" fontSize={12} className="figures" fill="#a3152e">
            {g.gapMm.toFixed(1)} mm
          </text>
        </g>
      ))}
    </>
  );
}
