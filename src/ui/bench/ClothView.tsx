'use client';
import { useEffect, useRef, type PointerEvent } from 'react';
import { clothColour } from '@/core/drawing/picture';
import type { Job } from '@/core/document/types';
import { panBy, toCloth, useCamera, zoomAt } from '@/store/cameraStore';
import { usePlan } from '@/store/planStore';
import { select, useView } from '@/store/viewStore';
import { HoopCloth, HoopRing } from '../components/HoopShape';
import { MatGrid } from '../components/MatGrid';
import { fitHoop } from './benchKeys';
import { pieceAt } from './pick';
import { useSewnPicture } from './useSewnPicture';

const CLICK_PX = 4;

/** The cloth in its hoop: mat, cloth and artwork beneath, threads, and marks above. */
export function ClothView({ job }: { job: Job }) {
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  useSewnPicture(canvas);
  useMeasuredFrame(frame);
  const drag = usePanAndPick();
  const { camera, width, height } = useCamera();
  const showHoop = useView((s) => s.showHoop);
  const box = `${camera.x - width / 2 / camera.scale} ${camera.y - height / 2 / camera.scale} ${width / camera.scale} ${height / camera.scale}`;

  return (
    <div
      ref={frame}
      className="relative h-full w-full touch-none overflow-hidden bg-mat"
      style={{ cursor: 'default' }}
      {...drag}
      data-testid="cloth"
    >
      {width > 0 && (
        <svg className="absolute inset-0 h-full w-full" viewBox={box} preserveAspectRatio="none" aria-hidden="true">
          <MatGrid fine={camera.scale > 3.5} />
          <HoopCloth hoop={job.brief.hoop} hex={clothColour(job)} />
          <Artwork job={job} />
        </svg>
      )}
      <canvas ref={canvas} className="absolute inset-0 h-full w-full" role="img" aria-label="The job as it will look sewn" />
      {width > 0 && (
        <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={box} preserveAspectRatio="none" aria-hidden="true">
          {showHoop && <HoopRing hoop={job.brief.hoop} />}
          <Selection job={job} />
          <Needle scale={camera.scale} />
        </svg>
      )}
    </div>
  );
}

/** Follows the size of the frame; the first time the whole hoop is shown. */
function useMeasuredFrame(frame: React.RefObject<HTMLDivElement | null>): void {
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    let first = true;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      useCamera.setState({ width, height });
      if (first && width > 0) fitHoop();
      first = false;
    });
    observer.observe(element);
    const onWheel = (e: WheelEvent): void => {
      e.preventDefault();
      const rect = element.getBoundingClientRect();
      zoomAt(Math.exp(-e.deltaY * 0.0016), e.clientX - rect.left, e.clientY - rect.top);
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => {
      observer.disconnect();
      element.removeEventListener('wheel', onWheel);
    };
  }, [frame]);
}

function usePanAndPick() {
  const start = useRef<{ x: number; y: number; moved: boolean } | null>(null);
  return {
    onPointerDown(e: PointerEvent<HTMLDivElement>) {
      if (e.button > 1) return;
      start.current = { x: e.clientX, y: e.clientY, moved: false };
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove(e: PointerEvent<HTMLDivElement>) {
      const from = start.current;
      if (!from) return;
      const [dx, dy] = [e.clientX - from.x, e.clientY - from.y];
      if (!from.moved && Math.hypot(dx, dy) < CLICK_PX) return;
      panBy(dx, dy);
      start.current = { x: e.clientX, y: e.clientY, moved: true };
      e.currentTarget.style.cursor = 'grabbing';
    },
    onPointerUp(e: PointerEvent<HTMLDivElement>) {
      const from = start.current;
      start.current = null;
      e.currentTarget.style.cursor = 'default';
      if (!from || from.moved) return;
      const rect = e.currentTarget.getBoundingClientRect();
      select(pieceAt(toCloth(useCamera.getState(), e.clientX - rect.left, e.clientY - rect.top)));
    },
    onPointerCancel() {
      start.current = null;
    },
  };
}

/** The drawing, dimmed, where thread does not hide it yet. */
function Artwork({ job }: { job: Job }) {
  const shown = useView((s) => s.showArtwork);
  const outlines = usePlan((s) => s.planned?.outlines);
  if (!shown || !outlines) return null;
  const threads = new Map(job.threads.map((t) => [t.id, t.hex]));
  return (
    <g opacity={0.28}>
      {job.pieces.map((p, i) => (
        <path key={p.id} d={outlines[i] ?? ''} fill={threads.get(p.thread)} fillRule="evenodd" />
      ))}
    </g>
  );
}

/** A double hairline, white over ink, so that it reads on every thread. */
function Selection({ job }: { job: Job }) {
  const selected = useView((s) => s.selected);
  const outlines = usePlan((s) => s.planned?.outlines);
  const index = job.pieces.findIndex((p) => p.id === selected);
  const d = index >= 0 ? outlines?.[index] : undefined;
  if (!d) return null;
  return (
    <g fill="none" strokeLinejoin="round" data-testid="selection">
      <path d={d} stroke="#1d282c" strokeWidth={4} vectorEffect="non-scaling-stroke" />
      <path d={d} stroke="#ffffff" strokeWidth={1.6} vectorEffect="non-scaling-stroke" />
    </g>
  );
}

function Needle({ scale }: { scale: number }) {
  const playhead = useView((s) => s.playhead);
  const plan = usePlan((s) => s.planned?.plan);
  if (!plan || playhead === null || playhead < 1) return null;
  const [x, y] = [plan.x[playhead - 1]!, plan.y[playhead - 1]!];
  const r = 7 / scale;
  return (
    <g transform={`translate(${x} ${y}) scale(${r})`} data-testid="needle">
      <circle r={1} fill="#f2c230" stroke="#1d282c" strokeWidth={0.25} />
      <circle r={0.28} fill="#1d282c" />
    </g>
  );
}
