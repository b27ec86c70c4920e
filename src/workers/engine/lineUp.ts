import { dayQueue } from '@/core/production/day';
import { bestSchedule, naiveSchedule } from '@/core/production/schedule';
import type { Handler } from '../serve';

export const lineUp: Handler<'lineUp'> = ({ jobs, machines, habits }) => {
  const queue = dayQueue(jobs, machines, habits);
  return { output: { best: bestSchedule(queue), naive: naiveSchedule(queue) } };
};
