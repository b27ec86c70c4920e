import type { Handler } from '../serve';
import { canvas, plans } from './kept';

export const showPlan: Handler<'showPlan'> = ({ plan: wired, looks, hidden }) => {
  const plan = plans.take(wired);
  if (plan) canvas.show(plan, looks, hidden, wired.base === null ? null : wired.delta, wired.version);
  return { output: { taken: plan !== null } };
};
