import { useFixPreview } from '@/session/derived/fixPreviewStore';

/** Pieces as a fix would sew them, thread at its true width over a pale wash, so that they stand out from what is there. */
export function FixLayer() {
  const strokes = useFixPreview((s) => s.strokes);
  if (strokes.length === 0) return null;
  return (
    <g fill="none" strokeLinejoin="round" strokeLinecap="round" data-testid="fix-preview" data-pieces={strokes.map((s) => s.id).join(' ')}>
      {strokes.map(({ id, d, widthMm }) => (
        <path key={id} d={d} stroke="#fffdf6" strokeWidth={widthMm + 0.7} />
      ))}
      {strokes.map(({ id, d, hex, widthMm }) => (
        <path key={id} d={d} stroke={hex} strokeWidth={widthMm * 0.85} />
      ))}
    </g>
  );
}
