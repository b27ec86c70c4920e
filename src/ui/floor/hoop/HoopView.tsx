'use client';
import { said } from '@/session/view/unitsStore';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { CopyPlace } from '@/core/document/types';
import { copiesOf, floorHoop } from '@/core/production/floor';
import { clothColour } from '@/core/render/picture';
import { useFloor } from '@/session/derived/floorStore';
import { moveCopy, placeCopies, removeCopy } from '@/session/edit/floorCommands';
import { useJob } from '@/session/job/jobStore';
import { HoopCloth, HoopRing } from '../../components/HoopShape';
import { layingOf, sidesOf, useDesign } from '../CopyPicture';

interface Chosen {
  chosen: number | null;
  onChoose(index: number | null): void;
}

const ROOM_MM = 12;
const NUDGE_MM = 0.5;

/** The hoop at scale on the mat, with the sewn copies in it. */
export function HoopView({ chosen, onChoose }: Chosen) {
  const job = useJob((s) => s.job)!;
  const hoop = floorHoop(job);
  const [w, h] = [hoop.width / 2 + ROOM_MM, hoop.height / 2 + ROOM_MM];
  return (
    <div className="min-w-0 flex-1 bg-mat p-2 max-sm:h-[340px] max-sm:flex-none">
      <svg
        viewBox={`${-w} ${-h} ${2 * w} ${2 * h}`}
        className="h-full w-full select-none"
        data-testid="floor-hoop"
        role="group"
        aria-label={said(`Hoop of ${hoop.width} by ${hoop.height} mm with ${copiesOf(job).length} in it`)}
        onPointerDown={() => onChoose(null)}
      >
        <HoopCloth hoop={hoop} hex={clothColour(job)} />
        <CentreMarks width={hoop.width} height={hoop.height} />
        {copiesOf(job).map((at, i) => (
          <Copy key={i} index={i} at={at} chosen={chosen === i} onChoose={onChoose} />
        ))}
        <HoopRing hoop={hoop} />
      </svg>
    </div>
  );
}

function CentreMarks({ width, height }: { width: number; height: number }) {
  const line = { stroke: '#55636a', strokeWidth: 0.25, strokeDasharray: '2 2', opacity: 0.6 };
  return (
    <g aria-hidden="true">
      <line x1={-width / 2} x2={width / 2} y1={0} y2={0} {...line} />
      <line y1={-height / 2} y2={height / 2} x1={0} x2={0} {...line} />
    </g>
  );
}

let drags = 0;

/** Drags a copy: one step of undo for each drag. The first drag of a job that is sewn once makes it a placed one. */
function useDrag(index: number, at: CopyPlace) {
  const drag = useRef<{ from: DOMPoint; at: CopyPlace; mark: string } | null>(null);
  const point = (e: PointerEvent<SVGGElement>): DOMPoint =>
    new DOMPoint(e.clientX, e.clientY).matrixTransform(e.currentTarget.ownerSVGElement!.getScreenCTM()!.inverse());
  return {
    onPointerDown(e: PointerEvent<SVGGElement>): void {
      if (e.button !== 0) return;
      e.stopPropagation();
      e.currentTarget.setPointerCapture(e.pointerId);
      drag.current = { from: point(e), at, mark: `copy ${++drags}` };
    },
    onPointerMove(e: PointerEvent<SVGGElement>): void {
      if (!drag.current) return;
      const [to, { from, at: began, mark }] = [point(e), drag.current];
      moveTo(index, { x: began.x + to.x - from.x, y: began.y + to.y - from.y }, mark);
    },
    onPointerUp(): void {
      drag.current = null;
    },
  };
}

const FIELD_MM = 600;
function moveTo(index: number, { x, y }: { x: number; y: number }, mark: string): void {
  const job = useJob.getState().job!;
  if (!job.floor?.copies) placeCopies(copiesOf(job));
  const held = (v: number): number => Math.round(Math.max(-FIELD_MM, Math.min(FIELD_MM, v)) * 10) / 10;
  moveCopy(index, { x: held(x), y: held(y) }, mark);
}

const ARROWS: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

function Copy({ index, at, chosen, onChoose }: CopyProps) {
  const view = useFloor((s) => s.view);
  const design = useDesign(at);
  const drag = useDrag(index, at);
  const onKeyDown = (e: KeyboardEvent): void => {
    const arrow = ARROWS[e.key];
    if (arrow) {
      const by = NUDGE_MM * (e.shiftKey ? 10 : 1);
      moveTo(index, { x: at.x + arrow[0] * by, y: at.y + arrow[1] * by }, `nudge ${index} ${++drags}`);
    } else if (e.key === 'Delete') removeCopy(index);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  if (!view || !design) return null;
  const rect = sidesOf(design, view.marginMm);
  const wrong = view.clear[index] === false || view.onOther[index] === true;
  return (
    <g
      transform={layingOf(at)}
      tabIndex={0}
      role="button"
      aria-label={`Copy ${index + 1}${at.of === undefined ? '' : `, ${design.name},`} at ${said(`${at.x.toFixed(1)}, ${at.y.toFixed(1)} mm`)}`}
      aria-pressed={chosen}
      data-copy={index}
      className="cursor-grab active:cursor-grabbing"
      onFocus={() => onChoose(index)}
      onKeyDown={onKeyDown}
      {...drag}
    >
      <image href={design.href} {...rect} preserveAspectRatio="none" />
      {(chosen || wrong) && (
        <rect
          {...rect}
          fill="none"
          stroke={wrong ? '#a3152e' : '#1d282c'}
          strokeWidth={1.6}
          strokeDasharray={wrong ? '3 2' : undefined}
          vectorEffect="non-scaling-stroke"
        />
      )}
    </g>
  );
}

interface CopyProps {
  index: number;
  at: CopyPlace;
  chosen: boolean;
  onChoose(index: number | null): void;
}
