'use client';
import { counted } from '@/core/units/count';
import { useFloor } from '@/session/derived/floorStore';
import { useJob } from '@/session/job/jobStore';
import { changeLibrary, useLibrary } from '@/session/shop/libraryStore';
import type { Brief } from '@/core/document/types';
import type { WorkHabits } from '@/core/document/shop/work';
import type { FloorView } from '@/workers/protocol/engine';
import { NumberField } from '../../components/NumberField';
import { Tick } from '../../components/Tick';
import { changeBrief } from '@/session/edit/commands';
import { Figure, PartPage } from '../PartPage';
import { hoursOf, madeWords } from '../words';
import { DayBar } from './DayBar';
import { PickTable } from './PickTable';

/** How long the quantity takes, who waits for whom, and what is taken from the shelves for it. */
export function RunPart() {
  const view = useFloor((s) => s.view);
  const brief = useJob((s) => s.job!.brief);
  return (
    <PartPage
      title="Time and thread"
      says="Stitches at the speed that the cloth allows, seven seconds a trim, ten a stop; then hands and heads."
    >
      <div className="grid items-start gap-6 xl:grid-cols-[1fr_320px]">
        <div className="grid gap-6">
          {view ? (
            <>
              <Figures view={view} brief={brief} />
              <DayBar view={view} />
              <PickTable view={view} />
            </>
          ) : (
            <p role="status" className="text-quiet">
              Sewing it in thought …
            </p>
          )}
        </div>
        <Habits />
      </div>
    </PartPage>
  );
}

function Figures({ view, brief }: { view: FloorView; brief: Brief }) {
  const { runs, figures } = view;
  return (
    <dl className="grid grid-cols-2 gap-4 sm:grid-cols-4">
      <Figure name="In all" figure={hoursOf(runs.totalSeconds)} says={`${madeWords(brief.quantity, brief)}, hands and machine`} />
      <Figure
        name="One run"
        figure={hoursOf(runs.runSeconds)}
        says={`${figures.stitches.toLocaleString('en')} stitches, ${counted(figures.trims, 'trim')}`}
      />
      <Figure name="Runs" figure={String(runs.runs)} says={idleWords(view, brief)} />
      <Figure
        name="Machine waits"
        figure={hoursOf(runs.machineIdleSeconds)}
        says={runs.machineIdleSeconds > runs.runSeconds ? 'for hands: hoop the next run meanwhile' : 'for hands'}
      />
    </dl>
  );
}

function idleWords({ runs }: FloorView, brief: Brief): string {
  const each = `${madeWords(runs.garmentsPerRun, brief)} each`;
  return runs.headsIdleInLast > 0 ? `${each}; ${counted(runs.headsIdleInLast, 'head')} idle in the last` : each;
}

/** What the shop sews with; kept in the Library. */
function Habits() {
  const work = useLibrary((s) => s.library.work);
  const job = useJob((s) => s.job)!;
  const set = (patch: Partial<WorkHabits>): void => void changeLibrary({ work: { ...work, ...patch } });
  const whole = { unit: '', min: 1, step: 1, decimals: 0 } as const;
  return (
    <section aria-label="How the shop works" className="rounded-md border border-hairline bg-panel p-4">
      <h2 className="font-semibold">How the shop works</h2>
      <p className="mb-3 text-xs text-quiet">Kept in the Library, for all jobs; the quantity belongs to this one.</p>
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label="Quantity"
          value={job.brief.quantity}
          {...whole}
          max={100000}
          onCommit={(q) => changeBrief('Quantity', { quantity: Math.round(q) })}
        />
        <NumberField label="Heads" value={work.heads} {...whole} max={60} onCommit={(heads) => set({ heads: Math.round(heads) })} />
        <NumberField
          label="Operators"
          value={work.operators}
          {...whole}
          max={60}
          onCommit={(operators) => set({ operators: Math.round(operators) })}
        />
        <NumberField
          label="Thread lost, %"
          value={work.wastePercent}
          unit="%"
          min={0}
          max={100}
          step={1}
          decimals={0}
          onCommit={(wastePercent) => set({ wastePercent })}
        />
        <NumberField
          label="Hooping, s"
          value={work.hoopingS}
          unit=""
          min={0}
          max={7200}
          step={5}
          decimals={0}
          onCommit={(hoopingS) => set({ hoopingS })}
        />
        <NumberField
          label="Finishing, s"
          value={work.finishingS}
          unit=""
          min={0}
          max={7200}
          step={5}
          decimals={0}
          onCommit={(finishingS) => set({ finishingS })}
        />
        <NumberField
          label="Cone holds, m"
          value={work.coneM}
          unit=""
          min={50}
          max={50000}
          step={500}
          decimals={0}
          onCommit={(coneM) => set({ coneM })}
        />
        <NumberField
          label="Bobbin lasts, st"
          value={work.bobbinStitches}
          unit=""
          min={1000}
          max={500000}
          step={1000}
          decimals={0}
          onCommit={(bobbinStitches) => set({ bobbinStitches })}
        />
      </div>
      <div className="mt-3">
        <Tick name="The next run is hooped while this one sews" on={work.spareHoops} onChange={(spareHoops) => set({ spareHoops })} />
      </div>
    </section>
  );
}
