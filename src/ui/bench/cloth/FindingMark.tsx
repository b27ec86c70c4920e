import type { Finding } from '@/core/proof/finding';
import { useProof } from '@/session/derived/proofStore';
import { costWords } from '../panels/findingWords';

/** Where the finding that is being looked at lies: the place that is shown, and its others. */
export function FindingMark({ scale }: { scale: number }) {
  const marked = useProof((s) => (s.open ? s.marked : null));
  const place = useProof((s) => s.markedPlace);
  if (!marked) return null;
  const r = 16 / scale;
  const colour = marked.severity === 'stop' ? '#a3152e' : '#a8500f';
  const shown = marked.places[place] ?? marked.places[0]!;
  return (
    <g fill="none">
      {marked.places.map(({ at }, i) => (
        <circle key={i} cx={at.x} cy={at.y} r={0.35 * r} fill={colour} stroke="#ffffff" strokeWidth={1.5 / scale} />
      ))}
      <g transform={`translate(${shown.at.x} ${shown.at.y})`} data-testid="finding-mark">
        <circle r={r} stroke="#ffffff" strokeWidth={5 / scale} />
        <circle r={r} stroke={colour} strokeWidth={2.5 / scale} />
        <path
          d={`M0,${-r}V${-1.6 * r}M0,${r}V${1.6 * r}M${-r},0H${-1.6 * r}M${r},0H${1.6 * r}`}
          stroke="#1d282c"
          strokeWidth={1.5 / scale}
        />
        <Cost finding={marked} colour={colour} scale={scale} />
      </g>
    </g>
  );
}

/** What it comes to at its worst, and how much cloth it spoils, beside the mark. */
function Cost({ finding, colour, scale }: { finding: Finding; colour: string; scale: number }) {
  const words = costWords(finding);
  const width = words.length * 7.3 + 14;
  return (
    <g transform={`scale(${1 / scale}) translate(24 -34)`} data-testid="finding-cost">
      <rect width={width} height={20} rx={3} fill="#fcfcfa" stroke={colour} />
      <text x={width / 2} y={14} fontSize={12} textAnchor="middle" className="figures" fill="#1d282c">
        {words}
      </text>
    </g>
  );
}
