import { motionCheck } from '@/core/formats/motionCheck';
import { laidOut } from '@/core/production/floor';
import { requireField } from '@/core/production/profile/field';
import { fitted } from '@/core/production/profile/fitted';
import type { Handler } from '../serve';
import { plansFor } from './kept';

/** What lies in the hoop in a machine's own words, in excerpts, and whether it reads back. */
export const motionWords: Handler<'motionWords'> = ({ job, machine }, { progress }) => {
  const { sheet } = laidOut(job, plansFor(job, progress));
  requireField(sheet.plan, machine);
  return { output: motionCheck(sheet.job, fitted(sheet.plan, machine).plan, machine.words) };
};
