'use client';
import type { Piece } from '@/core/document/types';
import { dataToRings } from '@/core/geometry/path';
import { mix, type Point } from '@/core/geometry/point';
import { reshape } from '@/session/edit/commands';
import { Handle } from '../../cloth/Handle';
import { slantData } from './slantData';

/** Slants of the chosen piece: thin bars with a notch. Drag an end to turn one, its notch to move it; Delete takes it away. */
export function SlantHandles({ piece, scale }: { piece: Piece; scale: number }) {
  const r = 5 / scale;
  return (
    <g data-testid="slants">
      {(piece.slants ?? []).map((data, k) => {
        const line = dataToRings(data)[0] ?? [];
        const [a, b] = [line[0], line[line.length - 1]];
        if (!a || !b) return null;
        const put = (from: Point, to: Point, mark: string): void =>
          reshape(piece.id, 'Move slant', (p) => void (p.slants![k] = slantData(from, to)), mark);
        const remove = (e: React.KeyboardEvent): void => {
          if (e.key !== 'Delete' && e.key !== 'Backspace') return;
          e.preventDefault();
          e.stopPropagation();
          reshape(piece.id, 'Take slant away', (p) => {
            p.slants = p.slants!.filter((_, i) => i !== k);
            if (p.slants.length === 0) delete p.slants;
          });
        };
        const middle = mix(a, b, 0.5);
        return (
          <g key={k}>
            <path d={data} stroke="#1d282c" strokeWidth={5 / scale} strokeLinecap="round" />
            <path d={data} stroke="#fff" strokeWidth={2.5 / scale} strokeLinecap="round" />
            <Handle at={a} label={`Slant ${k + 1}, first end`} onMove={(to, mark) => put(to, b, mark)} onKey={remove}>
              <circle cx={a.x} cy={a.y} r={r} fill="#f2c230" stroke="#1d282c" strokeWidth={1.2 / scale} />
            </Handle>
            <Handle at={b} label={`Slant ${k + 1}, other end`} onMove={(to, mark) => put(a, to, mark)} onKey={remove}>
              <circle cx={b.x} cy={b.y} r={r} fill="#f2c230" stroke="#1d282c" strokeWidth={1.2 / scale} />
            </Handle>
            <Handle
              at={middle}
              label={`Slant ${k + 1}`}
              onMove={(to, mark) => {
                const [dx, dy] = [to.x - middle.x, to.y - middle.y];
                put({ x: a.x + dx, y: a.y + dy }, { x: b.x + dx, y: b.y + dy }, mark);
              }}
              onKey={remove}
            >
              <rect x={middle.x - r} y={middle.y - r} width={2 * r} height={2 * r} fill="#fff" stroke="#1d282c" strokeWidth={1.2 / scale} />
            </Handle>
          </g>
        );
      })}
    </g>
  );
}
