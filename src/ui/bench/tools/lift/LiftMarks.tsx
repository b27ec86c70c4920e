'use client';
import { useLift } from './lifting';

/** What would be taken, while the hand decides how much. */
export function LiftMarks({ scale }: { scale: number }) {
  const { toCloth, lifted, at, tolerance } = useLift();
  if (!at) return <g data-lift-ready={toCloth !== null} />;
  return (
    <g data-testid="lift" data-tolerance={tolerance.toFixed(3)}>
      {lifted && (
        <path
          d={lifted.data}
          fillRule="evenodd"
          fill={lifted.hex}
          fillOpacity={0.8}
          stroke="#f2c230"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <circle cx={at.x} cy={at.y} r={5 / scale} fill="#fff" stroke="#1d282c" strokeWidth={2 / scale} />
    </g>
  );
}
