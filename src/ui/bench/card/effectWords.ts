import type { PlanFigures } from '@/core/plan/measure';
import { formatDuration } from '@/core/units/length';

const signed = (n: number, text: string): string => `${n > 0 ? '+' : '−'}${text}`;

/** The difference between two plans in stitches, trims and time, as a person reads it. */
export function effectWords(before: PlanFigures, after: PlanFigures): string {
  const stitches = after.stitches - before.stitches;
  const trims = after.trims - before.trims;
  const seconds = Math.round(after.runSeconds - before.runSeconds);
  const parts = [
    ...(stitches !== 0 ? [`${signed(stitches, Math.abs(stitches).toLocaleString('en'))} stitches`] : []),
    ...(trims !== 0 ? [`${signed(trims, String(Math.abs(trims)))} ${Math.abs(trims) === 1 ? 'trim' : 'trims'}`] : []),
    ...(seconds !== 0 ? [signed(seconds, formatDuration(Math.abs(seconds)))] : []),
  ];
  return parts.length === 0 ? 'changes no count' : parts.join(' · ');
}
