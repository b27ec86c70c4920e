'use client';
import { MM_PER_INCH } from '@/core/units/length';
import { unitsNow } from '@/session/view/unitsStore';
import type { PointerEvent } from 'react';
import { clothColour } from '@/core/render/picture';
import type { Job } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import type { Survey } from '@/core/artwork/survey';
import { specimenOf } from '@/core/lettering/specimen';
import { PlaceMarks } from './SizeReport';
import { HoopCloth, HoopRing } from '../components/HoopShape';
import { MatGrid } from '../components/MatGrid';
import { Letters } from '../components/Specimen';

interface Props {
  job: Job;
  survey: Survey | null;
  marked: number | null;
  onMark(i: number | null): void;
  place: number | null;
  onPlace(i: number | null): void;
  /** Two places whose distance is to be told, while they are being picked. */
  feature: Feature | null;
  onFeature: ((feature: Feature) => void) | null;
}

/** A feature of the artwork between two places, mm. */
export interface Feature {
  from: Point;
  to: Point;
}

const placeOf = (e: PointerEvent<SVGSVGElement>): Point => {
  const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(e.currentTarget.getScreenCTM()!.inverse());
  return { x: p.x, y: p.y };
};

/** The artwork's regions at real size in the hoop. The ruler along its foot is the tape. */
export function HoopView({ job, survey, marked, onMark, place, onPlace, feature, onFeature }: Props) {
  const { hoop } = job.brief;
  const margin = 14;
  const box = [-hoop.width / 2 - margin, -hoop.height / 2 - margin, hoop.width + 2 * margin, hoop.height + 2 * margin];
  return (
    <svg
      className="absolute inset-0 h-full w-full"
      viewBox={box.join(' ')}
      role="img"
      aria-label="Artwork in the hoop"
      style={onFeature ? { cursor: 'crosshair', touchAction: 'none' } : undefined}
      onPointerDown={(e) => {
        if (!onFeature || e.button !== 0) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        onFeature({ from: placeOf(e), to: placeOf(e) });
      }}
      onPointerMove={(e) => {
        if (onFeature && feature && e.buttons === 1) onFeature({ from: feature.from, to: placeOf(e) });
      }}
    >
      <MatGrid />
      <HoopCloth hoop={hoop} hex={clothColour(job)} />
      <HoopRing hoop={hoop} />
      {survey?.regions.map((r, i) => (
        <path
          key={i}
          d={r.data}
          fillRule="evenodd"
          fill={r.strokeWidthMm === null ? r.hex : 'none'}
          stroke={r.strokeWidthMm === null ? 'none' : r.hex}
          strokeWidth={r.strokeWidthMm ?? 0}
          strokeLinecap="round"
          strokeLinejoin="round"
          opacity={marked === null || marked === i ? 1 : 0.25}
          onMouseEnter={() => onMark(i)}
          onMouseLeave={() => onMark(null)}
        />
      ))}
      {survey && <Texts survey={survey} faint={marked !== null} />}
      {marked !== null && survey?.regions[marked] && (
        <path
          d={survey.regions[marked].data}
          fill="none"
          stroke="#1d282c"
          strokeWidth={1.6}
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      )}
      {survey && <PlaceMarks places={survey.places} marked={place} onMark={onPlace} />}
      {feature && (
        <g pointerEvents="none" data-testid="feature">
          <path
            d={`M${feature.from.x},${feature.from.y} L${feature.to.x},${feature.to.y}`}
            stroke="#1d282c"
            strokeWidth={6}
            vectorEffect="non-scaling-stroke"
          />
          <path
            d={`M${feature.from.x},${feature.from.y} L${feature.to.x},${feature.to.y}`}
            stroke="#f2c230"
            strokeWidth={3.5}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      )}
      {survey && <SizeTape width={survey.widthMm} y={Math.min(hoop.height / 2 + 5, survey.heightMm / 2 + 3)} />}
    </svg>
  );
}

/** Texts of the drawing, as they are going to be lettered. */
function Texts({ survey: { pieces, threads }, faint }: { survey: Survey; faint: boolean }) {
  return pieces.map(({ id, lettering, thread }) => {
    const drawn = lettering && specimenOf(lettering);
    if (!drawn) return null;
    return (
      <g key={id} color={threads.find((t) => t.id === thread)?.hex} opacity={faint ? 0.25 : 1} pointerEvents="none" data-testid="art-text">
        <Letters parts={drawn.parts} id={`art-${id}`} />
      </g>
    );
  });
}

/** Marks of the tape: how far apart, mm, how many to a numbered one and to a middle one, and what a numbered one counts. */
const TAPES = { mm: { step: 1, long: 10, middle: 5, counts: 10 }, in: { step: MM_PER_INCH / 16, long: 16, middle: 8, counts: 1 } };

/** A length of measuring tape under the artwork, as wide as it is. */
function SizeTape({ width, y }: { width: number; y: number }) {
  const { step, long, middle, counts } = TAPES[unitsNow()];
  const ticks = Array.from({ length: Math.floor(width / step) + 1 }, (_, i) => i);
  return (
    <g transform={`translate(${-width / 2} ${y})`} aria-hidden="true">
      <rect width={width} height={4.4} fill="#f2c230" stroke="#1d282c" strokeWidth={0.15} />
      {ticks.map((i) => (
        <path key={i} d={`M${i * step},0 v${i % long === 0 ? 2.6 : i % middle === 0 ? 1.7 : 1}`} stroke="#1d282c" strokeWidth={0.15} />
      ))}
      {ticks
        .filter((i) => i % long === 0 && i > 0 && i * step < width - 2)
        .map((i) => (
          <text key={i} x={i * step + 0.4} y={3.9} fontSize={2} fill="#1d282c">
            {(i / long) * counts}
          </text>
        ))}
    </g>
  );
}
