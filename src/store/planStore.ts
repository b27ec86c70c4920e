import { create } from 'zustand';
import { looksOf } from '@/core/drawing/picture';
import type { Job } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';
import { keepPicture } from '@/platform/storage/records';
import { engine, painter } from '@/workers/client';
import type { Planned } from '@/workers/protocol';
import { allKept, keptVersion, useJob } from './jobStore';
import { requestProof } from './proofStore';
import { useView } from './viewStore';

interface PlanState {
  planned: Planned | null;
  /** The job that `planned` was made from. */
  of: Job | null;
  /** Grows with every plan the painter holds; pictures of an older one are stale. */
  version: number;
  busy: boolean;
  /** Share done while a long plan is made, 0 to 1. */
  progress: number;
  problem: string | null;
}

/** The stitch plan of the open job, kept up to date by the engine's worker. */
export const usePlan = create<PlanState>(() => ({ planned: null, of: null, version: 0, busy: false, progress: 0, problem: null }));

/** Work that is done sooner is not announced. */
const BUSY_AFTER_MS = 200;

let running = false;
let wanted: Job | null = null;

/** Plans the job unless it is planned already; of several requests while one runs only the last is served. */
export function requestPlan(job: Job): void {
  if (usePlan.getState().of === job) return;
  wanted = job;
  if (!running) void work();
}

async function work(): Promise<void> {
  running = true;
  while (wanted) {
    const job: Job = wanted;
    wanted = null;
    const busy = setTimeout(() => usePlan.setState({ busy: true, progress: 0 }), BUSY_AFTER_MS);
    try {
      const planned = await engine.call('plan', { job }, { progress: (progress) => usePlan.setState({ progress }) });
      // Nobody waits for the answer: whatever is asked of the painter next is answered after this.
      paint(planned, job);
      endReplayBeyond(planned.plan.x.length);
      usePlan.setState((s) => ({ planned, of: job, version: s.version + 1, problem: null }));
      queuePicture(job);
      requestProof(job);
    } catch (error) {
      report(error);
      usePlan.setState({ of: job });
    }
    clearTimeout(busy);
  }
  running = false;
  if (usePlan.getState().busy) usePlan.setState({ busy: false });
}

/** A plan that became shorter has no stitch where the needle stood: all of it is shown. */
function endReplayBeyond(events: number): void {
  const { playhead } = useView.getState();
  if (playhead !== null && playhead > events) useView.setState({ playhead: null, playing: false });
}

const paint = (planned: Planned, job: Job): void =>
  void painter.call('showPlan', { plan: planned.plan, looks: looksOf(job), hidden: hiddenIn(job) }).catch(report);

painter.replaced = () => {
  const { planned, of } = usePlan.getState();
  if (!planned || !of) return;
  paint(planned, of);
  usePlan.setState((s) => ({ version: s.version + 1 }));
};

const report = (error: unknown): void => usePlan.setState({ problem: (error as Error).message });

const hiddenIn = (job: Job): number[] => {
  const { hidden } = useView.getState();
  return hidden.length === 0 ? [] : job.pieces.flatMap((p, i) => (hidden.includes(p.id) ? [i] : []));
};

/** What is hidden has changed: the painter leaves it out, and its pictures are drawn again. */
export async function hideInPictures(): Promise<void> {
  const { of } = usePlan.getState();
  if (!of) return;
  await painter.call('hide', { hidden: hiddenIn(of) });
  usePlan.setState((s) => ({ version: s.version + 1 }));
}

const PICTURE_AFTER_MS = 1200;
let pictureTimer: ReturnType<typeof setTimeout> | null = null;

/** The shelf's picture follows when the hands rest. */
function queuePicture(job: Job): void {
  if (pictureTimer) clearTimeout(pictureTimer);
  pictureTimer = setTimeout(() => {
    void engine
      .call('thumbnail', { job })
      .then(({ png, figures }) => keepShown(job, png, figures))
      .catch(() => undefined);
  }, PICTURE_AFTER_MS);
}

/** Keeps the picture beside the job, under the mark of the state that it shows; one of a state not saved yet is not kept. */
async function keepShown(job: Job, picture: Blob, figures: PlanFigures): Promise<void> {
  const kept = keptVersion();
  if (useJob.getState().job !== job || !allKept() || !kept) return;
  await keepPicture(job.id, { mark: kept.mark, picture, figures });
}
