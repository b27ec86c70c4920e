import { planBounds } from '../stitches/planBounds';
import type { PlanColumns } from '../stitches/buffer';
import type { Job } from '../document/types';
import { threadWidth } from '../cloth/threadWidth';
import { recipeOf } from '../cloth/recipes';
import type { Bounds } from '../geometry/point';
import { drawCloth } from './cloth';
import { hexToRgb, makeRaster, type Raster } from './raster';
import { drawThreads, type ThreadLook } from './thread';

/** How each of the job's threads looks. */
export const looksOf = (job: Job): ThreadLook[] => job.threads.map((t) => ({ rgb: hexToRgb(t.hex), widthMm: threadWidth(t.weight) }));

/** Colour of the job's cloth. */
export const clothColour = (job: Pick<Job, 'brief'>): string => job.brief.clothHex ?? recipeOf(job.brief.cloth).hex;

/** The sewn job on its cloth at `scale` pixels per mm, with a margin. */
export function drawSewn(job: Job, plan: PlanColumns, scale: number, marginMm = 4, box: Bounds = planBounds(plan)): Raster {
  const width = Math.max(1, Math.round((box.maxX - box.minX + 2 * marginMm) * scale));
  const height = Math.max(1, Math.round((box.maxY - box.minY + 2 * marginMm) * scale));
  const raster = makeRaster(width, height, scale, box.minX - marginMm, box.minY - marginMm);
  drawCloth(raster, clothColour(job));
  drawThreads(raster, plan, looksOf(job));
  return raster;
}

const THUMBNAIL_MARGIN_MM = 4;
const LEAST_THUMBNAIL_MM = 10;

/** A small square picture of the sewn job around the hoop's centre, so many pixels a side. */
export function drawThumbnail(job: Job, plan: PlanColumns, sidePx: number): Raster {
  const box = plan.x.length === 0 ? { minX: 0, minY: 0, maxX: 0, maxY: 0 } : planBounds(plan);
  const side = Math.max(box.maxX - box.minX, box.maxY - box.minY, LEAST_THUMBNAIL_MM);
  const half = side / 2;
  const scale = sidePx / (side + 2 * THUMBNAIL_MARGIN_MM);
  return drawSewn(job, plan, scale, THUMBNAIL_MARGIN_MM, { minX: -half, minY: -half, maxX: half, maxY: half });
}
