import { measurePlan } from '@/core/plan/measure';
import type { Handler } from '../serve';
import { planner } from './kept';

export const effect: Handler<'effect'> = ({ job }, { progress }) => ({ output: measurePlan(job, planner.plan(job, progress)) });
