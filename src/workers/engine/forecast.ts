import { forecast as foreseen } from '@/core/forecast/forecast';
import { letterHeightsOf } from '@/core/proof/letterForecast';
import type { Handler } from '../serve';
import { memory, planner } from './kept';

export const forecast: Handler<'forecast'> = ({ job }, { progress }) => {
  const seen = foreseen(job, { planner, progress, memory });
  return { output: { ...seen, letters: letterHeightsOf(job, planner.shape(job), seen) } };
};
