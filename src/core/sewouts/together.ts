import { recipeFor, stabilizerFor } from '../cloth/house';
import { recipeOf } from '../cloth/recipes';
import type { Sewout } from '../document/sewoutTypes';
import { jobAsSewn } from '../document/sewout';
import type { Job } from '../document/types';
import { isMeasured } from './measured';
import type { MeasuredSewout } from './learn/learn';
import { asSewn } from './setup';

/** What a test was held by: measurements of one cloth over one stabilizer are learned from together. */
export function heldBy(job: Job, setup: Sewout['setup']): string {
  const sewn = asSewn(job, setup);
  return `${recipeOf(job.brief.cloth).name} over ${stabilizerFor(recipeFor(sewn.brief), sewn.settings)}`;
}

/** Measured sew-outs of the jobs that were sewn on the same cloth over the same stabilizer as one, that one first. */
export function sewnLike(job: Job, one: Sewout, others: readonly Job[] = []): MeasuredSewout[] {
  const held = heldBy(jobAsSewn(job, one), one.setup);
  const all = [job, ...others.filter((o) => o.id !== job.id)].flatMap((of) => of.sewouts.map((sewout) => ({ of, sewout })));
  return [{ of: job, sewout: one }, ...all.filter(({ of, sewout }) => !(of.id === job.id && sewout.id === one.id))]
    .map(({ of, sewout }) => ({ job: jobAsSewn(of, sewout), setup: sewout.setup, marks: sewout.marks.filter(isMeasured) }))
    .filter(({ job: sewn, setup, marks }) => marks.length > 0 && heldBy(sewn, setup) === held);
}
