import type { ResolvedSettings } from '../resolve';

/** A run in one sentence, as a practitioner would say it. */
export function runSentence(s: ResolvedSettings): string {
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
