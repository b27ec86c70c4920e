import { drawInOf } from '../../cloth/drawIn';
import type { ClothRecipe } from '../../cloth/recipes';
import type { Resolved } from '../../document/resolved';
import type { JobSettings, PieceSettings } from '../../document/types';
import { LEAST_SEWN_MM } from '../../units/craft';
import type { ResolveContext, ShapeFacts } from '../resolve';
import { evenPull, pulledAt, pullThrough, RECIPE_ROW_MM, type PullLaw } from './pull';

/** Bars narrower than this sink into soft cloth, mm (craft §4). */
const THIN_BAR_MM = 2.5;
const THIN_BAR_COMP_MM = 0.5;
/** More width per mm of foam, so that the sides of the satin still reach the cloth, at each end of a row, mm. */
const PER_MM_OF_FOAM = 0.2;
/** A fill's ends are drawn in by so much of what its rows shorten: the cloth holds the rest. From the forecast of squares of 20 to 80 mm on every cloth. */
const SHARE_OF_SHORTENING = 0.28;

export interface Compensated {
  own: PieceSettings;
  /** Usual length of a row, mm. */
  widthMm: number;
  /** Length of the shortest and of the longest row, mm; asked for when somebody wants to see it. */
  rowsMm(): readonly [number, number];
  recipe: ClothRecipe;
  settings: JobSettings;
  /** Thin bars of this kind are widened more. */
  thinBars: boolean;
}

/** What is added at each end of a usual row, how it grows with the row, and what the shortest and the longest row get. */
export interface ResolvedPull extends Resolved<number> {
  law: PullLaw;
  least: number;
  most: number;
}

const round2 = (mm: number): number => Math.round(mm * 100) / 100;

/** What is added at each end of each row, mm (craft §4, Pull compensation). */
export function pullCompFor(given: Compensated): ResolvedPull {
  const { law, from, why } = lawFor(given);
  const at = (mm: number): number => round2(pulledAt(law, mm));
  const value = law.end === 0 && law.perMm === 0 ? law.constant : at(given.widthMm);
  let rows: readonly [number, number] | undefined;
  const rowsMm = (): readonly [number, number] => (rows ??= given.rowsMm());
  return {
    value,
    from,
    why,
    law,
    get least() {
      return at(rowsMm()[0]);
    },
    get most() {
      return at(rowsMm()[1]);
    },
  };
}

function lawFor({ own, widthMm, recipe, settings, thinBars }: Compensated): Omit<Resolved<number>, 'value'> & { law: PullLaw } {
  if (own.pullCompPercent !== undefined && own.pullComp === undefined) {
    const mm = Math.round(widthMm * (own.pullCompPercent / 100 - 1) * 500) / 1000;
    return { law: evenPull(mm), from: 'hand', why: `${own.pullCompPercent} % of a ${widthMm.toFixed(1)} mm column` };
  }
  if (own.pullComp !== undefined) return { law: evenPull(own.pullComp), from: 'hand', why: 'set by hand, the same at every row' };
  const perMm = SHARE_OF_SHORTENING * drawInOf(recipe, settings).shortening;
  const usual = pullThrough(recipe.pullComp, RECIPE_ROW_MM, perMm);
  const foam = own.foam ?? 0;
  if (foam > 0) {
    const law = { ...usual, constant: foam * PER_MM_OF_FOAM };
    return { law, from: 'rule', why: `${recipe.name}, and more over ${foam} mm of foam` };
  }
  if (thinBars && widthMm < THIN_BAR_MM && recipe.unstable && recipe.pullComp < THIN_BAR_COMP_MM) {
    const law = pullThrough(THIN_BAR_COMP_MM, Math.max(widthMm, 0.1), perMm);
    return { law, from: 'rule', why: `bars under ${THIN_BAR_MM} mm sink into ${recipe.name}` };
  }
  if (thinBars && widthMm + 2 * pulledAt(usual, widthMm) < LEAST_SEWN_MM) {
    const mm = Math.min(Math.max(recipe.pullComp, pulledAt(usual, widthMm)), (LEAST_SEWN_MM - widthMm) / 2);
    const law = pullThrough(mm, Math.max(widthMm, 0.1), perMm);
    return { law, from: 'rule', why: `satin is sewn ${LEAST_SEWN_MM.toFixed(1)} mm wide at least` };
  }
  return {
    law: usual,
    from: 'recipe',
    why: `${recipe.name}: ${recipe.pullComp.toFixed(2)} for rows of ${RECIPE_ROW_MM} mm, more for longer ones`,
  };
}

/** What the rule needs to know of a piece whose rows run in a direction. */
export const pulledRows = (
  own: PieceSettings,
  facts: ShapeFacts,
  angleDeg: number,
  { recipe, settings }: ResolveContext,
): Omit<Compensated, 'thinBars'> => ({
  own,
  widthMm: facts.widthMm,
  rowsMm: () => facts.rowsMm?.(angleDeg) ?? [facts.widthMm, facts.widthMm],
  recipe,
  settings,
});

/** Open ends are never shortened by more than this, mm. */
const MOST_PUSH_COMP_MM = 0.4;
/** Open ends grow by so many rows in the forecast, 0.15 mm at the usual spacing: half of the thread's width and what the cloth is pushed. */
const PUSHED_ROWS = 0.375;

/**
 * How much an open end of a column is shortened, because push and the thickness of its last thread lengthen it: what the forecast has
 * it grow by, a little under half a row (craft §4 says half a row to one). Bars of 6 to 25 mm then come out within 0.1 mm of their
 * drawn length on usual cloth, upright letters as high as drawn.
 */
export function pushCompFor(own: PieceSettings, spacingMm: number): Resolved<number> {
  if (own.pushComp !== undefined) return { value: own.pushComp, from: 'hand', why: 'set by hand' };
  const value = Math.min(MOST_PUSH_COMP_MM, Math.round(spacingMm * PUSHED_ROWS * 100) / 100);
  return { value, from: 'rule', why: 'push lengthens open ends by a little under half a row' };
}
