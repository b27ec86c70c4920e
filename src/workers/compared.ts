import { changesBetween } from '@/core/compare/changes';
import { COMPARE_ROWS, sideOf, type Side } from '@/core/compare/side';
import type { Job } from '@/core/document/types';
import { drawCloth } from '@/core/drawing/cloth';
import { heatPixels, layersOf } from '@/core/drawing/heat';
import { clothColour, drawSewn, planBounds } from '@/core/drawing/picture';
import { makeRaster, type Raster } from '@/core/drawing/raster';
import { writePng } from '@/core/formats/png';
import type { Bounds } from '@/core/geometry/point';
import type { Planner } from '@/core/plan/build';
import { WEIGHT_CELL_MM } from '@/core/proof/weight';
import type { Compared, ComparedSide } from './protocol';

const MARGIN_MM = 4;

/** Two jobs as figures and as pictures of one box, so that they can be laid over each other. */
export function compared(a: Job, b: Job, sidePx: number, planner: Planner, progress: (done: number) => void): Compared {
  const one = sideOf(a, planner, (done) => progress(0.45 * done));
  const other = sideOf(b, planner, (done) => progress(0.45 + 0.45 * done));
  const [p, q] = [planBounds(one.plan), planBounds(other.plan)];
  const box = {
    minX: Math.min(p.minX, q.minX),
    minY: Math.min(p.minY, q.minY),
    maxX: Math.max(p.maxX, q.maxX),
    maxY: Math.max(p.maxY, q.maxY),
  };
  const scale = sidePx / (Math.max(box.maxX - box.minX, box.maxY - box.minY) + 2 * MARGIN_MM);
  return { a: viewOf(one, box, scale), b: viewOf(other, box, scale), changes: changesBetween(a, b) };
}

const png = (raster: Raster): Blob => new Blob([writePng(raster) as Uint8Array<ArrayBuffer>], { type: 'image/png' });

function viewOf(side: Side, box: Bounds, scale: number): ComparedSide {
  const sewn = drawSewn(side.job, side.plan, scale, MARGIN_MM, box);
  return {
    figures: Object.fromEntries(COMPARE_ROWS.map((row) => [row.key, row.of(side)])),
    sewn: png(sewn),
    weight: png(heatOver(side, sewn)),
  };
}

/** The heat map on bare cloth, the size of a picture. */
function heatOver({ job, weight }: Side, like: Raster): Raster {
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
