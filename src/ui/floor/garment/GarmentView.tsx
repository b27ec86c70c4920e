'use client';
import { hangBounds } from '@/core/production/garment/drawing';
import type { Hang } from '@/core/production/garment/hang';
import { clothColour } from '@/core/render/picture';
import { formatLength } from '@/core/units/length';
import { useFloor } from '@/session/derived/floorStore';
import { useJob } from '@/session/job/jobStore';
import { sidesOf } from '../CopyPicture';

const INK = '#1d282c';

/** The garment at scale with the sewn design on it. */
export function GarmentView({ hang }: { hang: Hang }) {
  const job = useJob((s) => s.job)!;
  const view = useFloor((s) => s.view)!;
  const design = view.designs[0]!;
  const { box } = design;
  const b = hangBounds(hang);
  const [w, h] = [b.maxX - b.minX, b.maxY - b.minY];
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const large = Math.max(w, h) / 40;
  return (
    <div className="min-w-0 flex-1 bg-mat p-3 max-sm:h-[340px] max-sm:flex-none">
      <svg
        viewBox={`${b.minX} ${b.minY} ${w} ${h}`}
        className="h-full w-full"
        role="img"
        aria-label={`${hang.title}, drawn to scale with the design on it`}
        data-testid="garment"
      >
        {hang.outline.body.map((d) => (
          <path
            key={d}
            d={d}
            fill={clothColour(job)}
            stroke={INK}
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
            strokeLinejoin="round"
          />
        ))}
        {hang.outline.seams.map((d) => (
          <path
            key={d}
            d={d}
            fill="none"
            stroke={INK}
            strokeWidth={1}
            opacity={0.55}
            vectorEffect="non-scaling-stroke"
            strokeLinecap="round"
          />
        ))}
        <g transform={`translate(${hang.at.x - middle.x} ${hang.at.y - middle.y})`}>
          <image href={design.href} {...sidesOf(design, view.marginMm)} preserveAspectRatio="none" />
        </g>
        {hang.distances.map((d) => (
          <Measured key={d.from} line={d.line} words={formatLength(d.mm, job.brief.units ?? 'mm', 0)} size={large} />
        ))}
      </svg>
    </div>
  );
}

/** A line between two places with its length beside it. */
function Measured({ line: [p, q], words, size }: { line: Hang['distances'][number]['line']; words: string; size: number }) {
  const level = Math.abs(q.x - p.x) > Math.abs(q.y - p.y);
  // Near its beginning: the design lies at its end.
  const [mx, my] = [p.x + 0.4 * (q.x - p.x), p.y + 0.4 * (q.y - p.y)];
  const tick = size * 0.35;
  const ends = [p, q].map(({ x, y }) => (level ? `M${x},${y - tick} V${y + tick}` : `M${x - tick},${y} H${x + tick}`)).join(' ');
  const width = words.length * size * 0.56;
  const [bx, by] = level ? [p.x + (Math.sign(q.x - p.x) * width) / 2, my + size * 1.2] : [mx + size * 0.5 + width / 2, my];
  return (
    <g>
      <path d={`M${p.x},${p.y} L${q.x},${q.y} ${ends}`} stroke="#a3152e" strokeWidth={2} vectorEffect="non-scaling-stroke" fill="none" />
      <rect
        x={bx - width / 2 - size * 0.2}
        y={by - size * 0.7}
        width={width + size * 0.4}
        height={size * 1.4}
        rx={size * 0.2}
        fill="#fcfcfa"
      />
      <text x={bx} y={by} fontSize={size} textAnchor="middle" dominantBaseline="central" fill={INK}>
        {words}
      </text>
    </g>
  );
}
