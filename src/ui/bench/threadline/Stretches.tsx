'use client';
import { type ComponentProps, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Job } from '@/core/document/types';
import { movePiece } from '@/session/edit/commands';
import { select, toggleSelected } from '@/session/view/viewStore';
import { dropPosition, type TimeWindow } from '@/core/plan/timeline';
import { TARGET_PX, tabsFor, type Tab } from './tabs';

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
  /** Shows a part of the strip larger. */
  onNear(view: TimeWindow): void;
}

const DRAG_PX = 5;
const NARROWEST_PX = 5;

/** One handle per piece over the strip: choose it, drag it to another place in the order, or move it with [ and ]. */
export function Stretches({ job, stretches, view, width, chosen, onNear }: Props) {
  const [drop, setDrop] = useState<{ id: string; position: number } | null>(null);
  const grip = useRef<{ id: string; x: number; dragging: boolean } | null>(null);
  const toX = (s: number): number => ((s - view.from) / (view.to - view.from)) * width;

  const secondsAt = (e: PointerEvent<HTMLElement>): number => {
    const strip = e.currentTarget.closest('[data-testid=thread-line]')!.getBoundingClientRect();
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
  const visible = stretches
    .map((s) => ({ id: s.id, x: toX(s.from), w: toX(s.to) - toX(s.from) }))
    .filter((s) => s.x < width && s.x + s.w > 0);
  const ofIds = (ids: readonly string[]): Stretch[] => stretches.filter((s) => ids.includes(s.id));
  return (
    <>
      {tabsFor(visible, width).map((tab) => (
        <NarrowTab
          key={tab.ids.join(' ')}
          tab={tab}
          number={names.get(tab.ids[0]!)?.number ?? 0}
          name={names.get(tab.ids[0]!)?.name ?? ''}
          chosen={tab.ids.some(chosen)}
          handlers={handlers(tab.ids[0]!)}
          onNear={() => onNear(windowOf(ofIds(tab.ids), view))}
        />
      ))}
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
            {w >= TARGET_PX && (
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

interface NarrowTabProps {
  tab: Tab;
  number: number;
  name: string;
  chosen: boolean;
  handlers: ComponentProps<'button'>;
  onNear(): void;
}

/** The handle of a stretch too narrow to be hit; several that share one are shown larger first. */
function NarrowTab({ tab, number, name, chosen, handlers, onNear }: NarrowTabProps) {
  const several = tab.ids.length > 1;
  const says = several ? `${tab.ids.length} pieces from ${number}: show them larger` : `${number}. ${name}`;
  return (
    <button
      type="button"
      // The stretch itself stands in the way of the Tab key.
      tabIndex={-1}
      data-tab={tab.ids.join(' ')}
      title={says}
      aria-label={says}
      style={{ left: tab.x, width: tab.w }}
      className={`figures absolute top-0 z-[5] h-[18px] overflow-hidden rounded-b-sm border-x border-b border-edge text-center text-[10px] leading-[16px] ${several ? 'cursor-zoom-in' : 'cursor-grab'} ${chosen ? 'bg-tape' : 'bg-panel hover:bg-tape-soft'}`}
      {...(several ? { onClick: onNear } : handlers)}
    >
      {several ? '…' : number}
    </button>
  );
}

/** The part of the strip that some stretches fill, with a little room. */
function windowOf(stretches: readonly Stretch[], view: TimeWindow): TimeWindow {
  const [from, to] = [Math.min(...stretches.map((s) => s.from)), Math.max(...stretches.map((s) => s.to))];
  const room = Math.max((to - from) * 0.25, 0.5);
  return { from: Math.max(0, from - room), to: Math.min(Math.max(view.to, to), to + room) };
}
