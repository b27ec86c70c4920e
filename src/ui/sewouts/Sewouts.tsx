'use client';
import { useEffect, useState } from 'react';
import { toast } from '@/session/notice';
import { isCard } from '@/core/sewouts/card/card';
import { dropUnused } from '@/platform/storage/photos';
import { preference, keepPreference } from '@/platform/storage/shop';
import { logSewout } from '@/session/edit/sewoutCommands';
import { useJob } from '@/session/job/jobStore';
import { openLibrary } from '@/session/shop/libraryStore';
import { openOthers } from '@/session/sewouts/sewoutStore';
import { CompareTests } from './CompareTests';
import { FaultFinder } from './FaultFinder';
import { NoTests } from './NoTests';
import { TestRail, type Looking } from './TestRail';
import { TestView } from './TestView';

const WHO = 'sewouts-by';

/** What did the cloth say? Tests that were sewn, what was seen on them, why, and what to change. */
export function Sewouts() {
  const job = useJob((s) => s.job);
  const [looking, setLooking] = useState<Looking | null>(null);
  useEffect(() => {
    void openLibrary();
    const { job: here } = useJob.getState();
    if (here) void openOthers(here).catch(() => undefined);
    const { job: opened, role } = useJob.getState();
    // Only what was just opened: undoing may still want a photo that was taken away a moment ago.
    if (opened && role === 'editor' && opened === useJob.getState().opened) void dropUnused(opened).catch(() => undefined);
  }, []);
  if (!job) return null;
  const log = async (): Promise<void> => {
    const id = logSewout((await preference<string>(WHO)) ?? '');
    if (id) setLooking({ at: 'test', id });
    else toast.error('This job is edited in another tab.');
  };
  const last = job.sewouts[job.sewouts.length - 1];
  const chosen: Looking = looking ?? (last ? { at: 'test', id: last.id } : { at: 'none' });
  const test = chosen.at === 'test' ? (job.sewouts.find((s) => s.id === chosen.id) ?? last) : undefined;
  return (
    <main className="flex min-h-0 flex-1 max-md:flex-col max-md:overflow-auto">
      <TestRail job={job} looking={chosen} onLook={setLooking} onLog={() => void log()} />
      <div className="min-h-0 min-w-0 flex-1 max-md:overflow-visible">
        {chosen.at === 'finder' ? (
          <FaultFinder sewout={last ?? null} />
        ) : chosen.at === 'compare' && job.sewouts.length > 1 ? (
          <CompareTests job={job} />
        ) : test ? (
          <TestView key={test.id} job={job} sewout={test} onBy={(by) => void keepPreference(WHO, by)} />
        ) : (
          <NoTests card={isCard(job)} onLog={() => void log()} onFinder={() => setLooking({ at: 'finder' })} />
        )}
      </div>
    </main>
  );
}
