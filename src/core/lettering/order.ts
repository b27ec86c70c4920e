import type { Lettering } from '../document/types';
import type { PlacedGlyph } from './layout';

/**
 * Letters in sewing order. From the centre out, as on caps, the lowest line comes first, and of each line one half after the other,
 * both from the middle.
 */
export function sewingOrder<T extends Pick<PlacedGlyph, 'row' | 'aside'>>(letters: readonly T[], direction: Lettering['direction']): T[] {
  if (direction === 'right-to-left') return letters.slice().sort((a, b) => a.row - b.row || b.aside - a.aside);
  if (direction !== 'centre-out') return letters.slice();
  const half = (l: T): number => (l.aside < 0 ? 0 : 1);
  return letters.slice().sort((a, b) => b.row - a.row || half(a) - half(b) || Math.abs(a.aside) - Math.abs(b.aside));
}
