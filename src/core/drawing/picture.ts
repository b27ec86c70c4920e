import type { Job } from '../document/types';
import { threadWidth } from '../pieces/resolve';
import { recipeOf } from '../cloth/recipes';
import { boundsOf, type Bounds } from '../geometry/point';
import type { StitchPlan } from '../plan/plan';
import { drawCloth } from './cloth';
import { hexToRgb, makeRaster, type Raster } from './raster';
import { drawThreads, type ThreadLook } from './thread';

/** How each of the job's threads looks. */
export const looksOf = (job: Job): ThreadLook[] => job.threads.map((t) => ({ rgb: hexToRgb(t.hex), widthMm: threadWidth(t.weight) }));

/** Colour of the job's cloth. */
export const clothColour = (job: Job): string => job.brief.clothHex ?? recipeOf(job.brief.cloth).hex;

/** Box around all penetrations of a plan, mm; a centred 10 mm box for an empty one. */
export function planBounds(plan: StitchPlan): Bounds {
  if (plan.x.length === 0) return { minX: -5, minY: -5, maxX: 5, maxY: 5 };
  return boundsOf([Array.from(plan.x, (x, i) => ({ x, y: plan.y[i]! }))]);
}

/** The sewn job on its cloth at `scale` pixels per mm, with a margin. */
export function drawSewn(job: Job, plan: StitchPlan, scale: number, marginMm = 4, box: Bounds = planBounds(plan)): Raster {
  const width = Math.max(1, Math.round((box.maxX - box.minX + 2 * marginMm) * scale));
  const height = Math.max(1, Math.round((box.maxY - box.minY + 2 * marginMm) * scale));
  const raster = makeRaster(width, height, scale, box.minX - marginMm, box.minY - marginMm);
  drawCloth(raster, clothColour(job));
  drawThreads(raster, plan, looksOf(job));
  return raster;
}
