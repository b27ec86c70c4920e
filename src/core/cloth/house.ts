import type { Brief, ClothKey, Job, JobSettings, RecipeChange } from '../document/types';
import { recipeOf, type ClothRecipe } from './recipes';

/** The recipe that a brief is sewn by: the cloth's starting values with what the shop changed in them. */
export function recipeFor(brief: Pick<Brief, 'cloth' | 'recipe'>): ClothRecipe {
  const base = recipeOf(brief.cloth);
  return brief.recipe ? { ...base, ...brief.recipe } : base;
}

/** The stabilizer a job is to be hooped with: the recipe's, or two tear-aways where the shop prefers them to a cutaway. */
export function stabilizerFor(recipe: Pick<ClothRecipe, 'stabilizer'>, settings: JobSettings): string {
  return settings.stabilizer === 'tear-away' && recipe.stabilizer.includes('cutaway') ? 'two light tear-aways' : recipe.stabilizer;
}

/** A cloth of the shop's own: a known cloth with changes. One whose id is the cloth's key stands in for that cloth. */
export interface HouseRecipe extends RecipeChange {
  cloth: ClothKey;
}

/** What a brief keeps of a house recipe; nothing when it changes nothing but stands in for its cloth. */
export function briefRecipe({ cloth, ...change }: HouseRecipe): Pick<Brief, 'cloth' | 'recipe'> {
  return { cloth, recipe: change };
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Jobs sewn by a house recipe (or by the cloth it stands in for) whose numbers differ from it: those that it would alter. */
export function jobsAltered(recipe: HouseRecipe, jobs: readonly Job[]): Job[] {
  const next = recipeFor(briefRecipe(recipe));
  return jobs.filter(({ brief }) => {
    const uses = brief.recipe ? brief.recipe.id === recipe.id : brief.cloth === recipe.cloth && recipe.id === recipe.cloth;
    if (!uses) return false;
    const now = recipeFor(brief);
    return FIGURES.some((key) => !same(now[key], next[key]));
  });
}

const FIGURES = [
  'pullComp',
  'fillSpacing',
  'satinSpacing',
  'fillLength',
  'satinFoundation',
  'fillFoundation',
  'speed',
  'tension',
  'learned',
  'stabilizer',
  'topping',
  'needle',
] as const satisfies readonly (keyof RecipeChange)[];
