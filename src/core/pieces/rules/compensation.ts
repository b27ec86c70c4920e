import type { ClothRecipe } from '../../cloth/recipes';
import type { Resolved } from '../../document/resolved';
import type { PieceSettings } from '../../document/types';

/** Bars narrower than this sink into soft cloth, mm (craft §4). */
const THIN_BAR_MM = 2.5;
const THIN_BAR_COMP_MM = 0.5;
/** More width per mm of foam, so that the sides of the satin still reach the cloth, at each end of a row, mm. */
const PER_MM_OF_FOAM = 0.2;

export interface Compensated {
  own: PieceSettings;
  widthMm: number;
  recipe: ClothRecipe;
  /** Thin bars of this kind are widened more. */
  thinBars: boolean;
}

/** What is added at each end of each row, mm (craft §4, Pull compensation). */
export function pullCompFor({ own, widthMm, recipe, thinBars }: Compensated): Resolved<number> {
  if (own.pullCompPercent !== undefined && own.pullComp === undefined) {
    const value = Math.round(widthMm * (own.pullCompPercent / 100 - 1) * 500) / 1000;
    return { value, from: 'hand', why: `${own.pullCompPercent} % of a ${widthMm.toFixed(1)} mm column` };
  }
  if (own.pullComp !== undefined) return { value: own.pullComp, from: 'hand', why: 'set by hand' };
  const foam = own.foam ?? 0;
  if (foam > 0) {
    const value = Math.round((recipe.pullComp + foam * PER_MM_OF_FOAM) * 100) / 100;
    return { value, from: 'rule', why: `${recipe.name}, and more over ${foam} mm of foam` };
  }
  if (thinBars && widthMm < THIN_BAR_MM && recipe.unstable && recipe.pullComp < THIN_BAR_COMP_MM) {
    return { value: THIN_BAR_COMP_MM, from: 'rule', why: `bars under ${THIN_BAR_MM} mm sink into ${recipe.name}` };
  }
  return { value: recipe.pullComp, from: 'recipe', why: recipe.name };
}

/** How much an open end of a column is shortened, because push lengthens it: half a row to one row (craft §4), mm. */
export function pushCompFor(own: PieceSettings, spacingMm: number, recipe: ClothRecipe): Resolved<number> {
  if (own.pushComp !== undefined) return { value: own.pushComp, from: 'hand', why: 'set by hand' };
  const rows = recipe.unstable ? 0.6 : 0.5;
  const value = Math.min(0.4, Math.max(0, Math.round(spacingMm * rows * 100) / 100));
  return {
    value,
    from: 'rule',
    why: `push lengthens open ends: about ${rows === 0.5 ? 'half a row' : 'half a row and more on soft cloth'}`,
  };
}
