import type { Job } from '../document/types';
import { laidOn } from '../pieces/prepare/laidOn';
import { weigh, type Weight } from '../stitches/weight';
import type { StitchPlan } from './plan';
import type { Planner } from './planner';

/** The weight of a planned job: its thread and what is laid under it. The one ground of every figure of layers and holes. */
export const weighed = (job: Job, planner: Planner, plan: StitchPlan): Weight => weigh(plan, laidOn(job, planner.shape(job)));
