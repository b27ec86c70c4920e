'use client';
import { said } from '@/session/view/unitsStore';
import { Grid3x3, FlipHorizontal2, RotateCcw, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { HOOPS } from '@/core/document/job';
import type { CopyPlace, Hoop } from '@/core/document/types';
import { cautionsFor } from '@/core/production/cautions';
import { copiesOf, floorHoop, gapOf, type PlaceAsked } from '@/core/production/floor';
import { placesFor, useFloor } from '@/session/derived/floorStore';
import { changeCopy, changeFloor, placeCopies, removeCopy } from '@/session/edit/floorCommands';
import { useJob } from '@/session/job/jobStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { Button, SignButton } from '../../components/Button';
import { Choice } from '../../components/Choice';
import { hoopKey, hoopName } from '../../components/hoopWords';
import { NumberField } from '../../components/NumberField';
import { Tick } from '../../components/Tick';
import { BesideList, countsOf } from './BesideList';
import { OrderChoice } from './OrderChoice';

interface Props {
  chosen: number | null;
  onChoose(index: number | null): void;
}

/** What lies in the hoop and in which order it is sewn. */
export function HoopPanel({ chosen, onChoose }: Props) {
  const job = useJob((s) => s.job)!;
  const copies = copiesOf(job);
  const at = chosen === null ? undefined : copies[chosen];
  return (
    <aside className="flex w-[330px] shrink-0 flex-col gap-5 overflow-auto border-l border-hairline bg-panel p-4 max-lg:w-[280px] max-sm:w-full max-sm:border-l-0">
      <Placing />
      <Wrong />
      {at && <OneCopy index={chosen!} at={at} only={copies.length === 1} onGone={() => onChoose(null)} />}
      {copies.length > 1 && <OrderChoice />}
      <Cautions />
    </aside>
  );
}

const COLUMNS = Array.from({ length: 13 }, (_, n) => n);

function Placing() {
  const job = useJob((s) => s.job)!;
  const own = useLibrary((s) => s.library.hoops);
  const counts = countsOf(copiesOf(job));
  const hasOthers = (job.floor?.beside ?? []).length > 0;
  const [columns, setColumns] = useState(0);
  const [nest, setNest] = useState(false);
  const [alternate, setAlternate] = useState<'none' | 'turn' | 'mirror'>('none');
  const [problem, setProblem] = useState<string | null>(null);
  const hoop = floorHoop(job);
  const offered: Hoop[] = [...HOOPS, ...own];
  const hoops = offered.some((h) => hoopKey(h) === hoopKey(hoop)) ? offered : [hoop, ...offered];
  const place = async (asked: Pick<PlaceAsked, 'copies' | 'beside'>, inColumns = columns): Promise<void> => {
    const n = asked.copies ?? 0;
    const grid = inColumns > 0 && n > 0 && !hasOthers ? { grid: { columns: inColumns, rows: Math.ceil(n / inColumns) } } : {};
    try {
      const places = await placesFor(useJob.getState().job!, { ...asked, ...grid, nest, ...(alternate === 'none' ? {} : { alternate }) });
      setProblem(null);
      placeCopies(places);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const anew = (): Promise<void> => place({ copies: counts.own, beside: counts.beside });
  return (
    <section aria-label="Copies in the hoop">
      <h1 className="mb-3 text-lg font-semibold">Copies in the hoop</h1>
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label={hasOthers ? 'Copies of this one' : 'Copies'}
          value={counts.own}
          unit=""
          min={hasOthers ? 0 : 1}
          max={200}
          step={1}
          decimals={0}
          onCommit={(n) => void place({ copies: Math.round(n), beside: counts.beside })}
        />
        <NumberField
          label="Apart"
          value={gapOf(job.floor)}
          unit="mm"
          lengthUnit={job.brief.units ?? 'mm'}
          min={0}
          max={200}
          step={0.5}
          decimals={1}
          onCommit={(gap) => {
            changeFloor('Distance of copies', { gap });
            if (copiesOf(job).length > 1) void anew();
          }}
        />
        <Choice
          label="Hoop field"
          className="col-span-2"
          value={hoopKey(hoop)}
          options={hoops.map((h) => ({ value: hoopKey(h), name: hoopName(h) }))}
          onChange={(k) => changeFloor('Hoop of the floor', { hoop: hoops.find((h) => hoopKey(h) === k)! })}
        />
        {!hasOthers && (
          <Choice
            label="Columns"
            value={String(columns)}
            options={COLUMNS.map((n) => ({ value: String(n), name: n === 0 ? 'found' : String(n) }))}
            onChange={(value) => {
              setColumns(Number(value));
              void place({ copies: counts.own }, Number(value));
            }}
          />
        )}
        <Choice<'none' | 'turn' | 'mirror'>
          label="Every other copy"
          value={alternate}
          options={[
            { value: 'none', name: 'as it is' },
            { value: 'turn', name: 'on its head' },
            { value: 'mirror', name: 'mirrored' },
          ]}
          onChange={setAlternate}
        />
        <div className="flex items-end pb-1.5">
          <Tick name="Close, by outline" on={nest} onChange={setNest} />
        </div>
      </div>
      <BesideList onPlace={({ own, beside }) => place({ copies: own, beside })} />
      <div className="mt-3 flex gap-2">
        <Button disabled={hasOthers} onClick={() => void place({})}>
          <Grid3x3 size={15} aria-hidden="true" /> As many as fit
        </Button>
        <Button onClick={() => void anew()}>Lay out anew</Button>
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-danger">
          {problem}
        </p>
      )}
    </section>
  );
}

/** Copies that the foot or another copy is in the way of. */
function Wrong() {
  const view = useFloor((s) => s.view);
  if (!view) return null;
  const told = (flags: readonly boolean[]): string => flags.flatMap((f, i) => (f ? [i + 1] : [])).join(', ');
  const edge = told(view.clear.map((c) => !c));
  const other = told(view.onOther);
  if (!edge && !other && view.notes.length === 0) return null;
  return (
    <div role="status" className="grid gap-1 rounded-md border border-danger p-2 text-danger">
      {view.notes.map((n) => (
        <p key={n}>{n} All of it is sewn at one speed, on one stabilizer.</p>
      ))}
      {edge && <p>{said(`Too near to the hoop’s edge for the presser foot (5 mm): copy ${edge}.`)}</p>}
      {other && <p>Thread lies on another copy: {other}.</p>}
    </div>
  );
}

function OneCopy({ index, at, only, onGone }: { index: number; at: CopyPlace; only: boolean; onGone(): void }) {
  const units = useJob((s) => s.job?.brief.units ?? 'mm');
  const set = (label: string, patch: Partial<CopyPlace>): void => {
    const job = useJob.getState().job!;
    if (!job.floor?.copies) placeCopies(copiesOf(job));
    changeCopy(index, label, patch);
  };
  const length = { unit: 'mm', lengthUnit: units, min: -600, max: 600, step: 0.5, decimals: 1 } as const;
  return (
    <section aria-label="Chosen copy" className="rounded-md border border-edge bg-white p-3">
      <div className="mb-2 flex items-center">
        <h2 className="flex-1 font-semibold">Copy {index + 1}</h2>
        <SignButton name="Turn by a quarter" onClick={() => set('Turn a copy', { turn: (at.turn + 90) % 360 })}>
          <RotateCcw size={16} />
        </SignButton>
        <SignButton name="Mirror" pressed={at.mirror ?? false} onClick={() => set('Mirror a copy', { mirror: !at.mirror })}>
          <FlipHorizontal2 size={16} />
        </SignButton>
        <SignButton
          name="Take it out (Delete)"
          disabled={only}
          onClick={() => {
            removeCopy(index);
            onGone();
          }}
        >
          <Trash2 size={16} />
        </SignButton>
      </div>
      <div className="grid grid-cols-3 gap-2">
        <NumberField label="To the right" value={at.x} {...length} onCommit={(x) => set('Move a copy', { x })} />
        <NumberField label="Down" value={at.y} {...length} onCommit={(y) => set('Move a copy', { y })} />
        <NumberField
          label="Turned"
          value={at.turn}
          unit="°"
          min={-360}
          max={360}
          step={5}
          decimals={0}
          onCommit={(turn) => set('Turn a copy', { turn })}
        />
      </div>
    </section>
  );
}

/** What can hurt, once and where it applies. */
function Cautions() {
  const job = useJob((s) => s.job)!;
  return (
    <div className="mt-auto grid gap-1 text-xs text-quiet">
      {cautionsFor(job).map((s) => (
        <p key={s}>{s}</p>
      ))}
    </div>
  );
}
