import { EXPORTS } from '@/core/formats/registry';
import type { Job } from '@/core/document/types';
import type { StitchPlan } from '@/core/plan/plan';
import { laidOut } from '@/core/production/floor';
import { fitted } from '@/core/production/profile/fitted';
import { requireField } from '@/core/production/profile/field';
import type { MachineProfile } from '@/core/document/shop/profile';
import type { Handler } from '../serve';
import { planner, plansFor } from './kept';

export const takeAway: Handler<'export'> = async (
  { job, artwork, photos, extension, findings, sheet, machine, shop, paper },
  { progress },
) => {
  const format = EXPORTS.find((f) => f.extension === extension)!;
  const made = sheet ? laidOut(job, plansFor(job, progress)).sheet : { job, plan: planner.plan(job, progress) };
  const sewn = machine ? forMachine(made, machine) : made;
  const told = {
    ...(findings ? { findings } : {}),
    ...(machine ? { machine } : {}),
    ...(shop ? { shop } : {}),
    ...(paper ? { paper } : {}),
    ...(sheet ? { of: job } : {}),
    ...(photos ? { photos } : {}),
  };
  const content = await format.write({ ...sewn, artwork, ...told });
  return { output: { data: new Blob([content], { type: format.mime }) } };
};

function forMachine({ job, plan }: { job: Job; plan: StitchPlan }, machine: MachineProfile): { job: Job; plan: StitchPlan } {
  requireField(plan, machine);
  return { job, plan: fitted(plan, machine).plan };
}
