import type { Hoop } from '@/core/document/types';

/** The hoop's field with the cloth in it, in mm. */
export function HoopCloth({ hoop, hex }: { hoop: Hoop; hex: string }) {
  const { width, height, shape } = hoop;
  if (shape === 'round') return <circle r={width / 2} fill={hex} />;
  return <rect x={-width / 2} y={-height / 2} width={width} height={height} rx={3} fill={hex} />;
}

/** The hoop's ring, drawn outside its field. */
export function HoopRing({ hoop }: { hoop: Hoop }) {
  const { width, height, shape } = hoop;
  const common = { fill: 'none', stroke: '#fcfcfa', strokeWidth: 3 };
  const line = { fill: 'none', stroke: '#1d282c', strokeWidth: 0.25 };
  if (shape === 'round') {
    return (
      <g>
        <circle r={width / 2 + 1.5} {...common} />
        <circle r={width / 2} {...line} />
        <circle r={width / 2 + 3} {...line} />
      </g>
    );
  }
  const box = (grow: number) => ({
    x: -width / 2 - grow,
    y: -height / 2 - grow,
    width: width + 2 * grow,
    height: height + 2 * grow,
    rx: 3 + grow,
  });
  return (
    <g>
      <rect {...box(1.5)} {...common} />
      <rect {...box(0)} {...line} />
      <rect {...box(3)} {...line} />
    </g>
  );
}
