import type { WheelHabit } from '@/session/view/handsStore';

/** What a turn of the wheel does to the view: moves it by pixels, or makes it larger by a factor. */
export type WheelMove = { pan: [dx: number, dy: number] } | { zoom: number };

/** Pixels that a browser's lines and pages stand for. */
const LINE_PX = 16;
const PAGE_PX = 400;
/** Larger by so much for each pixel; two fingers drawn apart come as a wheel with Ctrl and with small steps. */
const PER_PX = 0.0016;
const PINCHED_PER_PX = 0.01;
/** A wheel with Ctrl that turns this far in a step is a wheel, not two fingers, pixels. */
const WHEEL_STEP_PX = 40;

/** A wheel zooms, with or without Ctrl, unless it is set to move the view; turned sideways, or with Shift, it moves the view across. */
export function wheelMove(
  { deltaX, deltaY, deltaMode, ctrlKey, shiftKey }: Pick<WheelEvent, 'deltaX' | 'deltaY' | 'deltaMode' | 'ctrlKey' | 'shiftKey'>,
  habit: WheelHabit = 'zooms',
): WheelMove {
  const unit = deltaMode === 1 ? LINE_PX : deltaMode === 2 ? PAGE_PX : 1;
  const [x, y] = [deltaX * unit, deltaY * unit];
  if (!ctrlKey && Math.abs(x) > Math.abs(y)) return { pan: [-x, 0] };
  if (!ctrlKey && shiftKey) return { pan: [-y, 0] };
  if (!ctrlKey && habit === 'moves') return { pan: [-x, -y] };
  return { zoom: Math.exp(-y * (ctrlKey && Math.abs(y) < WHEEL_STEP_PX ? PINCHED_PER_PX : PER_PX)) };
}
