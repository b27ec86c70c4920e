'use client';
import { said } from '@/session/view/unitsStore';
import { useProof } from '@/session/derived/proofStore';
import type { StitchPlan } from '@/core/plan/plan';
import type { Severity } from '@/core/proof/finding';
import { findingEvents } from './findingEvents';
import { seek } from './player';
import type { Timeline, TimeWindow } from '@/core/plan/timeline';
import { Sign } from '../../components/Sign';

const LOOKS: Record<Severity, string> = { stop: 'text-danger', warn: 'text-warn', note: 'text-quiet' };
const MOST = 60;

/** Findings as flags along the strip, where they are sewn; a click takes the needle there and opens the proof. */
export function FindingFlags({ plan, timeline, view, width }: { plan: StitchPlan; timeline: Timeline; view: TimeWindow; width: number }) {
  const findings = useProof((s) => s.findings);
  return findingEvents(plan, findings, MOST).map(({ finding, event }, i) => {
    const x = ((timeline.at[event]! - view.from) / (view.to - view.from)) * width;
    if (x < 0 || x > width) return null;
    return (
      <button
        key={`${finding.rule} ${i}`}
        type="button"
        tabIndex={-1}
        title={said(finding.message)}
        aria-label={`Finding where it is sewn: ${said(finding.message)}`}
        data-flag={finding.rule}
        onClick={() => {
          seek(event + 1);
          useProof.setState({ open: true });
        }}
        className={`absolute bottom-0 z-10 h-4 w-4 -translate-x-1/2 text-xs leading-none ${LOOKS[finding.severity]}`}
        style={{ left: x }}
      >
        <Sign of={finding.severity} />
      </button>
    );
  });
}
