import { measurePlan } from '@/core/plan/measure';
import { Command } from '@/core/stitches/roles';
import type { Handler } from '../serve';
import { planner } from './kept';

export const preview: Handler<'preview'> = ({ job }, { progress }) => {
  const plan = planner.plan(job, progress);
  const moves: string[] = [];
  for (let i = 0; i < plan.x.length; i++) {
    if (plan.command[i]! > Command.jump) continue;
    moves.push(`${plan.command[i] === Command.jump ? 'M' : 'L'}${plan.x[i]!.toFixed(2)},${plan.y[i]!.toFixed(2)}`);
  }
  return { output: { path: moves.join(' '), stitches: measurePlan(job, plan).stitches } };
};
