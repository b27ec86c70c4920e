'use client';
import { stepsOfRuns } from '@/core/production/runs';
import { useJob } from '@/session/job/jobStore';
import { useLibrary } from '@/session/shop/libraryStore';
import type { FloorView } from '@/workers/protocol/engine';
import { hoursOf } from '../words';

/** Runs that are drawn; more of them look the same. */
const MOST_RUNS = 6;
const WORDS = { hoop: 'Hooping', sew: 'Sewing', finish: 'Finishing' } as const;
const LOOKS = { hoop: 'bg-[#c6d0cb]', sew: 'bg-tape', finish: 'bg-[#8fa39c]' } as const;

/** The first runs along the clock: what the hands do above, what the machine does below. */
export function DayBar({ view }: { view: FloorView }) {
  const job = useJob((s) => s.job)!;
  const work = useLibrary((s) => s.library.work);
  const all = stepsOfRuns({ quantity: job.brief.quantity, runSeconds: view.runs.runSeconds, perHoop: view.perHoop }, work);
  const steps = all.filter((s) => s.run < MOST_RUNS);
  const end = Math.max(1, ...steps.map((s) => s.to));
  const rows = [
    { name: 'Hands', steps: steps.filter((s) => s.what !== 'sew') },
    { name: 'Machine', steps: steps.filter((s) => s.what === 'sew') },
  ];
  return (
    <section aria-label="The first runs by the clock">
      <h2 className="mb-2 font-semibold">
        {view.runs.runs > MOST_RUNS ? `The first ${MOST_RUNS} of ${view.runs.runs} runs` : 'The runs'}, by the clock
      </h2>
      {rows.map((row) => (
        <div key={row.name} className="mb-1.5 flex items-center gap-2">
          <span className="w-16 shrink-0 text-quiet">{row.name}</span>
          <div className="relative h-7 flex-1 border border-hairline bg-white">
            {row.steps.map((s) => (
              <div
                key={`${s.what} ${s.run}`}
                title={`${WORDS[s.what]}, run ${s.run + 1}: ${hoursOf(s.to - s.from)}`}
                className={`absolute inset-y-0 overflow-hidden border-x border-white text-center text-xs leading-7 ${LOOKS[s.what]}`}
                style={{ left: `${(100 * s.from) / end}%`, width: `${(100 * (s.to - s.from)) / end}%` }}
              >
                {s.to - s.from > end / 30 ? s.run + 1 : ''}
              </div>
            ))}
          </div>
        </div>
      ))}
      <p className="flex gap-4 pl-[72px] text-xs text-quiet">
        {(['hoop', 'sew', 'finish'] as const).map((what) => (
          <span key={what} className="inline-flex items-center gap-1">
            <span className={`inline-block h-3 w-3 border border-edge ${LOOKS[what]}`} aria-hidden="true" /> {WORDS[what]}
          </span>
        ))}
        <span className="figures ml-auto">{hoursOf(end)}</span>
      </p>
    </section>
  );
}
