'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { shelfEntries } from '@/platform/storage/records';
import { useJob } from '@/session/job/jobStore';
import type { PlaceKey } from '../places';
import { findables, type NamedJob } from './findables';
import { Palette } from './Palette';
import { BENCH_KEYS, COMMANDS } from './registry';

/** The palette of the job that is open: its commands, places, files, settings and pieces, and the other jobs of the shelf. */
export function JobPalette({ place, open, onOpenChange }: { place: PlaceKey; open: boolean; onOpenChange(open: boolean): void }) {
  const router = useRouter();
  const others = useOtherJobs(open);
  const job = useJob((s) => s.job);
  const all = useCallback(() => {
    const go = (href: string): void => {
      const to = new URL(href, window.location.href);
      // Within one page the router tells nobody that only what comes after the # differs.
      if (!to.hash || to.pathname !== window.location.pathname) return router.push(href);
      if (window.location.hash === to.hash) window.dispatchEvent(new HashChangeEvent('hashchange'));
      else window.location.hash = to.hash;
    };
    return job ? findables(COMMANDS, BENCH_KEYS, { place, job, others, go }) : [];
  }, [place, job, others, router]);
  return <Palette open={open} onOpenChange={onOpenChange} all={all} />;
}

/** Names of the other jobs, read when they are first wanted. */
function useOtherJobs(wanted: boolean): readonly NamedJob[] {
  const [others, setOthers] = useState<readonly NamedJob[]>([]);
  const id = useJob((s) => s.job?.id);
  useEffect(() => {
    if (!wanted) return;
    let gone = false;
    void shelfEntries()
      .then((all) => all.flatMap((e) => ('head' in e && e.id !== id ? [{ id: e.id, name: e.head.name }] : [])))
      .then((found) => !gone && setOthers(found))
      .catch(() => undefined);
    return () => void (gone = true);
  }, [wanted, id]);
  return others;
}
