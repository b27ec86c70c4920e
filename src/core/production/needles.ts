import { recipeFor } from '../cloth/house';
import type { Job } from '../document/types';

/** When needles are changed, and why. */
export interface NeedleChange {
  /** Id of the job before which they are changed; null for those of a week that is over. */
  job: string | null;
  needle: string;
  count: number;
  why: string;
}

export interface NeedleWork {
  job: Job;
  /** Machine time of the whole quantity. */
  machineHours: number;
  heads: number;
}

/** What a needle must suit: a change of any of these wants another one (craft §10). */
const suits = (job: Job): Record<string, string> => ({
  cloth: job.brief.recipe?.id ?? job.brief.cloth,
  needle: recipeFor(job.brief).needle,
  'thread weight': [...new Set(job.threads.filter((t) => job.pieces.some((p) => p.thread === t.id)).map((t) => t.weight))]
    .sort()
    .join(', '),
  technique: job.pieces.some((p) => (p.settings.foam ?? 0) > 0) ? 'foam' : 'flat',
});

/**
 * Needles for jobs sewn one after another on one machine: one for each head and thread at the first job, at each new cloth, thread
 * weight or technique, and after each week of work.
 * @param weekHours hours that the machine sews in a week
 */
export function needleChanges(work: readonly NeedleWork[], weekHours: number): NeedleChange[] {
  const out: NeedleChange[] = [];
  let before: Record<string, string> | null = null;
  let since = 0;
  for (const { job, machineHours, heads } of work) {
    const now = suits(job);
    const count = heads * Math.max(1, new Set(job.pieces.map((p) => p.thread)).size);
    const new_ = before ? Object.keys(now).filter((k) => now[k] !== before![k]) : ['first job'];
    if (new_.length > 0) {
      out.push({ job: job.id, needle: now['needle']!, count, why: before ? `new ${new_.join(', ')}` : 'fresh at the start' });
      since = 0;
    }
    since += machineHours;
    for (; since > weekHours; since -= weekHours) out.push({ job: null, needle: now['needle']!, count, why: 'a week’s work is done' });
    before = now;
  }
  return out;
}
