import { measurePlan } from '@/core/plan/measure';
import { drawThumbnail } from '@/core/render/picture';
import type { Handler } from '../serve';
import { planner } from './kept';
import { pngOf } from './png';

const THUMBNAIL_PX = 300;

export const thumbnail: Handler<'thumbnail'> = ({ job }, { progress }) => {
  const plan = planner.plan(job, progress);
  return { output: { png: pngOf(drawThumbnail(job, plan, THUMBNAIL_PX)), figures: measurePlan(job, plan) } };
};
