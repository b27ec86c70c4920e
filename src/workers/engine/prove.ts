import { forecast } from '@/core/forecast/forecast';
import { prove as proved } from '@/core/proof/prove';
import type { Handler } from '../serve';
import { memory, planner } from './kept';

/** Plan and forecast take about so much of the time of a proof. */
const PLAN_SHARE = 0.1;
const FORECAST_SHARE = 0.7;

export const prove: Handler<'prove'> = ({ job }, { progress }) => {
  const plan = planner.plan(job, (done) => progress(PLAN_SHARE * done));
  const seen = forecast(job, { planner, plan, memory, progress: (done) => progress(PLAN_SHARE + (FORECAST_SHARE - PLAN_SHARE) * done) });
  return { output: proved(job, planner, plan, seen, (done) => progress(FORECAST_SHARE + (1 - FORECAST_SHARE) * done)) };
};
