import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from '@/session/notice';
import { onStorageHealth } from '@/platform/storage/health';
import { DamagedJob, keptJob, shelfEntries, type ShelfEntry } from '@/platform/storage/records';
import { onNews } from '@/platform/tabs';
import { engine } from '@/workers/client';
import { bringBench } from '../openSoon';

/** Another tab that edits saves several times a second. */
const REFRESH_AFTER_MS = 600;
/** Nothing is looked through before what is seen is there. */
const LOOK_THROUGH_AFTER_MS = 4000;

/** What lies on the shelf, kept up to date; null while it is not known. The demo jobs are laid out with the first look. */
export function useShelf(): { entries: ShelfEntry[] | null; refresh(): Promise<void> } {
  const [entries, setEntries] = useState<ShelfEntry[] | null>(null);
  const refresh = useCallback(async () => setEntries(await shelfEntries()), []);
  const started = useRef(false);

  useEffect(() => {
    if (started.current) return;
    started.current = true;
    engine.warm();
    void refresh()
      .then(() => import('./demo'))
      .then(({ layOutDemos }) => layOutDemos(refresh))
      .catch((error: unknown) => toast.error(`The demo jobs could not be laid out: ${(error as Error).message}`))
      .then(refresh)
      .then(bringBench)
      .catch(() => {
        setEntries([]);
        toast.error('The shelf could not be read. Work can still be taken away as a bundle.');
      });
  }, [refresh]);
  useNews(refresh);
  useLookThrough(entries, setEntries);
  return { entries, refresh };
}

/** What other tabs save or remove is seen here at once, and what a late database holds. */
function useNews(refresh: () => Promise<void>): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const soon = (): void => {
      timer ??= setTimeout(() => {
        timer = null;
        refresh().catch(() => undefined);
      }, REFRESH_AFTER_MS);
    };
    const stops = [onNews(({ kind }) => (kind === 'saved' || kind === 'removed') && soon()), onStorageHealth(soon)];
    return () => {
      if (timer) clearTimeout(timer);
      for (const stop of stops) stop();
    };
  }, [refresh]);
}

/** States that were read once in this page, and are whole. */
const whole = new Set<string>();

/** The index shows a job without reading it; whether it can be read is looked at later, one at a time. */
function useLookThrough(
  entries: ShelfEntry[] | null,
  setEntries: (next: (before: ShelfEntry[] | null) => ShelfEntry[] | null) => void,
): void {
  useEffect(() => {
    let gone = false;
    const look = async (): Promise<void> => {
      for (const entry of entries ?? []) {
        if (gone) return;
        if (!('head' in entry) || whole.has(`${entry.id} ${entry.stamp.mark}`)) continue;
        try {
          await keptJob(entry.id);
          whole.add(`${entry.id} ${entry.stamp.mark}`);
        } catch (error) {
          if (!gone && error instanceof DamagedJob)
            setEntries((before) => before && before.map((e) => (e.id === entry.id ? { id: entry.id, damaged: error } : e)));
        }
        await new Promise((done) => setTimeout(done, 50));
      }
    };
    const timer = setTimeout(() => void look(), LOOK_THROUGH_AFTER_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [entries, setEntries]);
}
