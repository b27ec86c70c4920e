import type { Job } from '../document/types';
import type { Forecast } from '../forecast/forecast';
import type { Planner } from '../plan/planner';
import type { StitchPlan } from '../plan/plan';
import { proofContext } from './context';
import type { Finding } from './finding';
import { gathered, type FoundAt } from './gather';
import { CHECKS } from './registry';

/**
 * All findings of a job, what has one cause as one, the gravest first; those that a person accepted keep the reason.
 * What was accepted without naming pieces is accepted wherever it is found.
 * @param forecast of the same job, when it is known already
 * @param progress called with the share of rules looked at, 0 to 1; may throw to give up
 */
export function prove(
  job: Job,
  planner?: Planner,
  plan?: StitchPlan,
  forecast?: Forecast,
  progress: (done: number) => void = () => undefined,
): Finding[] {
  const context = proofContext(job, planner, plan, forecast);
  const found = CHECKS.flatMap((check, i) => {
    const own = check.find(context).map((f): FoundAt => ({ severity: check.severity, ...f, rule: check.rule }));
    progress((i + 1) / CHECKS.length);
    return own;
  });
  const names = new Map(job.pieces.map((p) => [p.id, p.name]));
  const judged = found.map((f) => {
    const accepted = (job.accepted ?? []).find((a) => a.rule === f.rule && (a.pieces.length === 0 || samePieces(a.pieces, f.pieces)));
    return accepted ? { ...f, accepted: accepted.reason } : f;
  });
  return gathered(judged, (id) => names.get(id) ?? id);
}

/** Whether two findings concern the same pieces. */
export const samePieces = (a: readonly string[], b: readonly string[]): boolean => a.length === b.length && a.every((id) => b.includes(id));
