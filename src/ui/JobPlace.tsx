'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useEffect } from 'react';
import { onSavedElsewhere } from '@/platform/tabs';
import { useJob } from '@/store/jobStore';
import { requestPlan } from '@/store/planStore';
import { engine } from '@/workers/client';
import { Art } from './art/Art';
import { Brief } from './brief/Brief';
import { HISTORY_KEYS } from './commands/historyKeys';
import { useKeys } from './commands/useKeys';
import { TopLine } from './components/TopLine';
import type { PlaceKey } from './places';

const Bench = dynamic(() => import('./bench/Bench').then((m) => m.Bench), {
  ssr: false,
  loading: () => <Waiting text="Laying out the bench …" />,
});

const VIEWS: Record<PlaceKey, () => React.ReactNode> = { brief: () => <Brief />, art: () => <Art />, bench: () => <Bench /> };

/** One place of one job: loads the job, and keeps it saved when the page goes away. */
export function JobPlace({ id, place }: { id: string; place: PlaceKey }) {
  const status = useJob((s) => s.status);
  useKeys(HISTORY_KEYS);
  useEffect(() => {
    engine.warm();
    void useJob.getState().load(id);
  }, [id]);
  const job = useJob((s) => s.job);
  useEffect(() => {
    if (job && place === 'bench') requestPlan(job);
  }, [job, place]);
  useEffect(() => {
    const leave = (): void => useJob.getState().leave();
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    const stop = onSavedElsewhere((other) => {
      if (other === useJob.getState().job?.id) useJob.setState({ changedElsewhere: true });
    });
    return () => {
      void useJob.getState().flush();
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', leave);
      stop();
    };
  }, []);

  if (status === 'missing') {
    return (
      <main className="grid h-screen place-content-center gap-3 text-center">
        <h1 className="text-xl font-semibold">This job is not in this browser</h1>
        <p className="text-quiet">It may have been removed, or kept in another browser. A bundle of it can be opened from the shelf.</p>
        <Link href="/" className="mx-auto rounded-md border border-ink bg-tape px-4 py-1.5 font-semibold">
          To the shelf
        </Link>
      </main>
    );
  }
  if (status !== 'ready') return <Waiting text="Taking the job from the shelf …" />;
  return (
    <div className="flex h-screen flex-col overflow-hidden">
      <TopLine place={place} />
      <Warnings id={id} />
      {VIEWS[place]()}
    </div>
  );
}

function Warnings({ id }: { id: string }) {
  const elsewhere = useJob((s) => s.changedElsewhere);
  const problem = useJob((s) => s.problem);
  return (
    <>
      {problem && (
        <p role="alert" className="bg-danger px-4 py-2 text-white">
          {problem}
        </p>
      )}
      {elsewhere && (
        <p role="alert" className="flex items-center gap-3 bg-tape-soft px-4 py-2">
          This job was changed in another tab. What you change here would replace that.
          <button
            type="button"
            className="rounded-md border border-ink bg-panel px-2 py-0.5 font-semibold"
            onClick={() => void useJob.getState().load(id)}
          >
            Take the other tab’s version
          </button>
        </p>
      )}
    </>
  );
}

function Waiting({ text }: { text: string }) {
  return (
    <main className="grid h-screen flex-1 place-content-center text-quiet" role="status">
      {text}
    </main>
  );
}
