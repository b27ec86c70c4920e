'use client';
import { lengthText } from '@/session/view/unitsStore';
import type { Gauge } from '@/core/editing/gauge';
import { distance, type Point } from '@/core/geometry/point';
import { useJob } from '@/session/job/jobStore';
import { useMeasure } from './measureStore';

/** A measured line, or else the local width under the pointer. */
export function MeasureMarks({ scale }: { scale: number }) {
  const { measured, gauge } = useMeasure();
  if (measured) return <Measured scale={scale} {...measured} />;
  return gauge && <LocalWidth scale={scale} gauge={gauge} />;
}

/** The local width as a length of tape; over the satin limit it says so in words and colour. */
function LocalWidth({ scale, gauge }: { scale: number; gauge: Gauge }) {
  const limit = useJob((s) => s.job?.settings.satinLimit ?? 9);
  const over = gauge.widthMm > limit;
  const text = `${lengthText(gauge.widthMm)} wide${over ? `, over ${lengthText(limit)}` : ''}`;
  return (
    <g data-testid="gauge" data-width={gauge.widthMm.toFixed(2)} data-over={over}>
      <TapeLine from={gauge.from} to={gauge.to} colour={over ? '#a8500f' : '#f2c230'} />
      <TapeLabel at={gauge.to} scale={scale} text={text} over={over} />
    </g>
  );
}

function TapeLine({ from, to, colour }: { from: Point; to: Point; colour: string }) {
  const d = `M${from.x},${from.y} L${to.x},${to.y}`;
  return (
    <>
      <path d={d} stroke="#1d282c" strokeWidth={6} vectorEffect="non-scaling-stroke" />
      <path d={d} stroke={colour} strokeWidth={3.5} vectorEffect="non-scaling-stroke" />
    </>
  );
}

function TapeLabel({ at, scale, text, over = false }: { at: Point; scale: number; text: string; over?: boolean }) {
  return (
    <g transform={`translate(${at.x} ${at.y}) scale(${1 / scale})`}>
      <rect x={10} y={-30} width={text.length * 7.6 + 14} height={24} rx={4} fill={over ? '#a8500f' : '#f2c230'} stroke="#1d282c" />
      <text x={17} y={-13} fontSize={13} className="figures" fill={over ? '#fff' : '#1d282c'}>
        {text}
      </text>
    </g>
  );
}

function Measured({ scale, from, to }: { scale: number; from: Point; to: Point }) {
  const length = distance(from, to);
  const angle = (Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI;
  return (
    <g data-testid="measured" data-length={length.toFixed(2)}>
      <TapeLine from={from} to={to} colour="#f2c230" />
      <TapeLabel at={to} scale={scale} text={`${lengthText(length)} · ${angle.toFixed(0)}°`} />
    </g>
  );
}
