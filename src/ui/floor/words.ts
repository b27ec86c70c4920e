import type { Brief } from '@/core/document/types';
import { counted } from '@/core/units/count';

/** Working time as people say it: minutes under an hour, else hours and minutes. */
export function hoursOf(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return `${minutes} min`;
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

/** What is counted: patches, or garments. */
export const madeWords = (count: number, { place }: Pick<Brief, 'place'>): string =>
  place === 'patch' ? counted(count, 'patch', 'patches') : counted(count, 'garment');
