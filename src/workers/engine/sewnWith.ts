import { threadWidth } from '@/core/cloth/threadWidth';
import { strokesOf } from '@/core/render/strokes';
import type { Handler } from '../serve';
import { planner } from './kept';

/** Some pieces of a job as they would be sewn, as strokes of thread. */
export const sewnWith: Handler<'sewnWith'> = ({ job, ids }, { progress }) => {
  const plan = planner.plan(job, progress);
  const looks = job.threads.map((t) => ({ hex: t.hex, widthMm: threadWidth(t.weight) }));
  return { output: { strokes: strokesOf(plan, ids, looks) } };
};
