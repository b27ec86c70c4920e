import { lengthText } from '@/session/view/unitsStore';
import { useRef, useState, type PointerEvent } from 'react';
import type { SeenMark } from '@/core/document/sewoutTypes';
import type { Bounds } from '@/core/geometry/point';
import { markWords } from '@/core/sewouts/words';
import type { Tool } from './ViewerBar';

type Pair = [number, number];

interface Props {
  box: Bounds;
  marks: readonly SeenMark[];
  /** Found on the photo, not taken yet. */
  proposed: readonly Omit<SeenMark, 'id'>[];
  chosen: string | null;
  tool: Tool;
  onChoose(id: string | null): void;
  onMeasured(at: Pair, to: Pair, mm: number): void;
  onPlaced(at: Pair): void;
}

const round = (v: number): number => Math.round(v * 100) / 100;
/** Shorter drags are a click, mm. */
const LEAST_MM = 0.1;

/** Marks at their places; the hand that drags across a gap measures it, the hand that clicks sets a mark. */
export function MarksLayer({ box, marks, proposed, chosen, tool, onChoose, onMeasured, onPlaced }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [drag, setDrag] = useState<{ from: Pair; to: Pair } | null>(null);
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const placeOf = (e: PointerEvent): Pair => {
    const r = svg.current!.getBoundingClientRect();
    return [round(box.minX + ((e.clientX - r.left) / r.width) * w), round(box.minY + ((e.clientY - r.top) / r.height) * h)];
  };
  const lengthOf = ({ from, to }: { from: Pair; to: Pair }): number => Math.hypot(to[0] - from[0], to[1] - from[1]);
  return (
    <svg
      ref={svg}
      viewBox={`${box.minX} ${box.minY} ${w} ${h}`}
      className={`absolute inset-0 h-full w-full ${tool === 'look' ? 'pointer-events-none' : 'cursor-crosshair touch-none'}`}
      aria-label="Marks"
      role="group"
      onPointerDown={(e) => {
        if (tool === 'look') return;
        e.currentTarget.setPointerCapture(e.pointerId);
        const at = placeOf(e);
        setDrag({ from: at, to: at });
      }}
      onPointerMove={(e) => drag && setDrag({ ...drag, to: placeOf(e) })}
      onPointerCancel={() => setDrag(null)}
      onPointerUp={(e) => {
        if (!drag) return;
        const made = { ...drag, to: placeOf(e) };
        setDrag(null);
        if (tool === 'mark') return onPlaced(made.from);
        if (lengthOf(made) >= LEAST_MM) onMeasured(made.from, made.to, Math.round(lengthOf(made) * 20) / 20);
      }}
    >
      {marks.map((m) => m.at && <Mark key={m.id} mark={m} at={m.at} chosen={m.id === chosen} onChoose={() => onChoose(m.id)} />)}
      {proposed.map((m, i) => m.at && <Mark key={`p${i}`} mark={m} at={m.at} proposed />)}
      {drag && tool === 'gap' && (
        <g>
          <Across from={drag.from} to={drag.to} colour="var(--color-tape)" />
          <text
            x={drag.to[0] + 1.5}
            y={drag.to[1] - 1.5}
            fontSize={3.4}
            className="figures"
            stroke="white"
            strokeWidth={0.9}
            paintOrder="stroke"
          >
            {lengthText(lengthOf(drag), 2)}
          </text>
        </g>
      )}
    </svg>
  );
}

function Across({ from, to, colour }: { from: Pair; to: Pair; colour: string }) {
  return (
    <>
      <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke="var(--color-ink)" strokeWidth={3} vectorEffect="non-scaling-stroke" />
      <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke={colour} strokeWidth={1.5} vectorEffect="non-scaling-stroke" />
    </>
  );
}

interface MarkProps {
  mark: Omit<SeenMark, 'id'>;
  at: Pair;
  chosen?: boolean;
  proposed?: boolean;
  onChoose?(): void;
}

/** A gap is a line across it in a ring; anything else a ring. What the photo proposes is dashed until it is taken. */
function Mark({ mark, at, chosen = false, proposed = false, onChoose }: MarkProps) {
  const to = mark.to ?? at;
  const [x, y] = [(at[0] + to[0]) / 2, (at[1] + to[1]) / 2];
  const words = markWords(mark);
  return (
    <g
      role={onChoose ? 'button' : 'img'}
      tabIndex={onChoose ? 0 : undefined}
      aria-label={proposed ? `Proposed: ${words}` : words}
      aria-pressed={onChoose ? chosen : undefined}
      className={onChoose ? 'pointer-events-auto cursor-pointer' : ''}
      onPointerDown={(e) => onChoose && e.stopPropagation()}
      onClick={onChoose}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        onChoose?.();
      }}
      data-mark={mark.kind}
    >
      <circle
        cx={x}
        cy={y}
        r={2.6}
        fill={chosen ? 'rgb(242 194 48 / 0.35)' : 'transparent'}
        stroke="white"
        strokeWidth={4}
        vectorEffect="non-scaling-stroke"
      />
      <circle
        cx={x}
        cy={y}
        r={2.6}
        fill="transparent"
        stroke={chosen ? 'var(--color-ink)' : 'var(--color-danger)'}
        strokeWidth={2}
        strokeDasharray={proposed ? '4 3' : undefined}
        vectorEffect="non-scaling-stroke"
      />
      {mark.to && <Across from={at} to={mark.to} colour="white" />}
    </g>
  );
}
