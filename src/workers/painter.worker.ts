import { drawNeedle, drawPath, type Look } from '@/core/drawing/looks';
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
let drawnAs: Look = 'thread';

/** While sewing on, what is drawn stays and only the new stitches are added. */
function rasterFor(r: PictureRequest): Raster {
  const same =
    raster?.width === r.width && raster.height === r.height && raster.scale === r.scale && raster.left === r.left && raster.top === r.top;
  if (!raster || !same || r.until < drawnUntil || r.look !== drawnAs) {
    raster = makeRaster(r.width, r.height, r.scale, r.left, r.top);
    drawnUntil = 0;
    drawnAs = r.look;
  }
  return raster;
}

function draw(target: Raster, sewn: StitchPlan, to: number): void {
  const visible = (p: number): boolean => !hidden.has(p);
  if (drawnAs === 'thread') drawThreads(target, sewn, looks, drawnUntil, to, visible);
  else {
    const colours = looks.map((l) => l.rgb);
    if (drawnAs === 'needle') drawNeedle(target, sewn, colours, drawnUntil, to, visible);
    else drawPath(target, sewn, colours, drawnUntil, to, visible, drawnAs === 'path');
  }
}

serve({
  showPlan: (input) => {
    plan = input.plan;
    looks = input.looks;
    hidden = new Set(input.hidden);
    raster = null;
    return { output: null };
  },
  hide: (input) => {
    hidden = new Set(input.hidden);
    raster = null;
    return { output: null };
  },
  picture: (request) => {
    const target = rasterFor(request);
    if (plan) draw(target, plan, Math.min(request.until, plan.x.length));
    drawnUntil = request.until;
    const pixels = target.data.slice();
    return { output: { ...request, pixels }, transfer: [pixels.buffer] };
  },
});
