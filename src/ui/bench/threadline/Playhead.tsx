'use client';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useView } from '@/session/view/viewStore';
import { seek, stepBy } from './player';
import { eventAt, type Timeline, type TimeWindow } from '@/core/plan/timeline';

/** Where the needle is in time; drag it to sew back and forth. */
export function Playhead({ timeline, view, width }: { timeline: Timeline; view: TimeWindow; width: number }) {
  const playhead = useView((s) => s.playhead);
  const dragging = useRef(false);
  const total = timeline.at.length - 1;
  const event = Math.min(playhead ?? total, total);
  const x = ((timeline.at[event]! - view.from) / (view.to - view.from)) * width;

  const follow = (e: PointerEvent<HTMLElement>): void => {
    const strip = e.currentTarget.parentElement!.getBoundingClientRect();
    seek(eventAt(timeline, view.from + ((e.clientX - strip.left) / width) * (view.to - view.from)));
  };
  const onKeyDown = (e: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageDown: 100, PageUp: -100 }[e.key];
    if (step === undefined) return;
    stepBy(e.shiftKey ? step * 10 : step);
    e.preventDefault();
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Playhead"
      aria-valuemin={0}
      aria-valuemax={total}
      aria-valuenow={event}
      aria-valuetext={`stitch ${timeline.stitches[event]} of ${timeline.stitches[total]}`}
      style={{ left: Math.min(width - 7, Math.max(-7, x - 7)) }}
      className="absolute top-0 bottom-0 z-20 w-[14px] cursor-ew-resize touch-none"
      onPointerDown={(e) => {
        dragging.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        if (dragging.current) follow(e);
      }}
      onPointerUp={() => {
        dragging.current = false;
      }}
      onKeyDown={onKeyDown}
    >
      <svg width="14" height="100%" aria-hidden="true" className="absolute inset-0 h-full">
        <path d="M7 0V400" stroke="#1d282c" strokeWidth="1.5" />
        <path d="M1 0.5h12v9l-6 7-6-7z" fill="#f2c230" stroke="#1d282c" />
      </svg>
    </div>
  );
}
