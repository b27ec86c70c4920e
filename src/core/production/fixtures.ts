import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import type { Job, Piece } from '../document/types';
import type { StitchPlan } from '../plan/plan';

/** A made-up patch: a ground, two leaves in another thread, a rim in the first thread again. */
export function patch(radius = 15): { job: Job; plan: StitchPlan } {
  const r = radius;
  const ring = `M${r},0 A${r},${r} 0 1 1 ${-r},0 A${r},${r} 0 1 1 ${r},0 Z`;
  const leaf = (x: number): Partial<Piece> => ({ area: `M${x},-3 h5 v5 h-5 Z`, thread: 't2' });
  return planned(
    jobOf(
      [piece('fill', { area: ring }), piece('fill', leaf(-8)), piece('fill', leaf(3)), piece('satin', { line: ring, width: 2 })],
      'patch',
    ),
  );
}

export const planned = (job: Job): { job: Job; plan: StitchPlan } => ({ job, plan: new Planner().plan(job) });
