import { create } from 'zustand';
import { looksOf } from '@/core/render/picture';
import type { Job } from '@/core/document/types';
import { ofEach } from '@/core/geometry/known';
import { memoryOf, type PlanPart } from '@/core/plan/delta';
import { explainCuts, type ExplainedCut } from '@/core/plan/explain';
import type { PlanFigures } from '@/core/plan/measure';
import type { StitchPlan } from '@/core/plan/plan';
import { keepPicture } from '@/platform/storage/records';
import { engine, painter } from '@/workers/client';
import { PlanReceiver, withoutPieces, type WiredPlan } from '@/workers/planWire';
import { allKept, keptVersion, useJob } from '../job/jobStore';
import { requestProof } from './proofStore';
import { useView } from '../view/viewStore';

/** A plan with what the Bench shows of it. */
export interface Planned {
  /** What it was planned from. */
  job: Job;
  plan: StitchPlan;
  figures: PlanFigures;
  /** Outline of each piece in mm, for choosing and marking; path data. */
  outlines: string[];
  milliseconds: number;
}

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

/** The job that is being planned. */
let running: Job | null = null;
let wanted: Job | null = null;

/** Plans the job unless it is planned already; of several requests while one runs only the last is served. */
export function requestPlan(job: Job): void {
  if ((running ?? usePlan.getState().of) === job) wanted = null;
  else {
    wanted = job;
    if (!running) void work();
  }
}

async function work(): Promise<void> {
  while (wanted) {
    const job: Job = wanted;
    running = job;
    wanted = null;
    const busy = setTimeout(() => usePlan.setState({ busy: true, progress: 0 }), BUSY_AFTER_MS);
    try {
      const planned = await planOf(job);
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
  running = null;
  if (usePlan.getState().busy) usePlan.setState({ busy: false });
}

/** Every cut of what is shown, with its reason. */
export const useCuts = (): readonly ExplainedCut[] => usePlan((s) => (s.planned ? cutsOf(s.planned) : NO_CUTS));
const cutsOf = ofEach(({ job, plan }: Planned) => explainCuts(job, plan));
const NO_CUTS: readonly ExplainedCut[] = [];

const received = new PlanReceiver();

/** Plans a job, and shows the plan to the painter. */
async function planOf(job: Job): Promise<Planned> {
  const progress = (done: number): void => (usePlan.getState().busy ? usePlan.setState({ progress: done }) : undefined);
  const wired = await engine.call('plan', { job, held: received.version }, { progress, part: (part) => paintPart(part, job) });
  // Nobody waits for the painter's answer: whatever it is asked next is answered after this.
  paint(wired.plan, job);
  const plan = received.take(wired.plan);
  // A worker that was replaced meanwhile knows nothing of what is held here.
  if (!plan) throw new Error('The plan came in parts that do not fit; change anything to plan anew.');
  const before = usePlan.getState().planned?.outlines ?? [];
  const outlines = wired.outlines.map((o) => (typeof o === 'number' ? before[o]! : o));
  return { ...wired, job, plan, outlines };
}

/** A plan that became shorter has no stitch where the needle stood: all of it is shown. */
function endReplayBeyond(events: number): void {
  const { playhead } = useView.getState();
  if (playhead !== null && playhead > events) useView.setState({ playhead: null, playing: false });
}

function paint(plan: WiredPlan, job: Job): void {
  void painter
    .call('showPlan', { plan: withoutPieces(plan), looks: looksOf(job), hidden: hiddenIn(job) })
    .then(({ taken }) => (taken ? undefined : paintWhole()))
    .catch(report);
}

/** Lets the painter draw what there is of a plan; should that fail, it draws all of it when it is there. */
function paintPart(part: PlanPart, job: Job): void {
  const input = { part, looks: looksOf(job), hidden: hiddenIn(job) };
  void painter.call('growPlan', input, { transfer: memoryOf(part.events) }).catch(() => undefined);
}

/** Shows the painter a plan of which it holds nothing. */
function paintWhole(): void {
  const { of } = usePlan.getState();
  const whole = received.whole();
  if (!whole || !of) return;
  paint(whole, of);
  usePlan.setState((s) => ({ version: s.version + 1 }));
}

painter.replaced = paintWhole;

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
