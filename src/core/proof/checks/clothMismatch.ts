import { stabilizerFor } from '../../cloth/house';
import { recipeOf } from '../../cloth/recipes';
import type { RecipeChange } from '../../document/types';
import { stabilizerStiffness } from '../../cloth/drawIn';
import type { Check } from '../check';

/** Sewing faster than the cloth's recipe by more than this share pulls and heats the thread. */
const FASTER = 1.2;
/** Stabilizer with less than this share of the recipe's own stiffness does not carry the work. */
const LIGHTER = 0.7;

const POINTS = ['sharp', 'ballpoint', 'wedge'] as const;
const pointOf = (needle: string): (typeof POINTS)[number] | undefined => POINTS.find((p) => needle.includes(p));

export const clothMismatch: Check = {
  rule: 'cloth-mismatch',
  severity: 'warn',
  title: 'Stabilizer, needle, topping or speed that do not suit the cloth',
  find({ job, recipe }) {
    const base = recipeOf(job.brief.cloth);
    const wrong: { what: string; key: keyof RecipeChange; measured: number; limit: number }[] = [];
    const held = stabilizerStiffness(stabilizerFor(recipe, job.settings).split(', or ')[0]!);
    const usual = stabilizerStiffness(base.stabilizer.split(', or ')[0]!);
    if (held < LIGHTER * usual) {
      wrong.push({
        what: `‘${recipe.stabilizer}’ is too light for ${base.name.toLowerCase()}`,
        key: 'stabilizer',
        measured: held,
        limit: usual,
      });
    }
    const [point, wanted] = [pointOf(recipe.needle), pointOf(base.needle)];
    if (point && wanted && point !== wanted) {
      wrong.push({ what: `a ${point} needle where this cloth wants a ${wanted} one`, key: 'needle', measured: 0, limit: 0 });
    }
    if (base.topping === 'film' && (recipe.topping === 'none' || recipe.topping === '')) {
      wrong.push({ what: 'no topping: stitches sink into the pile', key: 'topping', measured: 0, limit: 1 });
    }
    if (recipe.speed > FASTER * base.speed) {
      wrong.push({
        what: `${recipe.speed} stitches a minute, usual is ${base.speed}`,
        key: 'speed',
        measured: recipe.speed,
        limit: base.speed,
      });
    }
    if (wrong.length === 0) return [];
    const kept = { ...job.brief.recipe! };
    for (const { key } of wrong) delete kept[key];
    return [
      {
        pieces: [],
        at: { x: 0, y: 0 },
        measured: wrong[0]!.measured,
        limit: wrong[0]!.limit,
        unit: '',
        limitFrom: `the recipe of ${base.name.toLowerCase()}`,
        message: `${wrong.map((w) => w.what).join('; ')}.`.replace(/^./, (c) => c.toUpperCase()),
        ...(job.brief.recipe ? { fix: { label: 'As the cloth’s recipe', brief: { recipe: kept } } } : {}),
      },
    ];
  },
};
