'use client';
import { X } from 'lucide-react';
import { useEffect } from 'react';
import { said } from '@/session/view/unitsStore';
import { usePlan } from '@/session/derived/planStore';
import { useProof } from '@/session/derived/proofStore';
import { useJob } from '@/session/job/jobStore';
import { Button, SignButton } from '../components/Button';
import { QuietLink } from '../components/QuietLink';
import { takeAwayBoth } from '../components/takeAwayFile';
import { PLACES, placeHref, type PlaceKey } from '../places';
import { openGuide, showGuide, useGuide } from './guideStore';
import { nextPlace, stepAt, WAY, type Known } from './steps';

function useKnown(): Known | null {
  const job = useJob((s) => s.job);
  const planned = usePlan((s) => s.planned);
  const { findings, of } = useProof();
  if (!job) return null;
  const left = findings.filter((f) => f.accepted === undefined);
  const stops = left.filter((f) => f.severity === 'stop').length;
  return {
    job,
    figures: usePlan.getState().of?.id === job.id ? (planned?.figures ?? null) : null,
    findings: of === job ? { stops, others: left.length - stops } : null,
  };
}

/** What is next in a job, why, and what has been decided meanwhile; beside the work, and put away with one click. */
export function Guide({ place }: { place: PlaceKey }) {
  const shown = useGuide((s) => s.shown);
  useEffect(() => void openGuide(), []);
  const known = useKnown();
  const step = known && stepAt(place, known);
  if (!shown || !step) return null;
  return (
    <section
      aria-label="Guide"
      data-testid="guide"
      className="flex shrink-0 items-center gap-4 border-b border-hairline bg-tape-soft px-4 py-1.5 max-sm:flex-wrap max-sm:gap-2"
    >
      <ol className="flex shrink-0 items-center gap-1" aria-label="Steps of a job">
        {WAY.map((p, i) => (
          <li
            key={p}
            aria-current={p === place ? 'step' : undefined}
            title={PLACES.find((at) => at.key === p)!.name}
            className={`figures grid h-6 w-6 place-items-center rounded-full border text-xs ${p === place ? 'border-ink bg-tape font-semibold' : 'border-edge bg-panel text-quiet'}`}
          >
            {i + 1}
          </li>
        ))}
      </ol>
      <div className="min-w-0 flex-1 leading-tight">
        <p className="truncate">
          <b>{step.title}.</b> <span className="max-lg:hidden">{step.why}</span>
        </p>
        <p className="truncate text-xs text-quiet" data-testid="guide-decided" title={said(step.decided)}>
          {said(step.decided)}
        </p>
      </div>
      <Onward id={known.job.id} place={place} />
      <SignButton name="Put the guide away" onClick={() => showGuide(false)}>
        <X size={16} />
      </SignButton>
    </section>
  );
}

function Onward({ id, place }: { id: string; place: PlaceKey }) {
  const next = nextPlace(place);
  if (next === null) return <Take />;
  return (
    <QuietLink
      href={placeHref(id, next)}
      className="shrink-0 rounded-md border border-ink bg-tape px-3 py-1 font-semibold whitespace-nowrap"
    >
      Next: {PLACES.find((p) => p.key === next)!.name}
    </QuietLink>
  );
}

const Take = () => (
  <Button look="primary" onClick={() => void takeAwayBoth()}>
    Save worksheet and stitches
  </Button>
);
