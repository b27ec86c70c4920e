import { ofPair } from '@/core/geometry/known';
import type { StitchPlan } from '@/core/plan/plan';
import type { Finding } from '@/core/proof/finding';
import { eventOfFinding } from './halts';

/** A finding with the event at which it is sewn. */
interface FindingEvent {
  finding: Finding;
  event: number;
}

const eventOf = ofPair<StitchPlan, Finding, number | null>(eventOfFinding);

/** The first findings that nobody accepted and that have a place in the sewing, at most so many. */
export function findingEvents(plan: StitchPlan, findings: readonly Finding[], most = Infinity): readonly FindingEvent[] {
  const out: FindingEvent[] = [];
  for (const finding of findings) {
    if (out.length >= most) break;
    const event = finding.accepted === undefined ? eventOf(plan, finding) : null;
    if (event !== null) out.push({ finding, event });
  }
  return out;
}
