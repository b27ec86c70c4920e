'use client';
import { FixLayer } from './FixLayer';
import { FindingMark } from './FindingMark';
import { among } from '@/core/document/among';
import { useEffect, useRef } from 'react';
import { clothColour } from '@/core/render/picture';
import type { Job } from '@/core/document/types';
import type { StitchPlan } from '@/core/plan/plan';
import { Command } from '@/core/stitches/roles';
import { panBy, useCamera, zoomAt } from '@/session/view/cameraStore';
import { loadHands, useHands } from '@/session/view/handsStore';
import { usePlan } from '@/session/derived/planStore';
import { useView } from '@/session/view/viewStore';
import { HoopCloth, HoopRing } from '../../components/HoopShape';
import { MatGrid } from '../../components/MatGrid';
import { useHeldKey } from '../../commands/heldKey';
import { fitHoop, SEW } from '../tools/benchKeys';
import { useToolInHand } from '../tools/registry';
import { MeetingMarks } from './MeetingMarks';
import { Guides } from './Guides';
import { PathMarks } from './PathMarks';
import { PhotoLayer } from './PhotoLayer';
import { PullLayer } from './PullLayer';
import { useClothPointer } from './useClothPointer';
import { PictureBeneath } from './PictureBeneath';
import { useArtworkBeneath } from './useArtworkBeneath';
import { WeightLayer } from './WeightLayer';
import { wheelMove } from './wheel';
import { useSewnPicture } from './useSewnPicture';

/** The cloth in its hoop: mat, cloth and artwork beneath, threads, and marks above. */
export function ClothView({ job }: { job: Job }) {
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  useSewnPicture(canvas);
  useMeasuredFrame(frame);
  const drag = useClothPointer();
  const look = useView((s) => s.look);
  const { camera, width, height } = useCamera();
  const tool = useToolInHand();
  const wheel = useHands((s) => s.wheel);
  const held = useHeldKey((s) => s.command === SEW);
  const showMeetings = useView((s) => s.showMeetings);
  const showHoop = useView((s) => s.showHoop);
  const box = `${camera.x - width / 2 / camera.scale} ${camera.y - height / 2 / camera.scale} ${width / camera.scale} ${height / camera.scale}`;

  return (
    <div
      ref={frame}
      className="relative h-full w-full touch-none overflow-hidden bg-mat"
      style={{ cursor: held ? 'grab' : tool.name === 'choose' ? 'default' : 'crosshair' }}
      {...drag}
      data-testid="cloth"
      data-wheel={wheel}
    >
      {width > 0 && (
        <svg className="absolute inset-0 h-full w-full" viewBox={box} preserveAspectRatio="none" aria-hidden="true">
          <MatGrid fine={camera.scale > 3.5} />
          <HoopCloth hoop={job.brief.hoop} hex={clothColour(job)} />
          <Artwork job={job} />
        </svg>
      )}
      <canvas ref={canvas} className="absolute inset-0 h-full w-full" role="img" aria-label="The job as it will look sewn" />
      {width > 0 && look === 'photo' && <PhotoLayer job={job} />}
      {width > 0 && (
        <svg className="pointer-events-none absolute inset-0 h-full w-full" viewBox={box} preserveAspectRatio="none">
          {look === 'weight' && <WeightLayer />}
          {look === 'pull' && <PullLayer scale={camera.scale} />}
          {showHoop && <HoopRing hoop={job.brief.hoop} />}
          <FixLayer />
          <Selection job={job} />
          <Guides scale={camera.scale} />
          <Needle scale={camera.scale} />
          {look === 'path' && <PathMarks job={job} scale={camera.scale} />}
          <ToolMarks job={job} scale={camera.scale} />
          <FindingMark scale={camera.scale} />
          {showMeetings && <MeetingMarks job={job} scale={camera.scale} />}
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
    void loadHands();
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
      const move = wheelMove(e, useHands.getState().wheel);
      if ('pan' in move) panBy(...move.pan);
      else zoomAt(move.zoom, e.clientX - rect.left, e.clientY - rect.top);
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => {
      observer.disconnect();
      element.removeEventListener('wheel', onWheel);
    };
  }, [frame]);
}

/** Handles and marks of the tool in hand. */
function ToolMarks({ job, scale }: { job: Job; scale: number }) {
  const { Marks } = useToolInHand();
  const selected = useView((s) => s.selected);
  return Marks && <Marks job={job} piece={job.pieces.find((p) => p.id === selected) ?? null} scale={scale} />;
}

/** The artwork as it lies, locked and dimmed, where thread does not hide it yet. Without artwork, the pieces' own outlines. */
function Artwork({ job }: { job: Job }) {
  const shown = useView((s) => s.showArtwork);
  const outlines = usePlan((s) => s.planned?.outlines);
  const { regions, toCloth } = useArtworkBeneath(job);
  if (!shown || !outlines) return null;
  const threads = new Map(job.threads.map((t) => [t.id, t.hex]));
  return (
    <g opacity={0.28} data-testid="artwork-beneath" data-regions={regions.length}>
      {toCloth && <PictureBeneath toCloth={toCloth} />}
      {(job.artwork[0]?.picture ? [] : regions).map((r, i) => {
        const line = r.strokeWidthMm !== null;
        return (
          <path
            key={i}
            d={r.data}
            fill={line ? 'none' : r.hex}
            fillRule="evenodd"
            stroke={line ? r.hex : 'none'}
            strokeWidth={r.strokeWidthMm ?? 0}
          />
        );
      })}
      {job.artwork.length === 0 &&
        job.pieces.map((p, i) => <path key={p.id} d={outlines[i] ?? ''} fill={threads.get(p.thread)} fillRule="evenodd" />)}
    </g>
  );
}

/** A double hairline, white over ink, so that it reads on every thread. */
function Selection({ job }: { job: Job }) {
  const { selected, also } = useView();
  const outlines = usePlan((s) => s.planned?.outlines);
  const chosen = among(also);
  const shown = job.pieces.flatMap((p, i) => (p.id === selected || chosen(p.id) ? [outlines?.[i] ?? ''] : [])).filter((d) => d !== '');
  if (shown.length === 0) return null;
  const d = shown.join(' ');
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
  if (!plan || playhead === null || playhead < 1 || playhead > plan.x.length) return null;
  const [x, y] = [plan.x[playhead - 1]!, plan.y[playhead - 1]!];
  const r = 7 / scale;
  return (
    <>
      <path
        d={recent(plan, playhead)}
        fill="none"
        stroke="#f2c230"
        strokeOpacity={0.85}
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
      />
      <g transform={`translate(${x} ${y}) scale(${r})`} data-testid="needle">
        <circle r={1} fill="#f2c230" stroke="#1d282c" strokeWidth={0.25} />
        <circle r={0.28} fill="#1d282c" />
      </g>
    </>
  );
}

const RECENT = 24;

/** The last few stitches, so that the eye finds what was just sewn. */
function recent(plan: StitchPlan, playhead: number): string {
  const out: string[] = [];
  for (let i = Math.max(0, playhead - RECENT); i < playhead; i++) {
    out.push(`${out.length === 0 || plan.command[i] !== Command.stitch ? 'M' : 'L'}${plan.x[i]},${plan.y[i]}`);
  }
  return out.join(' ');
}
