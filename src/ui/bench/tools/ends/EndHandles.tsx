'use client';
import type { Job, Piece } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { usePlan } from '@/session/derived/planStore';
import { reshape } from '@/session/edit/commands';
import { Handle } from '../../cloth/Handle';

const round = (v: number): number => Math.round(v * 100) / 100;

/** Where the chosen piece starts (an open ring) and ends (a crossbar). Dragged ones are pinned; Delete gives one back to the router. */
export function EndHandles({ job, piece, scale }: { job: Job; piece: Piece; scale: number }) {
  const planned = usePlan((s) => s.planned);
  const index = job.pieces.findIndex((p) => p.id === piece.id);
  const own = planned?.plan.pieces[index];
  if (!planned || !own || own.to <= own.from) return null;
  const at = (i: number): Point => ({ x: planned.plan.x[i]!, y: planned.plan.y[i]! });
  const start = piece.start ? { x: piece.start[0], y: piece.start[1] } : at(own.from);
  const end = piece.end ? { x: piece.end[0], y: piece.end[1] } : at(own.to - 1);
  const r = 7 / scale;
  const pin = (which: 'start' | 'end', to: Point, mark: string): void =>
    reshape(piece.id, `Pin the ${which}`, (p) => void (p[which] = [round(to.x), round(to.y)]), mark);
  const release = (which: 'start' | 'end') => (e: React.KeyboardEvent) => {
    if (e.key !== 'Delete' && e.key !== 'Backspace') return;
    e.preventDefault();
    e.stopPropagation();
    reshape(piece.id, `Let the ${which} go`, (p) => void delete p[which]);
  };
  return (
    <g data-testid="ends">
      <Handle at={end} label={`End${piece.end ? ', pinned' : ''}`} onMove={(to, mark) => pin('end', to, mark)} onKey={release('end')}>
        <circle cx={end.x} cy={end.y} r={r} fill="transparent" />
        <path
          d={`M${end.x - r},${end.y} h${2 * r} M${end.x},${end.y - r * 0.7} v${1.4 * r}`}
          stroke="#fff"
          strokeWidth={6 / scale}
          strokeLinecap="round"
        />
        <path
          d={`M${end.x - r},${end.y} h${2 * r} M${end.x},${end.y - r * 0.7} v${1.4 * r}`}
          stroke={piece.end ? '#1d282c' : '#55636a'}
          strokeWidth={3 / scale}
          strokeLinecap="round"
        />
      </Handle>
      <Handle
        at={start}
        label={`Start${piece.start ? ', pinned' : ''}`}
        onMove={(to, mark) => pin('start', to, mark)}
        onKey={release('start')}
      >
        <circle cx={start.x} cy={start.y} r={r} fill={piece.start ? '#f2c230' : 'transparent'} stroke="#fff" strokeWidth={5 / scale} />
        <circle cx={start.x} cy={start.y} r={r} fill="none" stroke="#1d282c" strokeWidth={2.2 / scale} />
      </Handle>
    </g>
  );
}
