import { drawInOf } from '../../cloth/drawIn';
import { stabilizerFor } from '../../cloth/house';
import { layersIn } from '../../stitches/weight';
import type { ClothRecipe } from '../../cloth/recipes';
import type { JobSettings } from '../../document/types';
import type { Check } from '../check';

/** Layers of thread on average over the work that a cloth with its stabilizer bears per square root of stiffness (N/mm). */
const LAYERS_PER = 1.75;
/** Only so much work weighs on a garment, mm². */
const LEAST_MM2 = 1500;

/** Layers of thread on average that a cloth with its stabilizer carries without puckering. */
export const layersCarried = (recipe: ClothRecipe, settings: JobSettings): number =>
  LAYERS_PER * Math.sqrt(drawInOf(recipe, settings).stiffnessNPerMm);

/** Light cloth on light stabilizer puckers under what canvas carries: the limit grows with the square root of what holds. */
export const tooHeavy: Check = {
  rule: 'too-heavy',
  severity: 'warn',
  title: 'More thread than this cloth carries',
  find({ job, recipe, weight, figures }) {
    const { meanLayers, areaMm2, at } = layersIn(weight());
    const limit = layersCarried(recipe, job.settings);
    if (areaMm2 < LEAST_MM2 || meanLayers <= limit) return [];
    return [
      {
        pieces: [],
        at,
        measured: meanLayers,
        spoilsMm2: areaMm2,
        limit,
        unit: 'layers',
        limitFrom: `what ${recipe.name.toLowerCase()} over ‘${stabilizerFor(recipe, job.settings)}’ carries`,
        message: `${meanLayers.toFixed(1)} layers of thread on average over ${(areaMm2 / 100).toFixed(0)} cm², ${figures.stitches.toLocaleString('en')} stitches: more than this cloth carries without puckering. Open the lower covers, or hold it firmer.`,
      },
    ];
  },
};
