import type { Job } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../stitches/roles';
import { DEFAULT_PROFILE, type MachineWords } from '../document/shop/profile';
import { motionComment } from './escape';

export const DEFAULT_WORDS: MachineWords = DEFAULT_PROFILE.words;

/** Stitches as ISO 6983 words: absolute mm, y up as the standard has it; one block per needle event. */
export function writeGcode(job: Job, plan: StitchPlan, words: MachineWords = DEFAULT_WORDS): string {
  const out = [motionComment(job.name), 'G21', 'G90'];
  let thread = -1;
  for (let i = 0; i < plan.x.length; i++) {
    if (plan.thread[i] !== thread) {
      thread = plan.thread[i]!;
      const t = job.threads[thread];
      out.push(motionComment(`thread ${t?.id ?? thread + 1}: ${t?.code ?? ''} ${t?.name ?? ''}`), `T${thread + 1}`);
    }
    const at = `X${plan.x[i]!.toFixed(3)} Y${(-plan.y[i]!).toFixed(3)}`;
    const command = plan.command[i];
    if (command === Command.stitch) out.push(`G1 ${at}`, words.needle);
    else if (command === Command.jump) out.push(`G0 ${at}`);
    else if (command === Command.trim) out.push(words.trim);
    else if (command === Command.stop) out.push(words.stop);
    else out.push('M2');
  }
  return out.join('\n') + '\n';
}
