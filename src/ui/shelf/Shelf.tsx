'use client';
import { FilePlus2, Search } from 'lucide-react';
import Link from 'next/link';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { toast } from '@/session/notice';
import { STAGE_WORDS } from '@/core/document/words';
import { JOB_STAGES, type JobStage } from '@/core/document/types';
import type { ShelfEntry } from '@/platform/storage/records';
import { openLibrary, useLibrary } from '@/session/shop/libraryStore';
import { ShopFinder } from '../commands/ShopFinder';
import { bare } from '../commands/matching';
import { Button } from '../components/Button';
import { Choice } from '../components/Choice';
import { Mark } from '../components/Mark';
import { usePastedFile } from '../components/usePastedFile';
import { DamagedCard, JobCard } from './JobCard';
import { NotKept } from '../intake/notKept';
import { ORDER_WORDS, ordered, SHELF_ORDERS, stageOf, type ShelfOrder } from './shelfOrder';
import { removeJob } from './removeJob';
import { SaveShelf, ShelfNotices } from './ShelfNotices';
import { HeavyDrawing } from '../intake/HeavyDrawing';
import { useIntake, type Reading } from '../intake/useIntake';
import { useShelf } from './useShelf';

const nameOf = (entry: ShelfEntry): string => ('head' in entry ? entry.head.name : entry.id);

/** All jobs of this browser, and the way in for new ones. */
export function Shelf() {
  const { entries, refresh } = useShelf();
  const [wanted, setWanted] = useState('');
  const [notKept, setNotKept] = useState<NotKept | null>(null);
  const guarded = useCallback(
    async (work: () => Promise<unknown>) => {
      try {
        await work();
        await refresh();
      } catch (error) {
        if (error instanceof NotKept) setNotKept(error);
        else if ((error as Error).name !== 'AbortError') toast.error((error as Error).message);
      }
    },
    [refresh],
  );

  const { busy, take } = useIntake(guarded);
  usePastedFile((file) => take([file]));
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    onDrop: take,
    noClick: true,
    noKeyboard: true,
    multiple: false,
  });

  const [order, setOrder] = useState<ShelfOrder>('touched');
  const [stage, setStage] = useState<JobStage | 'all'>('all');
  const shown = useMemo(() => {
    const text = wanted.trim().toLowerCase();
    const found = (entries ?? []).filter((s) => nameOf(s).toLowerCase().includes(text) && (stage === 'all' || stageOf(s) === stage));
    return ordered(found, order);
  }, [entries, wanted, order, stage]);

  return (
    <div {...getRootProps()} className="flex min-h-screen flex-col">
      <ShelfHeader wanted={wanted} onWanted={setWanted} onNew={open} />
      <HeavyDrawing onTake={(file) => take([file])} />
      <ShelfNotices entries={entries} notKept={notKept} onDismiss={() => setNotKept(null)} />
      <main className="mx-auto w-full max-w-[1180px] flex-1 px-4 py-6 sm:px-8">
        <input
          {...getInputProps({ 'aria-label': 'Artwork or bundle', accept: '.svg,.cobble,.zip,.png,.jpg,.jpeg,.webp,.gif,.bmp,image/*' })}
        />
        <div className="mb-5 flex flex-wrap items-baseline gap-4">
          <h2 className="text-xl font-semibold">Shelf</h2>
          <Choice<ShelfOrder>
            label="Order of the shelf"
            hideLabel
            dense
            value={order}
            options={SHELF_ORDERS.map((value) => ({ value, name: ORDER_WORDS[value] }))}
            onChange={setOrder}
          />
          <Choice<JobStage | 'all'>
            label="Jobs that are shown"
            hideLabel
            dense
            value={stage}
            options={[{ value: 'all', name: 'all jobs' }, ...JOB_STAGES.map((value) => ({ value, name: STAGE_WORDS[value] }))]}
            onChange={setStage}
          />
          <p className="ml-auto text-quiet">
            <ShopName />
            jobs are kept in this browser · <SaveShelf />
          </p>
        </div>
        <ul className="grid grid-cols-1 gap-5 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4">
          <NewJobCard busy={busy} over={isDragActive} onOpen={open} />
          {shown.map((entry) =>
            'head' in entry ? (
              <JobCard
                key={entry.id}
                entry={entry}
                onDuplicate={() => void guarded(() => import('../intake/newJob').then((m) => m.duplicateJob(entry.id)))}
                onRemove={() => void guarded(() => removeJob(entry.id, nameOf(entry), refresh))}
              />
            ) : (
              <DamagedCard
                key={entry.id}
                damaged={entry.damaged}
                onRemove={() => void guarded(() => removeJob(entry.id, nameOf(entry), refresh))}
              />
            ),
          )}
        </ul>
        {entries === null && (
          <p role="status" className="mt-6 text-quiet">
            Laying out the jobs …
          </p>
        )}
        {entries !== null && entries.length > 0 && shown.length === 0 && (
          <p className="mt-6 text-quiet">{stage === 'all' ? 'No job is called that.' : `No job stands at ‘${STAGE_WORDS[stage]}’.`}</p>
        )}
      </main>
    </div>
  );
}

