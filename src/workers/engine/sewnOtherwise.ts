import { sewnChanges } from '@/core/compare/sewn';
import type { StitchPlan } from '@/core/plan/plan';
import type { Handler } from '../serve';
import { planner } from './kept';

const stitchesOf = (plan: StitchPlan): number => plan.pieces.reduce((sum, p) => sum + p.stitches, 0);

/** What a job sews otherwise than before a change, piece by piece. */
export const sewnOtherwise: Handler<'sewnOtherwise'> = ({ before, after }, { progress }) => {
  const old = planner.plan(before, (done) => progress(done / 2));
  const was = { pieces: old.pieces.map(({ id, settings }) => ({ id, settings })), stitches: stitchesOf(old) };
  const now = planner.plan(after, (done) => progress(0.5 + done / 2));
  return { output: { stitches: [was.stitches, stitchesOf(now)], changes: sewnChanges(was.pieces, now.pieces) } };
};
