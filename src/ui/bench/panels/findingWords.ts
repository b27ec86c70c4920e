import type { Finding } from '@/core/proof/finding';
import { said } from '@/session/view/unitsStore';

/** A finding's figure with its unit, as the person reads lengths. */
export const findingFigure = (v: number, unit: Finding['unit']): string =>
  said(
    `${v.toFixed(unit === 'mm' || unit === 'layers' ? 2 : 0).replace(/\.?0+$/, '')}${unit === '' ? '' : unit === '°' ? '°' : ` ${unit}`}`,
  );

/** What a finding costs in a few words: its figure against the limit, and the cloth that it spoils. */
export function costWords({ measured, limit, unit, spoilsMm2 }: Finding): string {
  const spoils = spoilsMm2 >= 1 ? `, ${said(`${spoilsMm2.toFixed(0)} mm²`)} spoiled` : '';
  return `${findingFigure(measured, unit)}, limit ${findingFigure(limit, unit)}${spoils}`;
}
