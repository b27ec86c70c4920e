'use client';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Job } from '@/core/document/types';
import { movePiece } from '@/session/edit/commands';
import { select, toggleSelected } from '@/session/view/viewStore';
import { dropPosition, type TimeWindow } from '@/core/plan/timeline';

interface Stretch {
  id: string;
  from: number;
  to: number;
}

interface Props {
  job: Job;
  stretches: readonly Stretch[];
  view: TimeWindow;
  width: number;
  /** Whether a piece is among those that are chosen. */
  chosen: (id: string) => boolean;
}

const DRAG_PX = 5;
const NARROWEST_PX = 5;

/** One handle per piece over the strip: choose it, drag it to another place in the order, or move it with [ and ]. */
export function Stretches({ job, stretches, view, width, chosen }: Props) {
  const [drop, setDrop] = useState<{ id: string; position: number } | null>(null);
  const grip = useRef<{ id: string; x: number; dragging: boolean } | null>(null);
  const toX = (s: number): number => ((s - view.from) / (view.to - view.from)) * width;

  const secondsAt = (e: PointerEvent<HTMLElement>): number => {
    const strip = e.currentTarget.parentElement!.getBoundingClientRect();
    return view.from + ((e.clientX - strip.left) / width) * (view.to - view.from);
  };
  const handlers = (id: string) => ({
    onPointerDown(e: PointerEvent<HTMLElement>) {
      if (e.button !== 0) return;
      grip.current = { id, x: e.clientX, dragging: false };
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove(e: PointerEvent<HTMLElement>) {
      const g = grip.current;
      if (!g || (!g.dragging && Math.abs(e.clientX - g.x) < DRAG_PX)) return;
      g.dragging = true;
      setDrop({ id, position: dropPosition(stretches, id, secondsAt(e)) });
    },
    onPointerUp(e: PointerEvent<HTMLElement>) {
      const g = grip.current;
      grip.current = null;
      setDrop(null);
      if (g?.dragging) movePiece(id, dropPosition(stretches, id, secondsAt(e)));
      else if (g && e.shiftKey) toggleSelected(id);
      else if (g) select(id);
    },
    onPointerCancel() {
      grip.current = null;
      setDrop(null);
    },
    onKeyDown(e: KeyboardEvent<HTMLElement>) {
      if (e.key === 'Escape' && grip.current) {
        grip.current = null;
        setDrop(null);
        e.preventDefault();
      } else if (e.key === 'Enter' || e.key === ' ') {
        select(id);
        e.preventDefault();
      }
    },
  });

  const names = new Map(
    job.pieces.map((p, i) => [p.id, { name: p.name, number: i + 1, thread: job.threads.findIndex((t) => t.id === p.thread) + 1 }]),
  );
  return (
    <>
      {stretches.map((s) => {
        const x = toX(s.from);
        const w = Math.max(NARROWEST_PX, toX(s.to) - x);
        if (x > width || x + w < 0) return null;
        const known = names.get(s.id);
        return (
          <button
            key={s.id}
            type="button"
            data-piece={s.id}
            aria-label={`${known?.number}. ${known?.name}, thread ${known?.thread}`}
            aria-pressed={chosen(s.id)}
            title={`${known?.number}. ${known?.name}`}
            style={{ left: x, width: w }}
            className={`absolute top-0 bottom-0 cursor-grab overflow-hidden text-left focus-visible:z-10 ${chosen(s.id) ? 'bg-tape/35 shadow-[inset_0_3px_0_#f2c230,inset_1px_0_0_#1d282c,inset_-1px_0_0_#1d282c]' : 'hover:bg-tape/20'} ${drop?.id === s.id ? 'opacity-50' : ''}`}
            {...handlers(s.id)}
          >
            {w > 16 && (
              <span className="pointer-events-none absolute top-1.5 left-1 text-xs whitespace-nowrap">
                <span className="figures text-quiet">{known?.number}</span> {w > 64 ? known?.name : ''}
              </span>
            )}
          </button>
        );
      })}
      {drop && <DropMark x={toX(dropTime(stretches, drop))} />}
    </>
  );
}

function dropTime(stretches: readonly Stretch[], drop: { id: string; position: number }): number {
  const others = stretches.filter((s) => s.id !== drop.id);
  return others[drop.position]?.from ?? others[others.length - 1]?.to ?? 0;
}

function DropMark({ x }: { x: number }) {
  return <div className="pointer-events-none absolute top-0 bottom-0 z-20 w-[3px] bg-ink" style={{ left: x - 1 }} />;
}
