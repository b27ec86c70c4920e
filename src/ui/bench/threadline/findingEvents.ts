import type { StitchPlan } from '@/core/plan/plan';
import type { Finding } from '@/core/proof/finding';
import { eventOfFinding } from './halts';

const known = new WeakMap<readonly Finding[], { plan: StitchPlan; events: { finding: Finding; event: number }[] }>();

/** Findings that nobody accepted, with the event at which each is sewn; worked out once for a plan. */
export function findingEvents(plan: StitchPlan, findings: readonly Finding[]): readonly { finding: Finding; event: number }[] {
  const found = known.get(findings);
  if (found?.plan === plan) return found.events;
  const events = findings.flatMap((finding) => {
    const event = finding.accepted === undefined ? eventOfFinding(plan, finding) : null;
    return event === null ? [] : [{ finding, event }];
  });
  known.set(findings, { plan, events });
  return events;
}
