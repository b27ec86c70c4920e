'use client';
import { useEffect, useState } from 'react';
import { toast } from '@/session/notice';
import { download, fileStem } from '@/platform/files';
import type { ShelfEntry } from '@/platform/storage/records';
import { photosOf } from '@/platform/storage/photos';
import { backupDue, shelfSaved } from '@/session/shop/shelfFile';
import { saveShelf, stopSavingShelf, useShelfSaving } from '@/session/shop/shelfSaving';
import { engine } from '@/workers/client';
import { Button } from '../components/Button';
import { StorageBanner } from '../components/StorageBanner';
import type { NotKept } from '../intake/notKept';

const save = (): void => saveShelf((data) => download(`shelf-${new Date().toISOString().slice(0, 10)}.cobble`, data));

/** The whole shelf as one file, at any time; while it is packed the page can be worked on. */
export function SaveShelf() {
  const { progress, problem } = useShelfSaving();
  useEffect(() => {
    if (problem) toast.error(problem);
  }, [problem]);
  if (progress !== null)
    return (
      <span role="status" className="inline-flex items-center gap-2">
        Saving the shelf <progress value={progress} aria-label="Saving the shelf" className="w-20" />
        <button type="button" onClick={stopSavingShelf} className="underline decoration-dotted underline-offset-4">
          Stop
        </button>
      </span>
    );
  return (
    <button type="button" onClick={save} className="underline decoration-dotted underline-offset-4 hover:bg-tape-soft">
      Save the whole shelf to a file
    </button>
  );
}

interface Props {
  entries: readonly ShelfEntry[] | null;
  notKept: NotKept | null;
  onDismiss(): void;
}

/** What stands between the shelf's work and its loss. */
export function ShelfNotices({ entries, notKept, onDismiss }: Props) {
  const button = (
    <Button dense onClick={save}>
      Save the whole shelf to a file
    </Button>
  );
  return (
    <>
      <StorageBanner>{button}</StorageBanner>
      {notKept && <NotKeptBar notKept={notKept} onDismiss={onDismiss} />}
      <Reminder entries={entries}>{button}</Reminder>
    </>
  );
}

function NotKeptBar({ notKept: { job, artwork, message }, onDismiss }: { notKept: NotKept; onDismiss(): void }) {
  const save = async (): Promise<void> => {
    try {
      const { data } = await engine.call('export', { job, artwork, photos: await photosOf(job), extension: 'cobble' });
      download(`${fileStem(job.name)}.cobble`, data);
      onDismiss();
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <div role="alert" data-testid="not-kept" className="flex flex-wrap items-center gap-3 bg-danger px-4 py-2 text-white">
      <span>
        ‘{job.name}’ is not on the shelf. {message}
      </span>
      <Button dense onClick={() => void save()}>
        Save it to a file
      </Button>
      <Button dense onClick={onDismiss}>
        Let it go
      </Button>
    </div>
  );
}

function Reminder({ entries, children }: { entries: readonly ShelfEntry[] | null; children: React.ReactNode }) {
  const [due, setDue] = useState(false);
  useEffect(() => {
    const latest = Math.max(0, ...(entries ?? []).map((j) => ('head' in j ? j.updated : 0)));
    if (entries) void backupDue(latest).then(setDue);
  }, [entries]);
  if (!due) return null;
  return (
    <div role="status" data-testid="backup-due" className="flex flex-wrap items-center gap-3 bg-tape-soft px-4 py-2">
      <span>A week of work is kept in this browser only. A browser’s data can be cleared: save it to a file now and then.</span>
      <span onClick={() => setDue(false)}>{children}</span>
      <Button dense look="quiet" onClick={() => void shelfSaved().then(() => setDue(false))}>
        In a week
      </Button>
    </div>
  );
}
