'use client';
import { useRef, type PointerEvent } from 'react';
import { pointWeight } from '@/session/derived/weightStore';
import { onGuides } from '@/session/edit/guides';
import { useJob } from '@/session/job/jobStore';
import { panBy, toCloth, useCamera } from '@/session/view/cameraStore';
import { useView } from '@/session/view/viewStore';
import { holds, spendHeldKey } from '../../commands/heldKey';
import { SEW } from '../tools/benchKeys';
import { toolInHand } from '../tools/registry';
import type { Drag, Spot } from '../tools/tool';

const CLICK_PX = 4;
const SNAP_PX = 8;
/** The middle button always moves the view. */
const VIEW_BUTTON = 1;

interface Press {
  x: number;
  y: number;
  from: Spot;
  moved: boolean;
  button: number;
  /** What the tool has taken up; null while the view is moved. */
  drag: Drag | null;
}

let presses = 0;

type CanvasEvent = PointerEvent<HTMLDivElement> | React.MouseEvent<HTMLDivElement>;

function spotOf(e: CanvasEvent): Spot {
  const rect = e.currentTarget.getBoundingClientRect();
  const at = toCloth(useCamera.getState(), e.clientX - rect.left, e.clientY - rect.top);
  const snapMm = SNAP_PX / useCamera.getState().camera.scale;
  const caught = toolInHand().catchesGuides && useView.getState().showGuides;
  return { at: caught ? onGuides(at, useJob.getState().job?.guides, snapMm) : at, shift: e.shiftKey, snapMm };
}

/** Hands what the pointer does on the cloth to the tool in hand; what no tool takes up moves the view. */
export function useClothPointer() {
  const press = useRef<Press | null>(null);
  return {
    onPointerDown(e: PointerEvent<HTMLDivElement>) {
      if (e.button > 1) return;
      // With Space held the hand is on the view: what lies beneath is left alone.
      const held = holds(SEW);
      if (held) spendHeldKey();
      press.current = { x: e.clientX, y: e.clientY, from: spotOf(e), moved: false, button: held ? VIEW_BUTTON : e.button, drag: null };
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove(e: PointerEvent<HTMLDivElement>) {
      const held = press.current;
      const spot = spotOf(e);
      if (!held) {
        if (useView.getState().look === 'weight') pointWeight(spot.at);
        toolInHand().hover?.(spot);
        return;
      }
      const [dx, dy] = [e.clientX - held.x, e.clientY - held.y];
      if (!held.moved) {
        if (Math.hypot(dx, dy) < CLICK_PX) return;
        held.moved = true;
        if (held.button === 0) held.drag = toolInHand().drag?.({ ...held.from, shift: e.shiftKey }, `press ${++presses}`) ?? null;
      }
      if (held.drag) return held.drag.to(spot);
      panBy(dx, dy);
      press.current = { ...held, x: e.clientX, y: e.clientY };
    },
    onPointerUp(e: PointerEvent<HTMLDivElement>) {
      const held = press.current;
      press.current = null;
      held?.drag?.drop?.();
      if (held && !held.moved && held.button === 0) toolInHand().click?.(spotOf(e));
    },
    onPointerCancel() {
      press.current = null;
      useView.setState({ gesture: null, box: null });
    },
    onDoubleClick(e: React.MouseEvent<HTMLDivElement>) {
      toolInHand().doubleClick?.(spotOf(e));
    },
  };
}
