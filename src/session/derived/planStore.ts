import { create } from 'zustand';
import { looksOf } from '@/core/render/picture';
import type { Job } from '@/core/document/types';
import { ofEach } from '@/core/geometry/known';
import { memoryOf, type PlanPart } from '@/core/plan/delta';
import { explainCuts, type ExplainedCut } from '@/core/plan/explain';
import { keptPlan } from '@/platform/storage/plans';
import { engine, painter } from '@/workers/client';
import type { Protocol } from '@/workers/protocol/messages';
import { withoutPieces, type WiredPlan } from '@/workers/planWire';
import { allKept, keptVersion, useJob } from '../job/jobStore';
import { NOT_PLANNED, Planning, type Planned, type PlanState } from './planning';
import { requestProof } from './proofStore';
import { keepShown } from './sewnPictures';
import { useView } from '../view/viewStore';

export type { Planned };

/** The stitch plan of the open job, kept up to date by the engine's worker. */
export const usePlan = create<PlanState>(() => NOT_PLANNED);

const planning = new Planning(engine, usePlan, {
  part: paintPart,
  wired: paint,
  planned({ job, plan }) {
    endReplayBeyond(plan.x.length);
    queuePicture(job);
    requestProof(job);
  },
});

/** Plans the job unless it is planned already; of several requests while one runs only the last is served. */
export const requestPlan = (job: Job): void => planning.request(job);

/** Shows the plan that is kept of a job that was just opened, or plans it. */
export async function planOpened(job: Job): Promise<void> {
  const stamp = keptVersion();
  const kept = stamp && allKept() ? await keptPlan(job.id, stamp.mark).catch(() => null) : null;
  if (useJob.getState().job !== job || (kept && planning.adopt(job, kept))) return;
  requestPlan(job);
}

/** Every cut of what is shown, with its reason. */
export const useCuts = (): readonly ExplainedCut[] => usePlan((s) => (s.planned ? cutsOf(s.planned) : NO_CUTS));
const cutsOf = ofEach(({ job, plan }: Planned) => explainCuts(job, plan));
const NO_CUTS: readonly ExplainedCut[] = [];

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
  const whole = planning.whole();
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
      .then((sewn) => keepSewn(job, sewn))
      .catch(() => undefined);
  }, PICTURE_AFTER_MS);
}

/** Keeps picture and plan beside the job, under the mark of the state that they show; those of a state not saved yet are not kept. */
async function keepSewn(job: Job, sewn: Protocol['thumbnail']['out']): Promise<void> {
  const kept = keptVersion();
  if (useJob.getState().job !== job || !allKept() || !kept) return;
  await keepShown(job.id, kept.mark, sewn);
}
