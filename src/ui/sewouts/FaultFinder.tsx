import { said } from '@/session/view/unitsStore';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import type { Sewout } from '@/core/document/sewoutTypes';
import { FAULT_PATHS, type FaultPath, type FaultStep } from '@/core/sewouts/faults/finder';
import { changeSewout } from '@/session/edit/sewoutCommands';
import { Button } from '../components/Button';
import { Sign } from '../components/Sign';
import { chooseByArrows, onTabWay } from '../components/arrowKeys';

/** From what is seen to a remedy, one question at a time, standing at the machine. @param sewout the test that outcomes are noted with */
export function FaultFinder({ sewout }: { sewout: Sewout | null }) {
  const [kind, setKind] = useState(FAULT_PATHS[0]!.kind);
  const path = FAULT_PATHS.find((p) => p.kind === kind)!;
  return (
    <section data-print-path className="h-full overflow-auto px-6 py-5 max-md:px-4" aria-labelledby="finder-title">
      <div className="mx-auto grid max-w-[760px] gap-4">
        <div className="flex items-start gap-3">
          <div className="flex-1">
            <h1 id="finder-title" className="text-xl font-semibold">
              <span className="print:hidden">What do you see?</span>
              <span className="hidden print:inline">{path.name}</span>
            </h1>
            <p className="hidden print:block">{path.sees}</p>
            <p className="text-quiet">For what lies in hooping, stabilizer, needle and thread. The machine’s manual comes first.</p>
          </div>
          <Button className="print:hidden" onClick={() => window.print()}>
            <Printer size={15} aria-hidden="true" /> Print this path
          </Button>
        </div>
        <div
          role="radiogroup"
          aria-label="What is seen"
          onKeyDown={chooseByArrows}
          className="grid grid-cols-4 gap-2 max-md:grid-cols-2 print:hidden"
        >
          {FAULT_PATHS.map((p) => (
            <button
              key={p.kind}
              type="button"
              role="radio"
              aria-checked={p.kind === kind}
              tabIndex={onTabWay(p.kind === kind)}
              onClick={() => setKind(p.kind)}
              className={`rounded-md border px-3 py-2 text-left ${p.kind === kind ? 'border-ink bg-tape' : 'border-edge bg-panel hover:bg-tape-soft'}`}
            >
              <span className="block font-semibold">{p.name}</span>
              <span className={`block text-xs ${p.kind === kind ? '' : 'text-quiet'}`}>{p.sees}</span>
            </button>
          ))}
        </div>
        <Path key={path.kind} path={path} sewout={sewout} />
      </div>
    </section>
  );
}

/** Steps that were answered with no are folded; the one that is asked is open; those after it wait. */
function Path({ path, sewout }: { path: FaultPath; sewout: Sewout | null }) {
  const [at, setAt] = useState(0);
  const [found, setFound] = useState<string | null>(null);
  const [noted, setNoted] = useState<string | null>(null);
  const log = (step: FaultStep, helped: boolean): void => {
    setNoted(helped ? 'It helped.' : 'It did not help.');
    if (sewout)
      changeSewout(sewout.id, 'Note what helped', (s) => {
        s.outcomes = [...(s.outcomes ?? []), { fault: path.kind, remedy: step.id, helped }];
      });
    if (!helped) {
      setFound(null);
      setAt((i) => i + 1);
    }
  };
  return (
    <>
      <ol className="grid gap-2" aria-label={`Path for ${path.name.toLowerCase()}`}>
        {path.steps.map((step, i) => {
          const open = i === at;
          return (
            <li
              key={step.id}
              data-step={step.id}
              className={`rounded-md border bg-panel p-3 ${open ? 'border-ink' : 'border-hairline print:border-ink'}`}
            >
              <p className={`${open ? 'text-lg font-semibold' : i < at ? 'text-quiet' : ''}`}>
                <span className="figures mr-2">{i + 1}</span>
                {step.ask}
                {i < at && ' No.'}
              </p>
              <div className={open ? '' : 'hidden print:block'}>
                <p className="mt-1 text-quiet">{said(step.why)}</p>
                {open && found === null && (
                  <div className="mt-3 flex gap-2 print:hidden">
                    <Button look="primary" className="max-md:h-11" onClick={() => setFound(step.id)}>
                      Yes
                    </Button>
                    <Button className="max-md:h-11" onClick={() => setAt(i + 1)}>
                      No
                    </Button>
                  </div>
                )}
                <div className={found === step.id ? 'mt-3' : 'hidden print:block'}>
                  <p className="font-semibold">{step.remedy}</p>
                  {step.caution && (
                    <p className="mt-1 text-warn">
                      <Sign of="warn" /> {step.caution}
                    </p>
                  )}
                  <div className="mt-3 flex gap-2 print:hidden">
                    <Button className="max-md:h-11" onClick={() => log(step, true)}>
                      It helped
                    </Button>
                    <Button className="max-md:h-11" onClick={() => log(step, false)}>
                      It did not: go on
                    </Button>
                  </div>
                </div>
              </div>
            </li>
          );
        })}
      </ol>
      <div className="flex items-center gap-3 print:hidden" role="status">
        {at >= path.steps.length && (
          <p>
            None of these. Change one thing at a time, sew a small sample of each, and look again; or mark it on the test for causes in the
            plan.
          </p>
        )}
        {noted && (
          <span className="text-quiet">
            {noted} {sewout ? `Noted with version ${sewout.version.number}.` : 'Log a sew-out to keep it.'}
          </span>
        )}
        {at > 0 && (
          <Button
            look="quiet"
            onClick={() => {
              setAt(0);
              setFound(null);
            }}
          >
            Begin anew
          </Button>
        )}
      </div>
    </>
  );
}
