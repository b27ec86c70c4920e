import type { Piece, UnderlayLayer } from '@/core/document/types';
import type { PlannedPiece } from '@/core/plan/plan';

const WIDTH = 272;
const CLOTH_MM = 0.6;
const STABILIZER_MM = 0.35;

interface Props {
  piece: Piece;
  planned: PlannedPiece;
  thread: string;
  cloth: string;
}

/** A cut across the piece, to scale: stabilizer, cloth, underlay, cover, and how much wider than drawn it is sewn. */
export function CrossSection({ piece, planned, thread, cloth }: Props) {
  const comp = planned.settings?.pullComp?.value ?? 0;
  const drawn = piece.kind === 'run' ? 0.4 : Math.min(12, Math.max(0.8, planned.widthMm));
  const scale = Math.min(46, WIDTH / (drawn + 2 * comp + 2.4));
  const middle = WIDTH / 2;
  const floor = 58;
  const half = (drawn / 2) * scale;
  const sewn = half + comp * scale;
  const layers = planned.settings?.underlay?.value ?? [];
  const lift = 3 + 3 * layers.length;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 104`}
      className="w-full"
      role="img"
      aria-label={`Cross-section: drawn ${drawn.toFixed(1)} mm wide, sewn ${(drawn + 2 * comp).toFixed(1)} mm`}
    >
      <rect x="0" y={floor} width={WIDTH} height={CLOTH_MM * 20} fill={cloth} stroke="#858f8c" strokeWidth="0.5" />
      <rect
        x="0"
        y={floor + CLOTH_MM * 20}
        width={WIDTH}
        height={STABILIZER_MM * 20}
        fill="#fff"
        stroke="#858f8c"
        strokeWidth="0.5"
        strokeDasharray="3 2"
      />
      <path
        d={`M${middle - sewn},${floor} C${middle - sewn * 0.8},${floor - lift - 16} ${middle + sewn * 0.8},${floor - lift - 16} ${middle + sewn},${floor} Z`}
        fill={thread}
        stroke="#1d282c"
        strokeWidth="1"
      />
      {layers.map((layer, i) => (
        <Layer key={i} layer={layer} y={floor - 3 - i * 4} middle={middle} half={half} scale={scale} />
      ))}
      <g stroke="#1d282c" strokeWidth="0.8">
        <path
          d={`M${middle - half},${floor + 24} v8 M${middle + half},${floor + 24} v8 M${middle - half},${floor + 28} H${middle + half}`}
          fill="none"
        />
        {comp > 0 && (
          <path
            d={`M${middle - sewn},8 v8 M${middle + sewn},8 v8 M${middle - sewn},12 H${middle + sewn}`}
            fill="none"
            strokeDasharray="2 2"
          />
        )}
      </g>
      <g fontSize="11" textAnchor="middle" fill="#1d282c" className="figures">
        <text x={middle} y={floor + 43}>
          drawn {drawn.toFixed(1)} mm
        </text>
        {comp > 0 && (
          <text x={middle} y={9} paintOrder="stroke" stroke="#fcfcfa" strokeWidth="4">
            sewn {(drawn + 2 * comp).toFixed(1)} mm
          </text>
        )}
      </g>
    </svg>
  );
}

function Layer({ layer, y, middle, half, scale }: { layer: UnderlayLayer; y: number; middle: number; half: number; scale: number }) {
  const inset = (layer.inset ?? 0.6) * scale;
  const edge = Math.max(2, half - inset);
  const look = { stroke: '#ffffff', strokeWidth: 2.2 };
  if (layer.kind === 'centre-run') return <circle cx={middle} cy={y} r={2.4} fill="#ffffff" stroke="#1d282c" strokeWidth="0.6" />;
  if (layer.kind === 'edge-run') {
    return (
      <g fill="#ffffff" stroke="#1d282c" strokeWidth="0.6">
        <circle cx={middle - edge} cy={y} r={2.4} />
        <circle cx={middle + edge} cy={y} r={2.4} />
      </g>
    );
  }
  const dashes = layer.kind === 'lattice' ? '5 3' : undefined;
  return <path d={`M${middle - edge},${y} H${middle + edge}`} {...look} strokeDasharray={dashes} />;
}
