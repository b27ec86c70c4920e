'use client';
import { lengthText, unitsNow } from '@/session/view/unitsStore';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { among } from '@/core/document/among';
import { recipeFor } from '@/core/cloth/house';
import type { Job } from '@/core/document/types';
import { usePlan } from '@/session/derived/planStore';
import type { Planned } from '@/session/derived/planStore';
import { useView } from '@/session/view/viewStore';
import { drawThreadLine, heightOfLength, RULES_MM } from './drawThreadLine';
import { FindingFlags } from './FindingFlags';
import { PlayControls } from './PlayControls';
import { Playhead } from './Playhead';
import { Stretches } from './Stretches';
import { timelineOf, type TimeWindow } from '@/core/plan/timeline';
import { useRested } from '../useRested';

/** The whole sewing order as a strip in machine time: order list, player, trim counter and stitch-length chart in one. */
export function ThreadLine({ job }: { job: Job }) {
  // The cloth answers first: while a shape is dragged the strip follows when there is time.
  const planned = useRested(usePlan((s) => s.planned));
  return (
    <section aria-label="Thread line" className="flex h-full bg-panel">
      <PlayControls />
      <div className="relative min-w-0 flex-1">
        {planned && planned.plan.x.length > 0 ? (
          <>
            <Strip job={planned.job} planned={planned} />
            <Scale />
          </>
        ) : (
          <p className="grid h-full place-content-center text-quiet">
            {job.pieces.length === 0 ? 'No pieces yet: Art makes them from the drawing.' : 'Laying the stitches …'}
          </p>
        )}
      </div>
    </section>
  );
}

/** Stitch lengths that the strip's height stands for. */
function Scale() {
  return (
    <div aria-hidden="true" className="figures absolute inset-y-0 right-0 w-11 border-l border-hairline text-right text-xs text-quiet">
      {RULES_MM.map((mm) => (
        <span key={mm} className="absolute right-1.5" style={{ bottom: heightOfLength(mm), transform: 'translateY(50%)' }}>
          {lengthText(mm, 0).replace(/ .*/, '')}
        </span>
      ))}
      <span className="absolute right-1.5 bottom-0">{unitsNow()}</span>
    </div>
  );
}

const Strip = memo(function Strip({ job, planned }: { job: Job; planned: Planned }) {
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [{ width, height }, setSize] = useState({ width: 0, height: 0 });
  const timeline = timelineOf(planned.plan, recipeFor(job.brief).speed);
  const [zoomed, setZoomed] = useState<TimeWindow | null>(null);
  const view = useMemo(() => zoomed ?? { from: 0, to: timeline.seconds }, [zoomed, timeline]);
  const selected = useView((s) => s.selected);
  const also = useView((s) => s.also);
  const chosen = useMemo(() => among(selected === null ? also : [selected, ...also]), [selected, also]);

  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setSize({ width: entry!.contentRect.width, height: entry!.contentRect.height }));
    if (frame.current) observer.observe(frame.current);
    return () => observer.disconnect();
  }, []);
  useEffect(() => {
    if (canvas.current && width > 0 && height > 0) drawThreadLine(canvas.current, width, job, planned.plan, timeline, view);
  }, [width, height, job, planned, timeline, view]);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const onWheel = (e: WheelEvent): void => {
      e.preventDefault();
      const at = (e.clientX - element.getBoundingClientRect().left) / element.clientWidth;
      setZoomed((now) => zoomWindow(now ?? { from: 0, to: timeline.seconds }, timeline.seconds, at, e));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [timeline]);

  const stretches = useMemo(
    () => planned.plan.pieces.filter((p) => p.to > p.from).map((p) => ({ id: p.id, from: timeline.at[p.from]!, to: timeline.at[p.to]! })),
    [planned, timeline],
  );
  return (
    <div ref={frame} className="absolute inset-y-0 right-11 left-0" data-testid="thread-line">
      {/* Over the stretches, so that the wash of what is chosen leaves the colours of thread as they are. */}
      <canvas ref={canvas} className="pointer-events-none absolute inset-0 z-[1] h-full w-full" aria-hidden="true" />
      {width > 0 && (
        <>
          <Stretches job={job} stretches={stretches} view={view} width={width} chosen={chosen} onNear={setZoomed} />
          <FindingFlags plan={planned.plan} timeline={timeline} view={view} width={width} />
          <Playhead timeline={timeline} view={view} width={width} />
        </>
      )}
    </div>
  );
});

const SHORTEST_WINDOW_S = 1.5;

/** Wheel zooms about the pointer; with Shift, or sideways, it moves along. The whole job is the widest view. */
function zoomWindow(now: TimeWindow, total: number, at: number, e: WheelEvent): TimeWindow | null {
  const span = now.to - now.from;
  const sideways = e.shiftKey || Math.abs(e.deltaX) > Math.abs(e.deltaY);
  if (sideways) {
    const shift = ((e.deltaX || e.deltaY) / 600) * span;
    const from = Math.min(total - span, Math.max(0, now.from + shift));
    return { from, to: from + span };
  }
  const next = Math.max(SHORTEST_WINDOW_S, span * Math.exp(e.deltaY * 0.0018));
  if (next >= total) return null;
  const from = Math.min(total - next, Math.max(0, now.from + at * (span - next)));
  return { from, to: from + next };
}
