'use client';
import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Point } from '@/core/geometry/point';
import { toCloth, useCamera } from '@/session/view/cameraStore';
import { useHeldKey } from '../../commands/heldKey';
import { useJob } from '@/session/job/jobStore';

interface Props {
  at: Point;
  label: string;
  /** Whether the Tab key stops at it; marks of which there are hundreds are reached otherwise. */
  tab?: boolean;
  /** Called with where it was dragged or nudged to, the mark of the gesture, and whether Shift is held. */
  onMove(to: Point, mark: string, shift: boolean): void;
  /** What the arrow keys do instead of moving it: steps to the right and down, and the mark. */
  onArrow?(right: number, down: number, mark: string, shift: boolean): void;
  onDrop?(): void;
  cursor?: string;
  onPick?(): void;
  onKey?(e: KeyboardEvent): void;
  children: ReactNode;
}

let gestures = 0;
const NUDGE_MM = 0.1;
/** A press that moves less is a click. */
const CLICK_PX = 3;
const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** Something on the cloth that can be dragged, or nudged with the arrow keys; Esc gives the drag up. */
export function Handle({ at, label, tab = true, onMove, onArrow, onDrop, onPick, onKey, cursor = 'move', children }: Props) {
  const drag = useRef<{ mark: string; dx: number; dy: number; from: [number, number] | null } | null>(null);
  const scale = useCamera((s) => s.camera.scale);
  const place = (e: PointerEvent<SVGGElement>): Point => {
    const rect = e.currentTarget.ownerSVGElement!.getBoundingClientRect();
    return toCloth(useCamera.getState(), e.clientX - rect.left, e.clientY - rect.top);
  };
  const drop = (): void => {
    if (drag.current) onDrop?.();
    drag.current = null;
  };
  return (
    <g
      role="button"
      tabIndex={tab ? 0 : -1}
      aria-label={label}
      className="cloth-handle"
      // The cloth is drawn in millimetres; a ring round what has the focus is to be as thin as anywhere.
      style={{ pointerEvents: 'all', cursor, ['--ring' as never]: `${2 / scale}px` }}
      onPointerDown={(e) => {
        // With a key held the hand is on the view, not on what lies beneath.
        if (e.button !== 0 || useHeldKey.getState().command) return;
        e.stopPropagation();
        e.currentTarget.setPointerCapture(e.pointerId);
        e.currentTarget.focus({ preventScroll: true });
        const p = place(e);
        drag.current = { mark: `gesture ${++gestures}`, dx: at.x - p.x, dy: at.y - p.y, from: [e.clientX, e.clientY] };
        onPick?.();
      }}
      onPointerMove={(e) => {
        if (!drag.current) return;
        const { from } = drag.current;
        if (from && Math.hypot(e.clientX - from[0], e.clientY - from[1]) < CLICK_PX) return;
        drag.current.from = null;
        const p = place(e);
        onMove({ x: p.x + drag.current.dx, y: p.y + drag.current.dy }, drag.current.mark, e.shiftKey);
      }}
      onPointerUp={drop}
      onPointerCancel={drop}
      onKeyDown={(e) => {
        const arrow = ARROWS[e.key];
        if (arrow) {
          e.preventDefault();
          e.stopPropagation();
          const [mark, by] = [`nudge ${++gestures}`, NUDGE_MM * (e.shiftKey ? 10 : 1)];
          if (onArrow) onArrow(...arrow, mark, e.shiftKey);
          else onMove({ x: at.x + arrow[0] * by, y: at.y + arrow[1] * by }, mark, e.shiftKey);
        } else if (e.key === 'Escape' && drag.current) {
          e.preventDefault();
          e.stopPropagation();
          useJob.getState().rollBack(drag.current.mark);
          drop();
        } else onKey?.(e);
      }}
    >
      {children}
    </g>
  );
}
