import type { Job } from '@/core/document/types';
import { measurePlan } from '@/core/plan/measure';
import { PartSender, PlanSender } from '../planWire';
import type { Handler } from '../serve';
import { planner } from './kept';
import { outlineOf } from './outlines';

/** Outlines of a job's pieces; those that stood in the same place before are told by it. */
function outlinesOf(job: Job, before: readonly string[]): (string | number)[] {
  return job.pieces.map((p, i) => (outlineOf(p) === before[i] ? i : outlineOf(p)));
}

const plans = new PlanSender();
let outlinesSent: string[] = [];

/** A plan with what the Bench shows of it, as its difference from what the page holds. */
export const plan: Handler<'plan'> = ({ job, held }, { progress, part }) => {
  const began = performance.now();
  const version = plans.nextVersion();
  const parts = new PartSender(version, part);
  const made = planner.plan(job, progress, (so, all) => parts.grown(so, all));
  const milliseconds = performance.now() - began;
  const { wired, transfer } = plans.wire(made, held, version);
  const outlines = outlinesOf(job, wired.base === null ? [] : outlinesSent);
  outlinesSent = job.pieces.map(outlineOf);
  return { output: { plan: wired, figures: measurePlan(job, made), outlines, milliseconds }, transfer };
};
