import type { Piece } from '@/core/document/types';
import type { PlannedPiece } from '@/core/plan/plan';

const UNDERLAY_WORDS = {
  'centre-run': 'a centre run',
  'edge-run': 'an edge run',
  zigzag: 'a zigzag',
  'double-zigzag': 'a double zigzag',
  lattice: 'a lattice',
} as const;

const joined = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;

/** A piece in one sentence, as a practitioner would say it. */
export function describe(piece: Piece, planned: PlannedPiece): string {
  const s = planned.settings;
  if (!s) return planned.problem ? `Not sewn: ${planned.problem}.` : '';
  if (piece.kind === 'run') {
    const style = { plain: 'Run', double: 'Run, out and back', bean: `Bean, ${s.passes?.value ?? 3} passes` }[s.style?.value ?? 'plain'];
    return `${style}, stitches up to ${s.stitchLength.value.toFixed(1)} mm.`;
  }
  const layers = s.underlay?.value ?? [];
  const over = layers.length === 0 ? ', nothing beneath' : ` over ${joined([...new Set(layers.map((l) => UNDERLAY_WORDS[l.kind]))])}`;
  const head =
    piece.kind === 'satin'
      ? `Satin, mostly ${planned.widthMm.toFixed(1)} wide`
      : `Fill at ${s.angle?.value.toFixed(0)}°, stitches ${s.stitchLength.value.toFixed(1)}`;
  return `${head}, rows ${s.spacing?.value.toFixed(2)} apart${over}, ${s.pullComp?.value.toFixed(2)} wider at each side.`;
}
