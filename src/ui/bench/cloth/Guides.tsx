'use client';
import { lengthText } from '@/session/view/unitsStore';
import type { Guides as GuideLines } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { moveGuide, removeGuide, type GuideWay } from '@/session/edit/guides';
import { useJob } from '@/session/job/jobStore';
import { useCamera } from '@/session/view/cameraStore';
import { guides as guidesTool } from '../tools/guides';
import { useTool } from '../tools/inHand';
import { useView } from '@/session/view/viewStore';
import { Handle } from './Handle';

const COLOUR = '#0a5f7d';
const FAR_MM = 2000;

/** Base line, cap height and whatever else one draws by, with the heights between them; and the hoop's centre lines. */
export function Guides({ scale }: { scale: number }) {
  const shown = useView((s) => s.showGuides);
  const inHand = useTool((s) => s.tool === guidesTool);
  const guides = useJob((s) => s.job?.guides);
  const { camera, width, height } = useCamera();
  if (!shown && !inHand) return null;
  const [left, top] = [camera.x - width / 2 / camera.scale, camera.y - height / 2 / camera.scale];
  const at = { x: left + 8 / scale, y: top + 22 / scale };
  return (
    <g data-testid="guides">
      <Line d={`M0,${-FAR_MM} V${FAR_MM} M${-FAR_MM},0 H${FAR_MM}`} dashes="2 5" />
      {(['level', 'upright'] as const).flatMap((way) =>
        (guides?.[way] ?? []).map((v, i) => (
          <One key={`${way} ${i}`} way={way} value={v} index={i} live={inHand} label={at} scale={scale} />
        )),
      )}
      <Heights guides={guides} x={left + width / camera.scale - 66 / scale} scale={scale} />
    </g>
  );
}

function Line({ d, dashes }: { d: string; dashes: string }) {
  return <path d={d} fill="none" stroke={COLOUR} strokeWidth={1.2} strokeDasharray={dashes} vectorEffect="non-scaling-stroke" />;
}

interface OneProps {
  way: GuideWay;
  value: number;
  index: number;
  live: boolean;
  label: Point;
  scale: number;
}

function One({ way, value, index, live, label, scale }: OneProps) {
  const level = way === 'level';
  const d = level ? `M${-FAR_MM},${value} H${FAR_MM}` : `M${value},${-FAR_MM} V${FAR_MM}`;
  const at = level ? { x: label.x, y: value } : { x: value, y: label.y };
  const text = lengthText(value).replace(/ .*/, '');
  return (
    <g>
      <Line d={d} dashes="9 3" />
      <g transform={`translate(${at.x} ${at.y}) scale(${1 / scale})`}>
        <rect x={0} y={-16} width={text.length * 7.4 + 8} height={15} rx={2} fill={COLOUR} />
        <text x={4} y={-4.5} fontSize={12} className="figures" fill="#fff">
          {text}
        </text>
      </g>
      {live && (
        <Handle
          at={at}
          label={`Guide at ${lengthText(value)}; Delete takes it away`}
          onMove={(to, mark) => moveGuide(way, index, level ? to.y : to.x, mark)}
          onKey={(e) => {
            if (e.key !== 'Delete') return;
            e.stopPropagation();
            removeGuide(way, index);
          }}
        >
          <path d={d} stroke="transparent" strokeWidth={9} vectorEffect="non-scaling-stroke" />
        </Handle>
      )}
    </g>
  );
}

/** Distances between neighbouring level guides: a base line and a cap height give the letter height. */
function Heights({ guides, x, scale }: { guides: GuideLines | undefined; x: number; scale: number }) {
  const levels = [...(guides?.level ?? [])].sort((a, b) => a - b);
  return (
    <>
      {levels.slice(1).map((low, i) => {
        const high = levels[i]!;
        const text = `${lengthText(low - high)}`;
        return (
          <g key={i} data-testid="guide-height">
            <path d={`M${x},${high} V${low}`} stroke={COLOUR} strokeWidth={1.4} vectorEffect="non-scaling-stroke" />
            <g transform={`translate(${x} ${(low + high) / 2}) scale(${1 / scale})`}>
              <rect x={-4} y={-9} width={64} height={18} rx={3} fill="#fcfcfa" stroke={COLOUR} />
              <text x={28} y={4.5} fontSize={12} textAnchor="middle" className="figures" fill="#1d282c">
                {text}
              </text>
            </g>
          </g>
        );
      })}
    </>
  );
}
