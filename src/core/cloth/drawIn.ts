import type { ClothFactors, ClothKey, JobSettings } from '../document/types';
import { stabilizerFor } from './house';
import { recipeOf, type ClothRecipe } from './recipes';

/**
 * Cloth by itself: stiffness (N/mm), by what share long rows shorten when sewn at the usual tension over the recipe's own
 * stabilizer, and the bite of a row's end (mm). Chosen so that the magnitudes that people report come out (craft §4, §7:
 * some 2 mm at each end of 80 mm rows on a knit, 0.3 to 0.9 on canvas, 0.1 to 0.25 on rows of 2 to 3 mm).
 */
const CLOTH: Record<ClothKey, readonly [stiffness: number, shortening: number, bite: number]> = {
  twill: [7, 0.023, 0.1],
  pique: [3, 0.045, 0.17],
  jersey: [2, 0.104, 0.21],
  fleece: [3, 0.06, 0.2],
  cap: [9, 0.035, 0.16],
  'soft-cap': [5, 0.05, 0.2],
  terry: [3, 0.06, 0.22],
  felt: [6, 0.025, 0.1],
  patch: [7, 0.02, 0.09],
  leather: [12, 0.012, 0.06],
  sheer: [2, 0.035, 0.12],
  'soluble-film': [1, 0.03, 0.05],
};
/** Faster sewing pulls the thread tighter: share of tension per share of speed. */
const TIGHTER = 0.2;

/** Stiffness of a stabilizer by its name as recipes write it, N/mm. */
export function stabilizerStiffness(words: string): number {
  const layers = Math.max(
    1,
    ...[...words.matchAll(/\b([2-4])\b|\b(two|three)\b/g)].map((m) => (m[1] ? Number(m[1]) : m[2] === 'two' ? 2 : 3)),
  );
  const each = /soluble|film/.test(words) ? 1 : /heavy/.test(words) ? 4.5 : /soft|light/.test(words) ? 2 : 3;
  return words === 'none' || words === '' ? 0 : each * Math.min(3, layers);
}

/** Alternatives after 'or' in a recipe's words are not counted. */
const firstOf = (words: string): string => words.split(', or ')[0]!;

/** How a cloth over its stabilizer gives way to thread. */
export interface DrawIn {
  stiffnessNPerMm: number;
  /** Share by which long rows shorten. */
  shortening: number;
  /** How far the end of a long row is drawn in right at its hole, beyond what the cloth as a whole does, mm. */
  biteMm: number;
  /** How far cloth is pushed apart across rows, against the usual share of what they shorten. */
  pushes: number;
}

const USUAL: ClothFactors = { shortening: 1, push: 1, bite: 1, stiffness: 1 };

/** By the recipe of a brief and the shop's habits. */
export function drawInOf(recipe: ClothRecipe, settings: JobSettings): DrawIn {
  const base = recipeOf(recipe.key);
  const [cloth, shortening, bite] = CLOTH[recipe.key];
  const usual = cloth + stabilizerStiffness(firstOf(base.stabilizer));
  const stiffnessNPerMm = cloth + stabilizerStiffness(firstOf(stabilizerFor(recipe, settings)));
  const tension = recipe.tension * (1 + TIGHTER * (recipe.speed / base.speed - 1));
  // Thread draws cloth together until cloth holds against it: half as much where it is four times as stiff.
  const gives = tension * Math.sqrt(usual / stiffnessNPerMm);
  const { shortening: s, push, bite: b, stiffness } = recipe.learned ?? USUAL;
  return {
    stiffnessNPerMm: stiffnessNPerMm * stiffness,
    shortening: shortening * gives * s,
    biteMm: bite * gives * b,
    pushes: push / s,
  };
}
