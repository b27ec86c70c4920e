import { recipeFor } from '../cloth/house';
import type { SewoutSetup } from '../document/sewoutTypes';
import type { Job, RecipeChange } from '../document/types';
import { without } from '../document/without';

const KIND_WORDS: Record<NonNullable<SewoutSetup['stabilizer']>, string> = {
  cutaway: 'cutaway',
  'soft-cutaway': 'soft cutaway',
  'tear-away': 'tear-away',
  'cap-tear-away': 'cap tear-away',
  soluble: 'soluble',
  none: 'none',
};
const HEAVY_GSM = 90;
const LIGHT_GSM = 50;
/** Tension of the stitches as a share of the usual. */
export const TENSION_OF = { loose: 0.8, usual: 1, tight: 1.25 } as const;

/** The stabilizer of a test as recipes write it; null where nobody noted it. */
export function stabilizerWords({ stabilizer, layers, backingGsm }: SewoutSetup): string | null {
  if (stabilizer === undefined) return null;
  if (stabilizer === 'none' || layers === 0) return 'none';
  const weight = backingGsm === undefined ? '' : backingGsm >= HEAVY_GSM ? 'heavy' : backingGsm <= LIGHT_GSM ? 'light' : 'medium';
  return `${KIND_WORDS[stabilizer]}, ${layers ?? 1}${weight ? ` ${weight}` : ''}`;
}

/** A job as a test was sewn: stabilizer, tension and speed as noted, the cloth as its starting values have it. */
export function asSewn(job: Job, setup: SewoutSetup): Job {
  const { brief } = job;
  const words = stabilizerWords(setup);
  const kept = brief.recipe ? without(brief.recipe, 'learned') : { id: brief.cloth, name: recipeFor(brief).name };
  const tension = setup.tension === undefined ? 1 : TENSION_OF[setup.tension];
  const recipe: RecipeChange = {
    ...kept,
    ...(words === null ? {} : { stabilizer: words }),
    ...(setup.speed === undefined ? {} : { speed: setup.speed }),
    ...(tension === 1 ? {} : { tension: tension * recipeFor(brief).tension }),
  };
  // What was noted outranks the shop's habit.
  const settings = words === null ? job.settings : without(job.settings, 'stabilizer');
  return { ...job, brief: { ...brief, recipe }, settings };
}
