import { useEffect, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import type { PicturePlace } from '@/core/document/types';
import type { PictureSize } from '@/core/tracing/page/prepare';
import type { Gesture } from './deskTools';

/** What of a page is seen: how much nearer than whole, and what is in the middle, shares of its sides. */
export interface PageView {
  near: number;
  middle: PicturePlace;
}
export const WHOLE_VIEW: PageView = { near: 1, middle: [0.5, 0.5] };
const NEAREST = 16;
/** A drag shorter than this is a slip of the hand, pixels of the screen. */
const SLIP_PX = 4;

interface Props {
  name: string;
  size: PictureSize;
  gesture: Gesture;
  view: PageView;
  onView(view: PageView): void;
  onTake(places: PicturePlace[]): void;
  /** What is drawn over the page, in its pixels; one pixel of the screen is `px` of them. */
  marks?(px: number): ReactNode;
  children: ReactNode;
}

/** A page that is looked at and pointed at. */
export function PagePane({ name, size, gesture, view, onView, onTake, marks, children }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState<PictureSize | null>(null);
  const [shown, setShown] = useState<PicturePlace[]>([]);
  const [drag, setDrag] = useState<{ from: PicturePlace; at: PicturePlace; view: PageView; x: number; y: number } | null>(null);
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => setRoom({ width: entry!.contentRect.width, height: entry!.contentRect.height }));
    watch.observe(box.current!);
    return () => watch.disconnect();
  }, []);
  const scale = room ? Math.min((room.width - MARGIN_PX) / size.width, (room.height - MARGIN_PX) / size.height) * view.near : 0;
  const origin = room
    ? [room.width / 2 - view.middle[0] * size.width * scale, room.height / 2 - view.middle[1] * size.height * scale]
    : [0, 0];
  const placeOf = (e: { clientX: number; clientY: number }): PicturePlace => {
    const { left, top } = box.current!.getBoundingClientRect();
    return [(e.clientX - left - origin[0]!) / (size.width * scale), (e.clientY - top - origin[1]!) / (size.height * scale)];
  };
  const down = (e: PointerEvent): void => {
    if (e.button > 1 || scale === 0 || gesture === 'wait') return;
    box.current!.setPointerCapture(e.pointerId);
    setDrag({ from: placeOf(e), at: placeOf(e), view, x: e.clientX, y: e.clientY });
  };
  const isMoving = gesture === 'move';
  const move = (e: PointerEvent): void => {
    if (!drag) return;
    if (isMoving) {
      const [dx, dy] = [(e.clientX - drag.x) / (size.width * scale), (e.clientY - drag.y) / (size.height * scale)];
      onView({ ...drag.view, middle: [drag.view.middle[0] - dx, drag.view.middle[1] - dy] });
    } else setDrag({ ...drag, at: placeOf(e) });
  };
  const up = (e: PointerEvent): void => {
    if (!drag) return;
    setDrag(null);
    if (isMoving) return;
    const to = placeOf(e);
    const slipped = Math.hypot(e.clientX - drag.x, e.clientY - drag.y) < SLIP_PX;
    if (gesture === 'point') onTake([to]);
    else if (gesture === 'four') {
      const all = [...shown, to];
      setShown(all.length === 4 ? [] : all);
      if (all.length === 4) onTake(all);
    } else if (!slipped) onTake([drag.from, to]);
  };
  const onWheel = (e: { clientX: number; clientY: number; deltaY: number }): void => {
    const near = Math.min(NEAREST, Math.max(1, view.near * (e.deltaY < 0 ? 1.2 : 1 / 1.2)));
    if (near === 1) return onView(WHOLE_VIEW);
    const at = placeOf(e);
    const k = view.near / near;
    onView({ near, middle: [at[0] + (view.middle[0] - at[0]) * k, at[1] + (view.middle[1] - at[1]) * k] });
  };
  const px = scale > 0 ? 1 / scale : 1;
  return (
    <div
      ref={box}
      aria-label={name}
      role="application"
      data-pane={name}
      data-ready={gesture !== 'wait'}
      className={`relative min-h-0 flex-1 touch-none overflow-hidden rounded-md border border-edge bg-mat ${CURSORS[gesture] ?? 'cursor-crosshair'}`}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={() => setDrag(null)}
      onWheel={onWheel}
    >
      <div
        className="absolute top-0 left-0 origin-top-left bg-white shadow"
        style={{ width: size.width * scale, height: size.height * scale, transform: `translate(${origin[0]}px, ${origin[1]}px)` }}
      >
        {children}
        <svg viewBox={`0 0 ${size.width} ${size.height}`} className="absolute inset-0 h-full w-full overflow-visible">
          {marks?.(px)}
          <InHand gesture={gesture} size={size} px={px} shown={shown} drag={isMoving ? null : drag} />
        </svg>
      </div>
    </div>
  );
}
const MARGIN_PX = 24;
const CURSORS: Partial<Record<Gesture, string>> = { wait: 'cursor-progress opacity-60', move: 'cursor-grab' };

interface InHandProps {
  gesture: Gesture;
  size: PictureSize;
  px: number;
  shown: readonly PicturePlace[];
  drag: { from: PicturePlace; at: PicturePlace } | null;
}

/** What the hand is showing just now. */
function InHand({ gesture, size, px, shown, drag }: InHandProps) {
  const at = ([x, y]: PicturePlace): { x: number; y: number } => ({ x: x * size.width, y: y * size.height });
  const [a, b] = drag ? [at(drag.from), at(drag.at)] : [null, null];
  const line = { fill: 'none', stroke: MARK, strokeWidth: 2 * px };
  return (
    <>
      {gesture === 'line' && a && b && <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} {...line} />}
      {gesture === 'box' && a && b && (
        <rect x={Math.min(a.x, b.x)} y={Math.min(a.y, b.y)} width={Math.abs(a.x - b.x)} height={Math.abs(a.y - b.y)} {...line} />
      )}
      {shown.map(at).map((p, i) => (
        <circle key={i} cx={p.x} cy={p.y} r={5 * px} {...line} fill="#fff" />
      ))}
    </>
  );
}
/** Marks are seen on any picture by their white rim, which is drawn beneath them. */
export const MARK = '#c2255c';
