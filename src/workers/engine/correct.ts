import { correct as corrected } from '@/core/forecast/correct';
import type { Handler } from '../serve';
import { planner } from './kept';

export const correct: Handler<'correct'> = ({ job, only }, { progress }) => ({
  output: corrected(job, { planner, progress, ...(only ? { only } : {}) }),
});
