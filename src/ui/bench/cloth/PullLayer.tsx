'use client';
import { lengthText } from '@/session/view/unitsStore';
import { PLACE_MM } from '@/core/editing/edgePlaces';
import { memo, useEffect } from 'react';
import type { MeetingEdge, PredictedOutline } from '@/core/forecast/edgeMeetings';
import { gapsOf, overlapsOf, type Forecast, type Overlap } from '@/core/forecast/forecast';
import type { Point } from '@/core/geometry/point';
import { usePlan } from '@/session/derived/planStore';
import { requestForecast, usePull } from '@/session/derived/forecastStore';
import { lineOf } from './predictedLine';

/** Cloth that shows less than this is not seen, mm. */
export const SEEN_MM = 0.15;

/** Drawn edges against those predicted, and where cloth will show; made anew for every plan. */
export function PullLayer({ scale }: { scale: number }) {
  const of = usePlan((s) => s.of);
  const forecast = usePull((s) => s.forecast);
  const enlarged = usePull((s) => s.enlarged);
  const overlaps = usePull((s) => s.overlaps);
  useEffect(() => void (of && requestForecast(of)), [of]);
  if (!forecast) return null;
  return (
    <g data-testid="pull" fill="none">
      <Outlines outlines={forecast.outlines} enlarged={enlarged} />
      <Arrows outlines={forecast.outlines} enlarged={enlarged} scale={scale} />
      {overlaps && <Overlaps forecast={forecast} scale={scale} />}
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

/** Arrows stand so far apart along an edge, pixels, and are no shorter than this. */
const ARROW_EVERY_PX = 34;
const LEAST_ARROW_PX = 7;
const HEAD_PX = 5;

/** Which way edges go, and how far: from the drawn edge to the predicted one. */
const Arrows = memo(function Arrows({
  outlines,
  enlarged,
  scale,
}: {
  outlines: readonly PredictedOutline[];
  enlarged: number;
  scale: number;
}) {
  const head = HEAD_PX / scale;
  const every = Math.max(3, Math.round(ARROW_EVERY_PX / scale / PLACE_MM));
  const d = outlines
    .flatMap(({ places }) =>
      places.filter((p, i) => i % every === every >> 1 && !p.covered && enlarged * Math.abs(p.offMm) * scale > LEAST_ARROW_PX),
    )
    .map(({ at, out, offMm }) => {
      const [tx, ty] = [at.x + enlarged * offMm * out.x, at.y + enlarged * offMm * out.y];
      // Back from the tip, against the movement, and to both sides of it.
      const back = Math.sign(offMm) * Math.min(head, 0.7 * enlarged * Math.abs(offMm));
      const wing = (side: number): string =>
        `${(tx - back * (out.x + side * 0.6 * out.y)).toFixed(2)},${(ty - back * (out.y - side * 0.6 * out.x)).toFixed(2)}`;
      return `M${at.x.toFixed(2)},${at.y.toFixed(2)} L${tx.toFixed(2)},${ty.toFixed(2)} M${wing(1)} L${tx.toFixed(2)},${ty.toFixed(2)} L${wing(-1)}`;
    })
    .join(' ');
  return <path d={d} stroke="#1d282c" strokeWidth={1} vectorEffect="non-scaling-stroke" data-testid="pull-arrows" />;
});

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
        <g key={`${g.first} ${g.later}`} data-gap={g.gapMm.toFixed(2)}>
          <Label at={g.at} scale={scale} ink="#a3152e" text={`${lengthText(g.gapMm)}`} />
        </g>
      ))}
    </>
  );
}

/** Pieces that overlap by more than this lie over each other rather than meet, mm. */
const MEET_MM = 2;
const LABEL_PX = { width: 66, height: 20 };

/** How much meeting edges that stay closed will overlap where they do so least; of labels that would cover each other the narrowest. */
function Overlaps({ forecast, scale }: { forecast: Forecast; scale: number }) {
  const shown: Overlap[] = [];
  for (const o of overlapsOf(forecast.meetings, SEEN_MM)) {
    const free = shown.every(
      ({ at }) => Math.abs(at.x - o.at.x) * scale > LABEL_PX.width || Math.abs(at.y - o.at.y) * scale > LABEL_PX.height,
    );
    if (free && o.overlapMm < MEET_MM && shown.length < MOST_LABELS) shown.push(o);
  }
  return shown.map((o, i) => <Label key={i} at={o.at} scale={scale} ink="#2f6b4f" text={`over ${Math.max(0, o.overlapMm).toFixed(1)}`} />);
}

/** A figure beside a place, in pixels whatever the zoom. */
function Label({ at, scale, ink, text }: { at: Point; scale: number; ink: string; text: string }) {
  return (
    <g transform={`translate(${at.x} ${at.y}) scale(${1 / scale})`} data-label={text}>
      <circle r={2.5} fill={ink} />
      <rect x={6} y={-22} width={62} height={18} rx={3} fill="#fcfcfa" stroke={ink} />
      <text x={37} y={-9} textAnchor="middle" fontSize={12} className="figures" fill={ink}>
        {text}
      </text>
    </g>
  );
}