/** Whose shelf it is, once that is known. */
function ShopName() {
  const name = useLibrary((s) => s.library.shop.name);
  useEffect(() => void openLibrary(), []);
  return name === '' ? null : <>{name} · </>;
}

function ShelfHeader({ wanted, onWanted, onNew }: { wanted: string; onWanted(wanted: string): void; onNew(): void }) {
  const own = useMemo(() => [bare('New job from artwork', 'open upload import file svg picture bundle', onNew)], [onNew]);
  return (
    <header className="flex h-12 items-center gap-3 border-b border-hairline bg-panel px-4">
      <Mark />
      <h1 className="text-lg font-semibold">Cobble</h1>
      <p className="hidden text-quiet sm:block">Artwork becomes a sewing plan that works on the first sew-out.</p>
      <Link href="/day" className="ml-auto rounded-md px-2 py-1 underline decoration-dotted underline-offset-4 hover:bg-tape-soft">
        The day’s work
      </Link>
      <Link href="/library" className="rounded-md px-2 py-1 underline decoration-dotted underline-offset-4 hover:bg-tape-soft">
        Library
      </Link>
      <ShopFinder at="shelf" own={own} />
      <label className="flex h-8 items-center gap-2 rounded-md border border-edge bg-white px-2">
        <Search size={15} aria-hidden="true" className="text-quiet" />
        <span className="sr-only">Find a job</span>
        <input
          value={wanted}
          onChange={(e) => onWanted(e.target.value)}
          placeholder="Find a job"
          className="w-32 bg-transparent outline-none"
        />
      </label>
    </header>
  );
}

/** The way in for artwork and bundles, beside dropping them. */
function NewJobCard({ busy, over, onOpen }: { busy: Reading | null; over: boolean; onOpen(): void }) {
  return (
    <li>
      <button
        type="button"
        onClick={onOpen}
        disabled={busy !== null}
        className={`flex h-[318px] w-full flex-col items-center justify-center gap-3 rounded-md border-2 border-dashed px-6 text-center ${over ? 'border-ink bg-tape-soft' : 'border-edge bg-panel hover:bg-tape-soft'}`}
      >
        <FilePlus2 size={30} aria-hidden="true" />
        <span className="text-lg font-semibold">
          {busy ? `Reading ${busy.name} … ${Math.round(busy.progress * 100)} %` : 'New job from artwork'}
        </span>
        <span className="text-quiet">
          Drop or paste a drawing (SVG) or a picture (PNG, JPEG …) anywhere here, or press to choose one. A Cobble bundle opens as the job
          that it was.
        </span>
      </button>
      {busy && (
        <div className="-mt-11 flex justify-center">
          <Button dense onClick={busy.cancel}>
            Cancel
          </Button>
        </div>
      )}
    </li>
  );
}
