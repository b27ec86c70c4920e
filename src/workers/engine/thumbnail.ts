import type { Job } from '@/core/document/types';
import { planDelta } from '@/core/plan/delta';
import { measurePlan } from '@/core/plan/measure';
import type { StitchPlan } from '@/core/plan/plan';
import { drawThumbnail } from '@/core/render/picture';
import type { SewnWhole } from '../protocol/engine';
import type { Handler } from '../serve';
import { planner } from './kept';
import { outlineOf } from './outlines';
import { pngOf } from './png';

const THUMBNAIL_PX = 300;

export const thumbnail: Handler<'thumbnail'> = ({ job }, { progress }) => {
  const plan = planner.plan(job, progress);
  const figures = measurePlan(job, plan);
  return { output: { png: pngOf(drawThumbnail(job, plan, THUMBNAIL_PX)), figures, sewn: wholeOf(job, plan) } };
};

/** Larger plans are not worth writing whenever the hands rest: needle events. */
const MOST_KEPT_EVENTS = 60_000;

function wholeOf(job: Job, plan: StitchPlan): SewnWhole | null {
  if (plan.x.length > MOST_KEPT_EVENTS) return null;
  const wired = { version: crypto.randomUUID(), base: null, delta: planDelta(null, plan) };
  return { plan: wired, outlines: job.pieces.map(outlineOf) };
}
