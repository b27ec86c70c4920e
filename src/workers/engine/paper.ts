import type { Handler } from '../serve';
import { planner } from './kept';

/** Papers for the customer. What sets them is loaded when one is asked for. */
export const paper: Handler<'paper'> = async ({ job, quoted, card, ...told }, { progress }) => {
  const plan = planner.plan(job, progress);
  const { writeApproval, writeCard, writeQuotation } = await import('@/core/formats/pdf');
  const content = card
    ? await writeCard(job, plan, told)
    : quoted
      ? await writeQuotation({ job, ...quoted }, plan, told)
      : await writeApproval(job, plan, told);
  return { output: { data: new Blob([content], { type: 'application/pdf' }) } };
};
