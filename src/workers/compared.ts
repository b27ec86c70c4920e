import { changesBetween } from '@/core/compare/changes';
import { COMPARE_ROWS, sideOf, type Side } from '@/core/compare/side';
import type { Job } from '@/core/document/types';
import { heatOnCloth } from '@/core/render/heatOnCloth';
import { drawSewn } from '@/core/render/picture';
import type { Raster } from '@/core/render/raster';
import { writePng } from '@/core/formats/png';
import type { Bounds } from '@/core/geometry/point';
import type { Planner } from '@/core/plan/planner';
import type { Compared, ComparedSide } from './protocol';
import { planBounds } from '@/core/stitches/planBounds';

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
    weight: png(heatOnCloth(side.job, side.weight, sewn)),
  };
}
