import { formOf } from '@/core/pieces/registry';
import type { Piece } from '@/core/document/types';
import type { ResolvedSettings } from '@/core/pieces/resolve';
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
  if (formOf(piece) === 'line') return describeRun(s);
  const layers = s.underlay?.value ?? [];
  const over = layers.length === 0 ? ', nothing beneath' : ` over ${joined([...new Set(layers.map((l) => UNDERLAY_WORDS[l.kind]))])}`;
  const wider = s.pullCompSides
    ? `${s.pullCompSides.value.map((v) => v.toFixed(2)).join(' and ')} wider at its sides`
    : `${s.pullComp?.value.toFixed(2)} wider at each side`;
  const to = s.spacingTo ? ` opening to ${s.spacingTo.value.toFixed(2)}` : ' apart';
  return `${headOf(piece, planned, s)}, rows ${s.spacing?.value.toFixed(2)}${to}${over}, ${wider}.`;
}

function headOf(piece: Piece, planned: PlannedPiece, s: ResolvedSettings): string {
  const width = planned.widthMm.toFixed(1);
  switch (piece.kind) {
    case 'satin':
      return `Satin, mostly ${width} wide${(s.foam?.value ?? 0) > 0 ? ` on ${s.foam!.value} mm of foam` : ''}`;
    case 'border':
      return `Border, ${width} wide inside the edge`;
    case 'applique':
      return `Appliqué: placement line, stop, tack-down, stop, then satin ${width} wide`;
    default:
      return s.angle ? `Fill at ${s.angle.value.toFixed(0)}°, stitches ${s.stitchLength.value.toFixed(1)}` : 'Fill turning with its slants';
  }
}

function describeRun(s: ResolvedSettings): string {
  const style = {
    plain: 'Run',
    double: 'Run, out and back',
    bean: `Bean, ${s.passes?.value ?? 3} passes`,
    backstitch: 'Backstitch',
    zigzag: `Loose zigzag, ${s.zigzagWidth?.value.toFixed(1)} wide`,
    motif: 'Motif repeated along the line',
  }[s.style?.value ?? 'plain'];
  return `${s.foundation?.value ? 'Foundation: ' : ''}${style}, stitches up to ${s.stitchLength.value.toFixed(1)} mm.`;
}
