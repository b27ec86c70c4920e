import type { Bounds } from '@/core/geometry/point';
import { cardMeasures } from '@/core/sewouts/card/card';

/** Where the ruler is laid on a calibration card, by number. */
export function Rulers({ box }: { box: Bounds }) {
  return (
    <svg
      aria-hidden="true"
      viewBox={`${box.minX} ${box.minY} ${box.maxX - box.minX} ${box.maxY - box.minY}`}
      className="pointer-events-none absolute inset-0 h-full w-full"
    >
      {cardMeasures().map(({ id, ruler: [a, b] }, i) => {
        const [x, y] = a.x === b.x ? [a.x, (a.y + b.y) / 2] : [(a.x + b.x) / 2, a.y];
        return (
          <g key={id}>
            <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="white" strokeWidth={1} />
            <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--color-ink)" strokeWidth={0.45} />
            <circle cx={x} cy={y} r={2.6} fill="var(--color-tape)" stroke="var(--color-ink)" strokeWidth={0.3} />
            <text x={x} y={y + 1.15} fontSize={3.2} textAnchor="middle" className="figures">
              {i + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
