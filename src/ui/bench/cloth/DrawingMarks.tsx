'use client';
import { drawnPath } from '@/core/editing/drawn';
import { formatPath } from '@/core/geometry/path';
import type { Gauge } from '@/core/editing/gauge';
import { distance, type Point } from '@/core/geometry/point';
import { useJob } from '@/session/job/jobStore';
import { useTool } from '@/session/view/toolStore';

/** What is being drawn or measured: nodes set down, the way to the pointer, and the stitches that would come of it. */
export function DrawingMarks({ scale, thread }: { scale: number; thread: string }) {
  const { drawing, pointer, preview, measured, gauge } = useTool();
  if (gauge && !measured) return <LocalWidth scale={scale} gauge={gauge} />;
  if (measured) return <Measured scale={scale} />;
  if (!drawing) return null;
  const r = 4.5 / scale;
  return (
    <g data-testid="drawing" data-preview={preview?.stitches ?? 0}>
      {preview && <path d={preview.path} fill="none" stroke={thread} strokeWidth={1.4} vectorEffect="non-scaling-stroke" opacity={0.9} />}
      {drawing.lines.map((line, k) => {
        const last = k === drawing.lines.length - 1;
        const nodes = last && pointer ? [...line, { at: pointer, curve: drawing.curve }] : line;
        return (
          <g key={k}>
            <path d={formatPath(drawnPath(nodes, false))} fill="none" stroke="#fff" strokeWidth={4} vectorEffect="non-scaling-stroke" />
            <path
              d={formatPath(drawnPath(nodes, false))}
              fill="none"
              stroke="#1d282c"
              strokeWidth={1.6}
              vectorEffect="non-scaling-stroke"
            />
            {line.map((n, i) =>
              n.curve ? (
                <circle key={i} cx={n.at.x} cy={n.at.y} r={r} fill="#fff" stroke="#1d282c" strokeWidth={1.4 / scale} />
              ) : (
                <rect
                  key={i}
                  x={n.at.x - r}
                  y={n.at.y - r}
                  width={2 * r}
                  height={2 * r}
                  fill="#fff"
                  stroke="#1d282c"
                  strokeWidth={1.4 / scale}
                />
              ),
            )}
          </g>
        );
      })}
    </g>
  );
}

/** The local width as a length of tape; over the satin limit it says so in words and colour. */
function LocalWidth({ scale, gauge }: { scale: number; gauge: Gauge }) {
  const limit = useJob((s) => s.job?.settings.satinLimit ?? 9);
  const over = gauge.widthMm > limit;
  const text = `${gauge.widthMm.toFixed(1)} wide${over ? `, over ${limit}` : ''}`;
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

function Measured({ scale }: { scale: number }) {
  const measured = useTool((s) => s.measured)!;
  const { from, to } = measured;
  const length = distance(from, to);
  const angle = (Math.atan2(from.y - to.y, to.x - from.x) * 180) / Math.PI;
  return (
    <g data-testid="measured" data-length={length.toFixed(2)}>
      <TapeLine from={from} to={to} colour="#f2c230" />
      <TapeLabel at={to} scale={scale} text={`${length.toFixed(1)} mm · ${angle.toFixed(0)}°`} />
    </g>
  );
}
