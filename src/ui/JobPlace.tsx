'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { Fragment, useEffect } from 'react';
import { download } from '@/platform/files';
import { allKept, useJob } from '@/session/job/jobStore';
import { enterJob } from '@/session/job/jobTabs';
import { planOpened, requestPlan } from '@/session/derived/planStore';
import { useUnits } from '@/session/view/unitsStore';
import { engine } from '@/workers/client';
import { Brief } from './brief/Brief';
import { HISTORY_KEYS } from './commands/historyKeys';
import { useKeys } from './commands/useKeys';
import { Guide } from './guide/Guide';
import { Button } from './components/Button';
import { DropAnywhere } from './intake/DropAnywhere';
import { JobNotices } from './components/JobNotices';
import { StorageBanner, useStorageHealth } from './components/StorageBanner';
import { TopLine } from './components/TopLine';
import { SkipLink } from './components/SkipLink';
import { PLACES, type PlaceKey } from './places';

const Bench = dynamic(() => import('./bench/Bench').then((m) => m.Bench), {
  ssr: false,
  loading: () => <Waiting text="Laying out the bench …" />,
});

const Art = dynamic(() => import('./art/Art').then((m) => m.Art), {
  ssr: false,
  loading: () => <Waiting text="Laying out the artwork …" />,
});

const Floor = dynamic(() => import('./floor/Floor').then((m) => m.Floor), {
  ssr: false,
  loading: () => <Waiting text="Opening the floor …" />,
});

const Sewouts = dynamic(() => import('./sewouts/Sewouts').then((m) => m.Sewouts), {
  ssr: false,
  loading: () => <Waiting text="Laying out the sew-outs …" />,
});

const VIEWS: Record<PlaceKey, () => React.ReactNode> = {
  brief: () => <Brief />,
  art: () => <Art />,
  bench: () => <Bench />,
  sewouts: () => <Sewouts />,
  floor: () => <Floor />,
};

/** One place of one job: loads the job, and keeps it saved when the page goes away. */
export function JobPlace({ id, place }: { id: string; place: PlaceKey }) {
  const units = useUnits((s) => s.units);
  const status = useJob((s) => s.status);
  const health = useStorageHealth();
  useKeys(HISTORY_KEYS);
  useEffect(() => engine.warm(), []);
  // A database that answers at last may hold the job.
  useEffect(() => enterJob(id), [id, health]);
  useEffect(() => (place === 'bench' ? planning() : undefined), [place]);
  useLeaving();

  return (
    <>
      <DropAnywhere job={status === 'ready' ? 'open' : status === 'missing' || status === 'damaged' ? 'none' : 'opening'} />
      {status === 'missing' ? (
        <Missing />
      ) : status === 'damaged' ? (
        <Damaged />
      ) : status !== 'ready' ? (
        <Opening place={place} />
      ) : (
        <div className="flex h-screen flex-col overflow-hidden">
          <PageTitle place={place} />
          <SkipLink />
          <TopLine place={place} />
          <JobNotices />
          <Guide place={place} />
          <Fragment key={units}>{VIEWS[place]()}</Fragment>
        </div>
      )}
    </>
  );
}

function Opening({ place }: { place: PlaceKey }) {
  return (
    <>
      <PageTitle place={place} />
      <StorageBanner>{null}</StorageBanner>
      <Waiting text="Taking the job from the shelf …" />
    </>
  );
}

/** The name of the job and of the place, as tabs and screen readers say it. */
function PageTitle({ place }: { place: PlaceKey }) {
  const name = useJob((s) => s.job?.name ?? null);
  const at = PLACES.find((p) => p.key === place)!.name;
  return <title>{name === null ? `${at} · Cobble` : `${name} · ${at} · Cobble`}</title>;
}

/** Plans the open job now and after every change, without waiting for anything to be shown first. @returns how to stop */
function planning(): () => void {
  const { job } = useJob.getState();
  if (job) void planOpened(job);
  return useJob.subscribe((now, before) => {
    if (!now.job || now.job === before.job) return;
    if (now.job === now.opened) void planOpened(now.job);
    else requestPlan(now.job);
  });
}

/** Going away, hiding or closing the page: what is unsaved is put where it cannot be lost, and closing asks first. */
function useLeaving(): void {
  useEffect(() => {
    const leave = (): void => useJob.getState().leave();
    const ask = (e: BeforeUnloadEvent): void => {
      if (allKept()) return;
      leave();
      e.preventDefault();
    };
    window.addEventListener('pagehide', leave);
    window.addEventListener('beforeunload', ask);
    document.addEventListener('visibilitychange', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('beforeunload', ask);
      document.removeEventListener('visibilitychange', leave);
    };
  }, []);
}

function Apart({ title, text, children }: { title: string; text: string; children?: React.ReactNode }) {
  return (
    <main className="grid h-screen place-content-center justify-items-center gap-3 px-4 text-center">
      <title>{`${title} · Cobble`}</title>
      <h1 className="text-xl font-semibold">{title}</h1>
      <p className="max-w-[60ch] text-quiet">{text}</p>
      {children}
      <Link href="/" className="rounded-md border border-ink bg-tape px-4 py-1.5 font-semibold">
        To the shelf
      </Link>
    </main>
  );
}

function Missing() {
  const health = useStorageHealth();
  const problem = useJob((s) => s.problem);
  if (health !== 'fine' || problem) {
    return (
      <Apart
        title="This job cannot be read now"
        text={problem ?? 'The browser’s storage does not answer, or is switched off for this page. The job opens as soon as it answers.'}
      />
    );
  }
  return (
    <Apart
      title="This job is not in this browser"
      text="It may have been removed, or kept in another browser. A bundle of it can be opened from the shelf."
    />
  );
}

function Damaged() {
  const damaged = useJob((s) => s.damaged);
  return (
    <Apart
      title="This job’s record is damaged"
      text={`${damaged?.message ?? ''} It is kept as it is; its text can be saved and mended by hand.`}
    >
      <Button onClick={() => damaged && download(`${damaged.id}-damaged.json`, new Blob([damaged.raw], { type: 'application/json' }))}>
        Save its text to a file
      </Button>
    </Apart>
  );
}

function Waiting({ text }: { text: string }) {
  return (
    <main className="grid h-screen flex-1 place-content-center text-quiet" role="status">
      {text}
    </main>
  );
}
