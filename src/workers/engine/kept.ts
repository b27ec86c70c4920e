import { Planner } from '@/core/plan/planner';
import type { Job } from '@/core/document/types';
import type { StitchPlan } from '@/core/plan/plan';
import { SheetMemory } from '@/core/forecast/sheetMemory';

/** What this worker's requests share: plans and forecasts go on from what the last came to. */
export const planner = new Planner();
export const memory = new SheetMemory();

/** Plans of designs that lie beside the open job; those that are the same objects as before are known. */
const beside = new Planner();
const plansBeside = new WeakMap<Job, StitchPlan>();

/** Plans the open job by its own planner, so that it goes on from its last plan, and all others by another. */
export function plansFor(job: Job, progress: (done: number) => void): (one: Job) => StitchPlan {
  return (one) => {
    if (one === job) return planner.plan(job, progress);
    const plan = plansBeside.get(one) ?? beside.plan(one, () => progress(1));
    plansBeside.set(one, plan);
    return plan;
  };
}
