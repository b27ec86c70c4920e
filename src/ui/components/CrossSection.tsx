import { lengthText, said } from '@/session/view/unitsStore';
import { clothThickness, stabilizerThickness } from '@/core/cloth/thickness';
import type { ClothKey, UnderlayLayer } from '@/core/document/types';
import { UNDERLAY_WORDS } from '@/core/document/words';
import type { PlannedPiece } from '@/core/plan/plan';
import { THREAD_WIDTH_MM } from '@/core/units/tolerances';

const WIDTH = 272;
/** Room above for the measure of what is sewn, and below for that of what is drawn, px. */
const ABOVE = 26;
const BELOW = 26;
/** Broader pieces are shown in part. */
const WIDEST_SHOWN_MM = 12;
const FILM_MM = 0.08;
/** How much a thread lying across flattens. */
const LAYER_MM = 0.25;

interface Props {
  /** A line is as broad as its thread. */
  isLine: boolean;
  planned: Pick<PlannedPiece, 'settings' | 'widthMm'>;
  thread: string;
  cloth: { key: ClothKey; hex: string };
  /** What lies beneath and above the cloth, in words of the recipe. */
  stabilizer: string;
  topping: string;
}

/** A cut across the piece, to scale: stabilizer, cloth, foam, underlay, cover, topping, and how much wider than drawn it is sewn. */
export function CrossSection({ isLine, planned, thread, cloth, stabilizer, topping }: Props) {
  const comp = planned.settings?.pullComp?.value ?? 0;
  const cutOff = !isLine && planned.widthMm > WIDEST_SHOWN_MM;
  const drawn = isLine ? THREAD_WIDTH_MM : Math.min(WIDEST_SHOWN_MM, Math.max(0.8, planned.widthMm));
  const words = cutOff
    ? { drawn: `${lengthText(WIDEST_SHOWN_MM, 0)} of the field`, sewn: `${lengthText(comp, 2)} farther at each end` }
    : { drawn: `drawn ${lengthText(drawn)}`, sewn: `sewn ${lengthText(drawn + 2 * comp)}` };
  const scale = Math.min(34, WIDTH / (drawn + 2 * comp + 2.4));
  const layers = planned.settings?.underlay?.value ?? [];
  const foamMm = planned.settings?.foam?.value ?? 0;
  const [half, sewn, middle] = [(drawn / 2) * scale, (drawn / 2 + comp) * scale, WIDTH / 2];
  const lift = (layers.length * LAYER_MM + THREAD_WIDTH_MM) * scale;
  const floor = ABOVE + lift + foamMm * scale;
  const clothPx = clothThickness(cloth.key) * scale;
  const stabilizerPx = stabilizerThickness(stabilizer) * scale;
  const foot = floor + clothPx + stabilizerPx;
  const film = /film|yes/.test(topping);
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${foot + BELOW}`}
        className="w-full"
        role="img"
        aria-label={`Cross-section to scale: ${words.drawn}, ${words.sewn}`}
      >
        <rect x="0" y={floor} width={WIDTH} height={clothPx} fill={cloth.hex} stroke="#858f8c" strokeWidth="0.5" />
        <rect
          x="0"
          y={floor + clothPx}
          width={WIDTH}
          height={stabilizerPx}
          fill="#fff"
          stroke="#858f8c"
          strokeWidth="0.5"
          strokeDasharray="3 2"
        />
        {foamMm > 0 && (
          <rect x={middle - half} y={floor - foamMm * scale} width={2 * half} height={foamMm * scale} fill="#e8dcc0" stroke="#858f8c" />
        )}
        <Cover middle={middle} sewn={sewn} floor={floor} top={ABOVE} thread={thread} foamPx={foamMm * scale} />
        {foamMm === 0 &&
          layers.map((layer, i) => (
            <Layer key={i} layer={layer} y={floor - (i + 0.5) * LAYER_MM * scale} middle={middle} half={half} scale={scale} />
          ))}
        {film && (
          <rect x="0" y={ABOVE - FILM_MM * scale - 1.5} width={WIDTH} height={Math.max(1, FILM_MM * scale)} fill="#7fb4c8" opacity={0.7} />
        )}
        <Measure left={middle - half} right={middle + half} y={foot + 7} text={words.drawn} below />
        {comp > 0 && <Measure left={middle - sewn} right={middle + sewn} y={ABOVE - 7} text={words.sewn} />}
      </svg>
      <figcaption className="text-xs text-quiet">
        {[
          film ? `${topping} above` : '',
          foamMm > 0 ? said(`foam ${foamMm} mm`) : '',
          layers.map((l) => UNDERLAY_WORDS[l.kind].toLowerCase()).join(' + '),
          `${stabilizer} beneath`,
        ]
          .filter((t) => t !== '')
          .join(' · ')}
      </figcaption>
    </figure>
  );
}

interface CoverProps {
  middle: number;
  sewn: number;
  floor: number;
  top: number;
  thread: string;
  foamPx: number;
}

function Cover({ middle, sewn, floor, top, thread, foamPx }: CoverProps) {
  const shoulder = foamPx > 0 ? 0.97 : 0.8;
  const rise = floor - (floor - top) * 1.2;
  const d = `M${middle - sewn},${floor} C${middle - sewn * shoulder},${rise} ${middle + sewn * shoulder},${rise} ${middle + sewn},${floor} Z`;
  return <path d={d} fill={thread} fillOpacity={foamPx > 0 ? 0.75 : 1} stroke="#1d282c" strokeWidth="1" />;
}

function Measure({ left, right, y, text, below = false }: { left: number; right: number; y: number; text: string; below?: boolean }) {
  return (
    <g>
      <path d={`M${left},${y - 4} v8 M${right},${y - 4} v8 M${left},${y} H${right}`} fill="none" stroke="#1d282c" strokeWidth="0.8" />
      <text x={(left + right) / 2} y={below ? y + 15 : y - 6} fontSize="11" textAnchor="middle" fill="#1d282c" className="figures">
        {text}
      </text>
    </g>
  );
}

function Layer({ layer, y, middle, half, scale }: { layer: UnderlayLayer; y: number; middle: number; half: number; scale: number }) {
  const edge = Math.max(2, half - (layer.inset ?? 0.6) * scale);
  const r = Math.max(1.6, (THREAD_WIDTH_MM / 2) * scale * 0.6);
  const at = layer.kind === 'centre-run' ? [middle] : layer.kind === 'edge-run' ? [middle - edge, middle + edge] : [];
  if (at.length > 0) {
    return (
      <g fill="#ffffff" stroke="#1d282c" strokeWidth="0.6">
        {at.map((x) => (
          <circle key={x} cx={x} cy={y} r={r} />
        ))}
      </g>
    );
  }
  const dashes = layer.kind === 'lattice' ? '5 3' : undefined;
  return <path d={`M${middle - edge},${y} H${middle + edge}`} stroke="#ffffff" strokeWidth={Math.max(1.6, r)} strokeDasharray={dashes} />;
}
