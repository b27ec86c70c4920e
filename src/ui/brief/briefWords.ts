import type { Place } from '@/core/document/types';

/** Where on the garment, in words. */
export const PLACE_NAMES: Record<Place, string> = {
  'left-chest': 'Left chest',
  'right-chest': 'Right chest',
  sleeve: 'Sleeve',
  'cap-front': 'Cap front',
  'full-front': 'Full front',
  'jacket-back': 'Jacket back',
  apron: 'Apron',
  patch: 'Patch',
  edging: 'Edging',
  other: 'Elsewhere',
};
