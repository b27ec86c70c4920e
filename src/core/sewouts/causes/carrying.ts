import { stabilizerFor } from '../../cloth/house';
import { RECIPES } from '../../cloth/recipes';
import { layersCarried } from '../../proof/checks/tooHeavy';
import type { Remedy } from './cause';
import { recipeFix } from './recipeFix';
import { foundHere, type Scene } from './scene';

/** Kinds of cloth that one garment may be made of instead of another; caps, patches and films are things of their own. */
const SWAPS = ['sheer', 'jersey', 'pique', 'fleece', 'terry', 'twill', 'felt'] as const;

/** One more layer of a stabilizer, as recipes write it; more than three are never hooped. */
export function oneLayerMore(words: string): string | null {
  if (words === 'none' || words === '') return 'tear-away, 1 medium';
  const layers = Number(/\b([1-3])\b/.exec(words)?.[1] ?? (/\bthree\b/.test(words) ? 3 : /\btwo\b/.test(words) ? 2 : 1));
  if (layers >= 3) return null;
  if (/\b[1-3]\b/.test(words)) return words.replace(/\b[1-3]\b/, String(layers + 1));
  return /\btwo\b/.test(words) ? words.replace('two', 'three') : `${words}, ${layers + 1}`;
}

/** Where the work is too heavy: the fewest layers of stabilizer that carry it, and the lightest other cloth that does. */
export function whatCarries(scene: Scene): Remedy[] {
  const [heavy] = foundHere(scene, 'too-heavy');
  if (!heavy) return [];
  return [...firmer(scene, heavy.measured), ...otherCloth(scene, heavy.measured)];
}

function firmer(scene: Scene, layers: number): Remedy[] {
  const { recipe, job } = scene.context;
  for (let words = oneLayerMore(stabilizerFor(recipe, job.settings).split(', or ')[0]!); words !== null; words = oneLayerMore(words)) {
    const carries = layersCarried({ ...recipe, stabilizer: words }, job.settings);
    if (carries >= layers)
      return [recipeFix(scene, `Hold it with ‘${words}’: it carries ${carries.toFixed(1)} layers`, { stabilizer: words })];
  }
  return [];
}

function otherCloth({ context: { recipe, job } }: Scene, layers: number): Remedy[] {
  if (!(SWAPS as readonly string[]).includes(recipe.key)) return [];
  const cloths = RECIPES.filter((r) => r.key !== recipe.key && (SWAPS as readonly string[]).includes(r.key))
    .map((r) => ({ r, carries: layersCarried(r, job.settings) }))
    .filter(({ carries }) => carries >= layers)
    .sort((a, b) => a.carries - b.carries);
  const best = cloths[0];
  if (!best) return [];
  const label = `Sew it on ${best.r.name.toLowerCase()} instead: it carries ${best.carries.toFixed(1)} layers, this work has ${layers.toFixed(1)}`;
  return [{ label, fix: { label, brief: { cloth: best.r.key, recipe: undefined } } }];
}
