import { recipeFor } from '../../cloth/house';
import type { Job } from '../../document/types';
import { unite } from '../../geometry/area';
import type { Area } from '../../geometry/point';
import type { LaidOn } from '../../stitches/weight';
import { laidOnLayers } from '../registry';
import type { Shaped } from './shaped';

/** Foam, sewn flat, is about as thick as one cover of thread for each millimetre; film as a quarter. Assumptions. */
const FOAM_LAYERS_PER_MM = 1;
const FILM_LAYERS = 0.25;

/** Foam, appliqué cloth and topping that lie under the work. One sheet of foam counts once, however many pieces are sewn over it. */
export function laidOn(job: Job, shaped: readonly Shaped[]): LaidOn[] {
  const out: LaidOn[] = [];
  const foam = new Map<number, Area[]>();
  for (const { piece, shape, settings } of shaped) {
    if (!shape) continue;
    const layers = laidOnLayers(piece);
    if (layers > 0) out.push({ area: shape.painted, layers });
    const thick = settings?.foam?.value ?? 0;
    if (thick > 0) foam.set(thick, [...(foam.get(thick) ?? []), shape.painted]);
  }
  for (const [thick, areas] of foam) out.push({ area: unite(...areas), layers: FOAM_LAYERS_PER_MM * thick });
  if (recipeFor(job.brief).topping.startsWith('film')) {
    const covers = shaped.flatMap(({ shape }) => (shape && shape.painted.length > 0 ? [shape.painted] : []));
    if (covers.length > 0) out.push({ area: unite(...covers), layers: FILM_LAYERS });
  }
  return out;
}
