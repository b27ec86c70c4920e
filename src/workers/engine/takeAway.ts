import { EXPORTS } from '@/core/formats/registry';
import type { Handler } from '../serve';
import { planner } from './kept';

export const takeAway: Handler<'export'> = async ({ job, artwork, extension, findings }, { progress }) => {
  const format = EXPORTS.find((f) => f.extension === extension)!;
  const content = await format.write({ job, plan: planner.plan(job, progress), artwork, ...(findings ? { findings } : {}) });
  return { output: { data: new Blob([content], { type: format.mime }) } };
};
