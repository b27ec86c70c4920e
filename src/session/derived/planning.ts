import type { Job } from '@/core/document/types';
import type { PlanPart } from '@/core/plan/delta';
import type { PlanFigures } from '@/core/plan/measure';
import type { StitchPlan } from '@/core/plan/plan';
import type { WorkerClient } from '@/workers/client';
import { PlanReceiver, type WiredPlan } from '@/workers/planWire';

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

export interface PlanState {
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

export const NOT_PLANNED: PlanState = { planned: null, of: null, version: 0, busy: false, progress: 0, problem: null };

/** Who follows the plans of one job while they are made. */
export interface PlanAudience {
  /** What is sewn so far of a plan that takes long. */
  part(part: PlanPart, job: Job): void;
  /** A whole plan, as its difference from the one before, before it is shown. */
  wired(plan: WiredPlan, job: Job): void;
  /** Before the plan is shown. */
  planned(planned: Planned): void;
}

export interface PlanStore {
  getState(): PlanState;
  setState(next: Partial<PlanState> | ((state: PlanState) => Partial<PlanState>)): void;
}

/** A plan that stands alone, with what the Bench shows of it. */
export type Adoptable = Pick<Planned, 'figures' | 'outlines'> & { plan: WiredPlan };

/** What was taken from the store is on the screen by then. */
const CONFIRM_AFTER_MS = 1500;
/** Work that is done sooner is not announced. */
const BUSY_AFTER_MS = 200;

/** Keeps the plan of one job up to date; of several requests while one runs only the last is served. */
export class Planning {
  /** The job that is being planned. */
  private running: Job | null = null;
  private wanted: Job | null = null;
  private readonly received = new PlanReceiver();

  constructor(
    private readonly engine: Pick<WorkerClient<'plan'>, 'call'>,
    private readonly store: PlanStore,
    private readonly audience: PlanAudience | null = null,
  ) {}

  /** Plans the job unless it is planned already. */
  request(job: Job): void {
    if ((this.running ?? this.store.getState().of) === job) this.wanted = null;
    else {
      this.wanted = job;
      if (!this.running) void this.work();
    }
  }

  /**
   * Shows a plan that was made before, and makes it anew when there is time: what makes plans goes on from its own.
   * @returns whether it was shown; not when a plan of the job is there or on its way
   */
  adopt(job: Job, { plan: wired, figures, outlines }: Adoptable): boolean {
    const { store, audience, received } = this;
    if (this.running || this.wanted || store.getState().of === job) return false;
    const plan = received.take(wired);
    if (!plan) return false;
    audience?.wired(wired, job);
    const planned = { job, plan, figures, outlines, milliseconds: 0 };
    audience?.planned(planned);
    store.setState((s) => ({ planned, of: job, version: s.version + 1, problem: null }));
    setTimeout(() => this.confirm(job), CONFIRM_AFTER_MS);
    return true;
  }

  private confirm(job: Job): void {
    if (this.running || this.store.getState().of !== job) return;
    this.wanted = job;
    void this.work();
  }

  /** The last plan as one that stands alone; null before the first. */
  whole(): WiredPlan | null {
    return this.received.whole();
  }

  private async work(): Promise<void> {
    const { store } = this;
    while (this.wanted) {
      const job: Job = this.wanted;
      this.running = job;
      this.wanted = null;
      const busy = setTimeout(() => store.setState({ busy: true, progress: 0 }), BUSY_AFTER_MS);
      try {
        const planned = await this.plan(job);
        this.audience?.planned(planned);
        store.setState((s) => ({ planned, of: job, version: s.version + 1, problem: null }));
      } catch (error) {
        store.setState({ of: job, problem: (error as Error).message });
      }
      clearTimeout(busy);
    }
    this.running = null;
    if (store.getState().busy) store.setState({ busy: false });
  }

  private async plan(job: Job): Promise<Planned> {
    const { store, audience, received } = this;
    const progress = (done: number): void => (store.getState().busy ? store.setState({ progress: done }) : undefined);
    const input = { job, held: received.version };
    const wired = await this.engine.call('plan', input, { progress, ...(audience ? { part: (part) => audience.part(part, job) } : {}) });
    // Nobody waits for the painter's answer: whatever it is asked next is answered after this.
    audience?.wired(wired.plan, job);
    const plan = received.take(wired.plan);
    // A worker that was replaced meanwhile knows nothing of what is held here.
    if (!plan) throw new Error('The plan came in parts that do not fit; change anything to plan anew.');
    const before = store.getState().planned?.outlines ?? [];
    const outlines = wired.outlines.map((o) => (typeof o === 'number' ? before[o]! : o));
    return { ...wired, job, plan, outlines };
  }
}
