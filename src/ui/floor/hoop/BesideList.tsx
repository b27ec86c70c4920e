'use client';
import { RefreshCw, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { toast } from '@/session/notice';
import type { Beside, CopyPlace } from '@/core/document/types';
import { copiesOf } from '@/core/production/floor';
import { counted } from '@/core/units/count';
import { jobsToLayBeside, layBeside, takeOut } from '@/session/edit/besideCommands';
import { useJob } from '@/session/job/jobStore';
import { SignButton } from '../../components/Button';
import { Choice } from '../../components/Choice';
import { NumberField } from '../../components/NumberField';
import { NamesInHoop } from './NamesInHoop';

/** How many copies of each design lie in the hoop: of the job's own under no id. */
export type Counts = { own: number; beside: Record<string, number> };

export function countsOf(copies: readonly CopyPlace[]): Counts {
  const beside: Record<string, number> = {};
  for (const { of } of copies) if (of !== undefined) beside[of] = (beside[of] ?? 0) + 1;
  return { own: copies.filter((c) => c.of === undefined).length, beside };
}

/** What else lies in the hoop: other jobs, each with its number of copies, and names in place of the job's text. */
export function BesideList({ onPlace }: { onPlace(counts: Counts): Promise<void> }) {
  const job = useJob((s) => s.job)!;
  const beside = job.floor?.beside ?? [];
  const counts = countsOf(copiesOf(job));
  const jobs = beside.filter((b) => b.job);
  const names = beside.filter((b) => b.text);
  const with_ = (id: string, n: number): Counts => ({ own: counts.own, beside: { ...counts.beside, [id]: n } });
  return (
    <div className="mt-3 grid gap-2">
      {jobs.map((b) => (
        <OtherJob key={b.id} beside={b} count={counts.beside[b.id] ?? 0} onCount={(n) => void onPlace(with_(b.id, n))} />
      ))}
      {names.length > 0 && (
        <p className="rounded-md border border-edge bg-white px-2 py-1.5">
          <span className="font-semibold">{counted(names.length, 'name')}</span>{' '}
          <span className="text-quiet">
            {names
              .slice(0, 6)
              .map((n) => n.name)
              .join(', ')}
            {names.length > 6 ? ' …' : ''}
          </span>
        </p>
      )}
      <div className="flex items-end gap-2">
        <AddJob onAdded={(id) => onPlace(with_(id, Math.max(1, counts.beside[id] ?? 0)))} />
        <NamesInHoop
          onLaid={(ids) =>
            onPlace({
              own: ids.length > 0 ? 0 : Math.max(1, counts.own),
              beside: { ...ofJobs(counts, jobs), ...Object.fromEntries(ids.map((id) => [id, 1])) },
            })
          }
        />
      </div>
    </div>
  );
}

const ofJobs = ({ beside }: Counts, jobs: readonly Beside[]): Record<string, number> =>
  Object.fromEntries(jobs.map((b) => [b.id, beside[b.id] ?? 0]));

function OtherJob({ beside, count, onCount }: { beside: Beside; count: number; onCount(n: number): void }) {
  return (
    <div className="flex items-center gap-1" data-beside={beside.name}>
      <span className="min-w-0 flex-1 truncate" title={beside.name}>
        {beside.name}
      </span>
      <div className="w-[74px]">
        <NumberField
          label={`Copies of ${beside.name}`}
          hideLabel
          value={count}
          unit=""
          min={0}
          max={200}
          step={1}
          decimals={0}
          onCommit={(n) => onCount(Math.round(n))}
        />
      </div>
      <SignButton
        name={`Take ${beside.name} anew from the shelf`}
        disabled={beside.from === undefined}
        onClick={() => void layBeside(beside.from!).catch((e: unknown) => toast.error((e as Error).message))}
      >
        <RefreshCw size={15} />
      </SignButton>
      <SignButton name={`Take ${beside.name} out`} onClick={() => takeOut(beside.id)}>
        <Trash2 size={15} />
      </SignButton>
    </div>
  );
}

function AddJob({ onAdded }: { onAdded(id: string): Promise<void> }) {
  const [jobs, setJobs] = useState<{ id: string; name: string }[]>([]);
  useEffect(() => {
    jobsToLayBeside().then(setJobs, () => setJobs([]));
  }, []);
  const add = async (from: string): Promise<void> => {
    try {
      await onAdded(await layBeside(from));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <Choice
      label="Another job beside it"
      className="min-w-0 flex-1"
      value=""
      options={[
        { value: '', name: jobs.length > 0 ? 'choose …' : 'none on the shelf' },
        ...jobs.map((j) => ({ value: j.id, name: j.name })),
      ]}
      onChange={(id) => id !== '' && void add(id)}
    />
  );
}
