import { drawInOf } from '../../cloth/drawIn';
import { recipeFor, type HouseRecipe } from '../../cloth/house';
import type { Brief, Job } from '../../document/types';
import { without } from '../../document/without';
import { RECIPE_ROW_MM } from '../../pieces/rules/pull';
import type { Learned } from './learn';

/** Share of a long row's shortening that shows at each end, as compensation counts it, and rows that feel half of the bite, mm. */
const SHARE = 0.28;
const HALF_BITE_MM = 0.6;

/** What a row that recipes speak of is drawn in by at each end, mm. */
function drawnIn(brief: Pick<Brief, 'cloth' | 'recipe'>): number {
  const { shortening, biteMm } = drawInOf(recipeFor(brief), {});
  return (biteMm * RECIPE_ROW_MM) / (RECIPE_ROW_MM + HALF_BITE_MM) + SHARE * shortening * RECIPE_ROW_MM;
}

/** The recipe of a brief's cloth with what was learned in it, as the shop's own. Its compensation changes as the cloth's draw-in did. */
export function adoptedRecipe({ brief }: Pick<Job, 'brief'>, { factors, used, sewouts }: Learned): HouseRecipe {
  const recipe = recipeFor(brief);
  const kept = brief.recipe ?? { id: brief.cloth, name: recipe.name };
  const learned = { ...rounded(factors), measured: used, sewouts };
  const before = { cloth: brief.cloth, recipe: without(kept, 'learned') };
  const after = { cloth: brief.cloth, recipe: { ...kept, learned } };
  // What was learned before is in the recipe's compensation already.
  const now = { cloth: brief.cloth, recipe: kept };
  const base = recipe.pullComp * (drawnIn(before) / drawnIn(now));
  const pullComp = Math.round(100 * base * (drawnIn(after) / drawnIn(before))) / 100;
  return { ...kept, cloth: brief.cloth, learned, pullComp: Math.min(2.5, pullComp) };
}

const rounded = (factors: Learned['factors']): Learned['factors'] =>
  Object.fromEntries(
    (Object.entries(factors) as [string, number][]).map(([k, v]) => [k, Math.round(1000 * Math.min(10, Math.max(0.1, v))) / 1000]),
  ) as unknown as Learned['factors'];
