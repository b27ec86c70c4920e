'use client';
import { said } from '@/session/view/unitsStore';
import { ChevronLeft, ChevronRight, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Finding, Fix, Severity } from '@/core/proof/finding';
import { useJob } from '@/session/job/jobStore';
import { acceptFinding, applyFix, cancelProof, useProof } from '@/session/derived/proofStore';
import { hideFix, showFix, useFixPreview } from '@/session/derived/fixPreviewStore';
import { showPlace } from './findingSteps';
import { costWords } from './findingWords';
import { Button, SignButton } from '../../components/Button';
import { FixEffect } from './FixEffect';
import { Sign } from '../../components/Sign';
import { WhatIsThis } from '../../words/WhatIsThis';
import { termOfRule } from './findingTerms';

const WORDS: Record<Severity, { name: string; look: string }> = {
  stop: { name: 'Severe', look: 'text-danger' },
  warn: { name: 'Warnings', look: 'text-warn' },
  note: { name: 'Notes', look: 'text-quiet' },
};

/** What will go wrong, each finding with its figure, its limit, and what would mend it. */
export function ProofPanel() {
  const { findings, problem, progress } = useProof();
  const fresh = useProof((s) => s.of) === useJob((s) => s.job);
  const open = findings.filter((f) => f.accepted === undefined);
  const accepted = findings.filter((f) => f.accepted !== undefined);
  return (
    <section aria-label="Proof" className="p-4" data-testid="proof-panel">
      <div className="flex items-center">
        <h2 className="flex-1 text-lg font-semibold">Proof</h2>
        <SignButton name="Close" onClick={() => useProof.setState({ open: false, marked: null })}>
          <X size={16} />
        </SignButton>
      </div>
      {problem && (
        <p role="alert" className="text-danger">
          {problem}
        </p>
      )}
      {progress !== null && (
        <p className="mt-1 flex items-center gap-2 text-xs" role="status">
          Looking again <progress className="min-w-0 flex-1" value={progress} aria-label="Proof" />
          <span className="figures">{Math.round(100 * progress)} %</span>
          <Button dense onClick={cancelProof}>
            Stop
          </Button>
        </p>
      )}
      {open.length === 0 && fresh && (
        <p className="mt-1 text-quiet">Nothing was found in stitches, layers, order and ties, nor in how the cloth will move.</p>
      )}
      {(['stop', 'warn', 'note'] as const).map((severity) => {
        const own = open.filter((f) => f.severity === severity);
        return own.length === 0 ? null : (
          <div key={severity} className="mt-2">
            <h3 className={`font-semibold ${WORDS[severity].look}`}>
              <Sign of={severity} /> {WORDS[severity].name} <span className="figures">{own.length}</span>
            </h3>
            <ul>
              {own.map((f, i) => (
                <One key={`${f.rule} ${i}`} finding={f} />
              ))}
            </ul>
          </div>
        );
      })}
      {accepted.length > 0 && (
        <details className="mt-3 border-t border-hairline pt-2">
          <summary className="cursor-pointer text-quiet">{accepted.length} accepted</summary>
          <ul>
            {accepted.map((f, i) => (
              <li key={`${f.rule} ${i}`} className="py-1 text-xs">
                {said(f.message)} <span className="text-quiet">Because: {f.accepted}.</span>{' '}
                <button type="button" className="underline decoration-dotted" onClick={() => acceptFinding(f, null)}>
                  Take back
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** Where it is: which pieces, and one place after the other. */
function Places({ finding: f }: { finding: Finding }) {
  const place = useProof((s) => (s.marked === f ? s.markedPlace : 0));
  const names = useJob((s) => s.job?.pieces);
  const own = (f.places[place]?.pieces ?? []).map((id) => names?.find((p) => p.id === id)?.name ?? id);
  const step = (by: number): void => showPlace(f, (place + by + f.places.length) % f.places.length);
  if (own.length === 0 && f.places.length < 2) return null;
  return (
    <div className="mt-0.5 text-xs" data-testid="finding-places">
      {f.places.length > 1 && (
        <p className="flex items-center gap-1">
          <SignButton name="The place before" onClick={() => step(-1)}>
            <ChevronLeft size={14} />
          </SignButton>
          <span className="figures whitespace-nowrap">
            {place + 1} of {f.places.length}
          </span>
          <SignButton name="The next place" onClick={() => step(1)}>
            <ChevronRight size={14} />
          </SignButton>
        </p>
      )}
      <p className="line-clamp-2 text-quiet" title={own.join(', ')}>
        {own.join(', ')}
      </p>
    </div>
  );
}

function One({ finding: f }: { finding: Finding }) {
  const [asking, setAsking] = useState(false);
  const marked = useProof((s) => s.marked === f);
  const term = termOfRule(f.rule);
  return (
    <li className={`border-t border-hairline py-1.5 ${marked ? 'bg-tape-soft' : ''}`} data-finding={f.rule}>
      <button type="button" className="text-left leading-tight hover:underline" onClick={() => showPlace(f, 0)}>
        {said(f.message)}
      </button>
      <p className="flex items-start gap-1.5 text-xs text-quiet" title={f.limitFrom}>
        <span className="figures">{costWords(f)}</span>
        {term && <WhatIsThis term={term} />}
      </p>
      <Places finding={f} />
      {f.fix && <FixEffect fix={f.fix} />}
      {asking ? (
        <form
          className="mt-1 flex gap-1"
          onSubmit={(e) => {
            e.preventDefault();
            const reason = new FormData(e.currentTarget).get('reason');
            if (typeof reason === 'string' && reason.trim() !== '') acceptFinding(f, reason.trim());
          }}
        >
          <input
            name="reason"
            autoFocus
            aria-label="Why it is accepted"
            placeholder="Why?"
            maxLength={300}
            className="h-6 min-w-0 flex-1 rounded-md border border-edge bg-white px-2"
          />
          <Button dense type="submit">
            Accept
          </Button>
        </form>
      ) : (
        <p className="mt-1 flex flex-wrap gap-1">
          {f.fix && <FixButton finding={f} fix={f.fix} />}
          {(f.others ?? []).map((other) => (
            <FixButton key={other.label} quiet finding={f} fix={other} />
          ))}
          <Button dense look="quiet" onClick={() => setAsking(true)}>
            Accept …
          </Button>
        </p>
      )}
    </li>
  );
}

/** Makes a fix; while the pointer or the focus is on it, the cloth shows what it would sew. */
function FixButton({ finding, fix, quiet = false }: { finding: Finding; fix: Fix; quiet?: boolean }) {
  const working = useFixPreview((s) => s.fix === fix && s.progress !== null);
  const show = (): void => showFix(fix, finding);
  useEffect(() => () => void (useFixPreview.getState().fix === fix && hideFix()), [fix]);
  return (
    <Button
      dense
      look={quiet ? 'quiet' : 'plain'}
      title="The cloth shows what it would sew"
      aria-busy={working}
      onPointerEnter={show}
      onPointerLeave={hideFix}
      onFocus={show}
      onBlur={hideFix}
      onClick={() => {
        hideFix();
        applyFix(fix);
      }}
    >
      {fix.label}
    </Button>
  );
}
