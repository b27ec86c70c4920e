import type { ClothKey } from '../document/types';

/** Usual thickness of cloths, mm: made for drawing to scale and for thread use, not for judging cloth by. */
const CLOTH_MM: Record<ClothKey, number> = {
  twill: 0.5,
  pique: 0.8,
  jersey: 0.6,
  fleece: 1.6,
  cap: 1.2,
  'soft-cap': 0.7,
  terry: 2.2,
  felt: 1.2,
  patch: 1,
  leather: 1.1,
  sheer: 0.2,
  'soluble-film': 0.1,
};

export const clothThickness = (cloth: ClothKey): number => CLOTH_MM[cloth];

/** Layers that the recipe's words tell: "2 medium tear-away", "two light tear-aways". */
export const stabilizerLayers = (words: string): number => (/(^|\D)2(\D|$)|two/.test(words) ? 2 : 1);

/** All its layers, mm. */
export function stabilizerThickness(words: string): number {
  const each = /film|soluble/.test(words) ? 0.08 : /heavy/.test(words) ? 0.45 : /light|soft/.test(words) ? 0.25 : 0.35;
  return stabilizerLayers(words) * each;
}
