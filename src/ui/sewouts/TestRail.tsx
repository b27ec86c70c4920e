import { Plus, Stethoscope, SquareSplitHorizontal } from 'lucide-react';
import { measuredGaps, signedOff, versionNumber } from '@/core/document/sewout';
import type { Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { counted } from '@/core/units/count';
import { formatLength } from '@/core/units/length';
import { Button } from '../components/Button';
import { Sign } from '../components/Sign';

/** What of the place is looked at. */
export type Looking = { at: 'test'; id: string } | { at: 'finder' } | { at: 'compare' } | { at: 'none' };

interface Props {
  job: Job;
  looking: Looking;
  onLook(looking: Looking): void;
  onLog(): void;
}

/** All tests, the latest first, each with the one figure that matters: its widest gap. */
export function TestRail({ job, looking, onLook, onLog }: Props) {
  const tests = job.sewouts.slice().reverse();
  const here = (at: Looking['at']): 'true' | undefined => (looking.at === at ? 'true' : undefined);
  const signed = signedOff(job);
  return (
    <nav
      aria-label="Sew-outs"
      className="flex w-[204px] shrink-0 flex-col border-r border-hairline bg-panel max-lg:w-[168px] max-md:w-full max-md:border-r-0 max-md:border-b"
    >
      <div className="border-b border-hairline p-3">
        <Button look="primary" className="w-full max-md:h-11" onClick={onLog} disabled={job.pieces.length === 0}>
          <Plus size={15} aria-hidden="true" /> Log a sew-out
        </Button>
        <p className="mt-2 text-xs text-quiet">
          On the bench: version <span className="figures">{versionNumber(job)}</span>
          {signed ? ', approved for production' : ''}
        </p>
      </div>
      <ul className="flex flex-col max-md:flex-row max-md:overflow-x-auto" aria-label="Tests">
        {tests.map((s) => (
          <li key={s.id} className="border-b border-hairline max-md:min-w-[150px] max-md:border-r">
            <button
              type="button"
              data-test-of={s.version.number}
              aria-current={looking.at === 'test' && looking.id === s.id ? 'true' : undefined}
              onClick={() => onLook({ at: 'test', id: s.id })}
              className={`w-full px-4 py-2.5 text-left ${looking.at === 'test' && looking.id === s.id ? 'bg-tape' : 'hover:bg-tape-soft'}`}
            >
              <span className="flex items-center gap-1.5 font-semibold">
                Version <span className="figures">{s.version.number}</span>
                {s.signed && <Sign of="good" size={12} />}
              </span>
              <span className="figures block text-xl leading-7">{figureOf(s, job)}</span>
              <span className="block truncate text-xs">
                {figureWords(s)} · {s.on}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <div className="mt-auto flex flex-col gap-1 p-3 max-md:flex-row">
        <Rest name="Compare tests" current={here('compare')} disabled={job.sewouts.length < 2} onClick={() => onLook({ at: 'compare' })}>
          <SquareSplitHorizontal size={15} aria-hidden="true" />
        </Rest>
        <Rest name="Find a fault" current={here('finder')} onClick={() => onLook({ at: 'finder' })}>
          <Stethoscope size={15} aria-hidden="true" />
        </Rest>
      </div>
    </nav>
  );
}

function Rest(props: { name: string; current: 'true' | undefined; disabled?: boolean; onClick(): void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-current={props.current}
      disabled={props.disabled}
      onClick={props.onClick}
      className={`flex h-8 items-center gap-2 rounded-md px-2 text-left disabled:opacity-45 ${props.current ? 'bg-tape font-semibold' : 'hover:bg-tape-soft'}`}
    >
      {props.children}
      {props.name}
    </button>
  );
}

const worst = (s: Sewout): number | null => measuredGaps(s)[0]?.mm ?? null;
const figureOf = (s: Sewout, { brief }: Job): string => {
  const gap = worst(s);
  return gap === null ? `${s.marks.length}` : formatLength(gap, brief.units ?? 'mm', 2);
};
const figureWords = (s: Sewout): string =>
  worst(s) === null ? (s.marks.length === 1 ? 'mark' : 'marks') : `widest of ${counted(measuredGaps(s).length, 'gap')}`;
