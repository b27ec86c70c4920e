'use client';
import { useEffect, useRef } from 'react';
import { copiesOf, floorHoop } from '@/core/production/floor';
import { clothColour } from '@/core/render/picture';
import { chosenMachine, useMachines } from '@/session/floor/machineStore';
import { useJob } from '@/session/job/jobStore';
import type { MachineFile } from '@/workers/protocol/engine';
import { HoopCloth, HoopRing } from '../../components/HoopShape';
import { CopyPicture } from '../CopyPicture';
import { drawEvents } from './drawEvents';

const ROOM_MM = 12;
/** Pixels per mm of what is drawn while it is sewn. */
const SCALE = 6;
const MOST_SIDE_PX = 2400;

/** The hoop as it stands in the machine: what is to be sewn pale, what is sewn in its thread, the needle where it is. */
export function SewnSoFar() {
  const job = useJob((s) => s.job)!;
  const machine = useMachines(chosenMachine);
  const hoop = floorHoop(job);
  const [w, h] = [hoop.width / 2 + ROOM_MM, hoop.height / 2 + ROOM_MM];
  const running = machine?.job?.name === job.name ? machine.job : null;
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-2 bg-mat p-2 max-sm:h-[380px] max-sm:flex-none">
      <svg
        viewBox={`${-w} ${-h} ${2 * w} ${2 * h}`}
        className="min-h-0 w-full flex-1"
        role="img"
        aria-label={running ? `${running.sewn} of ${running.stitches} stitches are sewn` : 'Nothing is in the machine'}
      >
        <HoopCloth hoop={hoop} hex={clothColour(job)} />
        {copiesOf(job).map((at, i) => (
          <CopyPicture key={i} at={at} opacity={0.28} />
        ))}
        <foreignObject x={-hoop.width / 2} y={-hoop.height / 2} width={hoop.width} height={hoop.height}>
          <Threads width={hoop.width} height={hoop.height} done={running?.next ?? 0} events={running?.events ?? 0} />
        </foreignObject>
        {running?.at && <Needle at={running.at} />}
        <HoopRing hoop={hoop} />
      </svg>
      {running && (
        <div className="rounded-md border border-edge bg-panel p-3">
          <div className="flex items-baseline gap-4">
            <span className="figures text-xl" data-testid="machine-share">
              {Math.floor((100 * running.sewn) / running.stitches)} %
            </span>
            <span className="figures">
              {running.sewn.toLocaleString('en')} of {running.stitches.toLocaleString('en')} stitches
            </span>
            <span>
              stretch {running.stop} of {running.stops}
            </span>
            <span className="figures ml-auto">{running.minutes_left.toFixed(1)} min left</span>
          </div>
          <progress className="mt-2 w-full" max={running.stitches} value={running.sewn} aria-label="Sewn" />
        </div>
      )}
    </div>
  );
}

function Needle({ at }: { at: { x: number; y: number } }) {
  return (
    <g transform={`translate(${at.x} ${at.y})`} aria-hidden="true">
      <circle r={2.2} fill="none" stroke="#1d282c" strokeWidth={1.5} vectorEffect="non-scaling-stroke" />
      <circle r={0.5} fill="#f2c230" stroke="#1d282c" strokeWidth={0.2} />
    </g>
  );
}

/** Threads up to an event, on a canvas that only what is new is added to. */
function Threads({ width, height, done, events }: { width: number; height: number; done: number; events: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const drawn = useRef<{ file: MachineFile | null; to: number }>({ file: null, to: 0 });
  const known = useMachines((s) => s.file?.file ?? null);
  const file = known && known.x.length === events ? known : null;
  const scale = Math.min(SCALE, MOST_SIDE_PX / Math.max(width, height));
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const anew = drawn.current.file !== file || done < drawn.current.to;
    if (anew) context.clearRect(0, 0, context.canvas.width, context.canvas.height);
    if (file) drawEvents(context, file, { from: anew ? 0 : drawn.current.to, to: done, scale, left: -width / 2, top: -height / 2 });
    drawn.current = { file, to: file ? done : 0 };
  }, [file, done, scale, width, height]);
  return (
    <canvas ref={canvas} width={Math.round(width * scale)} height={Math.round(height * scale)} style={{ width: '100%', height: '100%' }} />
  );
}
