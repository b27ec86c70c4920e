import type { Job } from '../document/types';
import { WEIGHT_CELL_MM, type Weight } from '../stitches/weight';
import { drawCloth } from './cloth';
import { heatPixels, layersOf } from './heat';
import { clothColour } from './picture';
import { makeRaster, type Raster } from './raster';

/** The heat map on bare cloth, the size of a picture. */
export function heatOnCloth(job: Job, weight: Weight, like: Raster): Raster {
  const raster = makeRaster(like.width, like.height, like.scale, like.left, like.top);
  drawCloth(raster, clothColour(job));
  const heat = heatPixels(layersOf(weight));
  for (let y = 0; y < raster.height; y++) {
    const row = Math.floor((raster.top + (y + 0.5) / raster.scale - weight.top) / WEIGHT_CELL_MM);
    if (row < 0 || row >= weight.rows) continue;
    for (let x = 0; x < raster.width; x++) {
      const column = Math.floor((raster.left + (x + 0.5) / raster.scale - weight.left) / WEIGHT_CELL_MM);
      const from = 4 * (row * weight.columns + column);
      if (column < 0 || column >= weight.columns || heat[from + 3] === 0) continue;
      raster.data.set(heat.subarray(from, from + 3), 4 * (y * raster.width + x));
    }
  }
  return raster;
}
