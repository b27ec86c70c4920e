import { makeRaster, type Raster } from '@/core/drawing/raster';
import { drawThreads, type ThreadLook } from '@/core/drawing/thread';
import type { StitchPlan } from '@/core/plan/plan';
import type { PictureRequest } from './protocol';
import { serve } from './serve';

let plan: StitchPlan | null = null;
let looks: readonly ThreadLook[] = [];
let hidden = new Set<number>();
let raster: Raster | null = null;
let drawnUntil = 0;

/** While sewing on, what is drawn stays and only the new stitches are added. */
function rasterFor(r: PictureRequest): Raster {
  const same =
    raster?.width === r.width && raster.height === r.height && raster.scale === r.scale && raster.left === r.left && raster.top === r.top;
  if (!raster || !same || r.until < drawnUntil) {
    raster = makeRaster(r.width, r.height, r.scale, r.left, r.top);
    drawnUntil = 0;
  }
  return raster;
}

serve({
  showPlan: (input) => {
    plan = input.plan;
    looks = input.looks;
    hidden = new Set(input.hidden);
    raster = null;
    return { output: null };
  },
  picture: (request) => {
    const target = rasterFor(request);
    if (plan) drawThreads(target, plan, looks, drawnUntil, Math.min(request.until, plan.x.length), (p) => !hidden.has(p));
    drawnUntil = request.until;
    const pixels = target.data.slice();
    return { output: { ...request, pixels }, transfer: [pixels.buffer] };
  },
});
