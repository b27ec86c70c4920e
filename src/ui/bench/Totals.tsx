'use client';
import { said } from '@/session/view/unitsStore';
import { formatDuration, formatLength, type LengthUnit } from '@/core/units/length';
import { useCamera } from '@/session/view/cameraStore';
import { useJob } from '@/session/job/jobStore';
import { useProof } from '@/session/derived/proofStore';
import { usePlan } from '@/session/derived/planStore';
import { Sign } from '../components/Sign';

/** How much the proof found; opens and closes it. */
function Findings() {
  const findings = useProof((s) => s.findings);
  const open = useProof((s) => s.open);
  const own = useProof((s) => s.of?.id) === useJob((s) => s.job?.id);
  const fresh = useProof((s) => s.of) === useJob((s) => s.job);
  const left = own ? findings.filter((f) => f.accepted === undefined) : [];
  const worst = (['stop', 'warn', 'note'] as const).find((s) => left.some((f) => f.severity === s));
  return (
    <button
      type="button"
      aria-pressed={open}
      data-testid="findings"
      data-count={left.length}
      data-fresh={fresh}
      title={fresh ? 'What will go wrong, and what would mend it' : 'Looking again at what was changed'}
      onClick={() => useProof.setState({ open: !open })}
      className={`flex h-6 items-center gap-1.5 rounded-md border px-2 ${open ? 'border-ink bg-tape' : 'border-edge bg-panel hover:bg-tape-soft'} ${worst === 'stop' ? 'text-danger' : ''}`}
    >
      <Sign of={!fresh ? 'busy' : (worst ?? 'good')} />
      {!fresh && left.length === 0 ? (
        <span className="text-quiet">checking …</span>
      ) : (
        <span className={fresh ? '' : 'text-quiet'}>
          <span className="figures font-semibold">{left.length}</span> {left.length === 1 ? 'finding' : 'findings'}
          {fresh ? '' : ', checking …'}
        </span>
      )}
    </button>
  );
}

/** The line of totals: what the machine will do. */
export function Totals({ units, hint }: { units: LengthUnit; hint: string }) {
  const figures = usePlan((s) => s.planned?.figures);
  const busy = usePlan((s) => s.busy);
  const progress = usePlan((s) => s.progress);
  const problem = usePlan((s) => s.problem);
  const scale = useCamera((s) => s.camera.scale);
  const shown: [key: string, value: string, name?: string][] = figures
    ? [
        ['stitches', figures.stitches.toLocaleString('en')],
        ['trims', String(figures.trims), figures.trims === 1 ? 'trim' : 'trims'],
        ['threads', String(figures.threads), figures.threads === 1 ? 'thread' : 'threads'],
        ['longest', formatLength(figures.longestStitchMm, units)],
        ['size', `${formatLength(figures.widthMm, units)} × ${formatLength(figures.heightMm, units)}`],
        ['time', formatDuration(figures.runSeconds)],
      ]
    : [];
  return (
    <footer className="flex h-7 shrink-0 items-center gap-5 border-t border-hairline bg-paper px-3 whitespace-nowrap" aria-label="Totals">
      <dl className="flex gap-5" data-testid="totals">
        {shown.map(([key, value, name = key]) => (
          <div key={key} className="flex items-baseline gap-1.5">
            <dd className="figures font-semibold" data-total={key}>
              {value}
            </dd>
            <dt className="text-quiet">{name}</dt>
          </div>
        ))}
      </dl>
      <Findings />
      <p className={`ml-auto min-w-0 truncate text-xs text-quiet ${(problem ?? busy) ? '' : 'max-xl:hidden'}`} role="status">
        {problem ?? (busy && progress > 0 ? `Laying the stitches: ${Math.round(progress * 100)} %` : hint)}
      </p>
      <p className="figures text-xs">{said(`${scale.toFixed(1)} px/mm`)}</p>
    </footer>
  );
}
