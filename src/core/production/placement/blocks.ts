import type { StitchPlan } from '../../plan/plan';
import { Command } from '../../stitches/roles';

/** A stretch of one copy in one thread: events of its plan, without the cut, stop or end that closes it. */
export interface CopyBlock {
  copy: number;
  from: number;
  to: number;
  /** Index into the threads of the whole sheet. */
  thread: number;
  /** The machine waits for a hand before it, though the thread stays. */
  waits: boolean;
}

/** The stretches of one plan between its stops. @param threads of the sheet, by the plan's own threads */
export function blocksOf(plan: StitchPlan, copy: number, threads: readonly number[]): CopyBlock[] {
  const out: CopyBlock[] = [];
  let from = 0;
  for (let i = 0; i <= plan.x.length; i++) {
    if (i < plan.x.length && plan.command[i] !== Command.stop) continue;
    const to = lastSewn(plan, from, i) + 1;
    if (to > from) {
      const thread = threads[plan.thread[to - 1]!]!;
      out.push({ copy, from, to, thread, waits: out.length > 0 && out[out.length - 1]!.thread === thread });
    }
    from = i + 1;
  }
  return out;
}

function lastSewn(plan: StitchPlan, from: number, to: number): number {
  for (let i = to - 1; i >= from; i--) if (plan.command[i] === Command.stitch) return i;
  return from - 1;
}
