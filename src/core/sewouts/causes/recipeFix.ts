import { recipeOf } from '../../cloth/recipes';
import type { RecipeChange } from '../../document/types';
import type { Remedy } from './cause';
import type { Scene } from './scene';

/** A change of the brief's recipe, so that worksheet and forecast know it. */
export function recipeFix({ context: { job, recipe } }: Scene, label: string, change: Partial<RecipeChange>): Remedy {
  const base = job.brief.recipe ?? { id: recipe.key, name: recipeOf(recipe.key).name };
  return { label, fix: { label, brief: { recipe: { ...base, ...change } } } };
}
