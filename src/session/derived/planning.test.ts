import type { Job } from '@/core/document/types';
import { jobOf, piece } from '@/core/pieces/fixtures';
import { Planner } from '@/core/plan/planner';
import { measurePlan } from '@/core/plan/measure';
import { disk } from '@/platform/storage/fakeForage.fixture';
import { create } from 'zustand';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined, onNews: () => () => undefined }));

import { keepNewJob, keptJob, keptStamp } from '@/platform/storage/records';
import { PlanSender } from '@/workers/planWire';
import { NOT_PLANNED, Planning, type PlanState } from './planning';
import { useJob } from '../job/jobStore';
import { looseJob } from '../job/looseJob';

const square = (side: number): Job => ({ ...jobOf([piece('fill', { area: `M0,0 h${side} v${side} h-${side} Z` })]), id: 'one' });
const widen = (job: Job): void => void (job.pieces[0]!.area = 'M0,0 h20 v10 h-20 Z');

describe('a second job in the page', () => {
  beforeEach(async () => {
    disk.wipe();
    await keepNewJob(square(10), {}, 1);
    await useJob.getState().load('one');
  });

  it('is changed and undone by itself, and kept nowhere', async () => {
    const [open, before] = [useJob.getState().job!, await keptStamp('one')];
    const tried = looseJob(open, { 'a.svg': '<svg/>' });
    tried.getState().change('Widen', widen);
    tried.getState().addArtwork('b.svg', '<svg/>');
    expect(tried.getState().job!.pieces[0]!.area).toContain('h20');
    expect(useJob.getState().job).toBe(open);
    expect(useJob.getState().history.past).toHaveLength(0);
    await useJob.getState().flush();
    expect(await keptStamp('one')).toEqual(before);
    expect((await keptJob('one'))!.job.pieces[0]!.area).toContain('h10');
    tried.getState().undo();
    expect(tried.getState().job).toEqual(open);
    tried.getState().redo();
    expect(tried.getState().job!.pieces[0]!.area).toContain('h20');
  });

  it('goes on while the open job may not be changed', () => {
    useJob.setState({ role: 'follower' });
    const tried = looseJob(useJob.getState().job!);
    tried.getState().change('Widen', widen);
    expect(tried.getState().job!.pieces[0]!.area).toContain('h20');
    useJob.setState({ role: 'editor' });
  });
});

/** What the engine does, in this thread: one planner, one sender, whoever asks. */
function engineHere() {
  const [planner, sender] = [new Planner(), new PlanSender()];
  const asked: Job[] = [];
  const call = async ({ job, held }: { job: Job; held: string | null }) => {
    await Promise.resolve();
    asked.push(job);
    const plan = planner.plan(job);
    return {
      plan: sender.wire(plan, held).wired,
      figures: measurePlan(job, plan),
      outlines: job.pieces.map((p) => p.area!),
      milliseconds: 1,
    };
  };
  return { asked, engine: { call: (_: 'plan', input: { job: Job; held: string | null }) => call(input) } as never };
}

const planStore = () => create<PlanState>(() => NOT_PLANNED);
const settled = async (): Promise<void> => {
  for (let i = 0; i < 50; i++) await Promise.resolve();
};

describe('plans of two jobs from one engine', () => {
  it('come each to its own, however they are asked for in turn', async () => {
    const { engine } = engineHere();
    const [mine, other] = [planStore(), planStore()];
    const [one, two] = [new Planning(engine, mine), new Planning(engine, other)];
    for (const side of [10, 12, 14]) {
      one.request(square(side));
      two.request(square(2 * side));
      await settled();
      for (const [state, job] of [
        [mine.getState(), square(side)],
        [other.getState(), square(2 * side)],
      ] as const) {
        expect(state.problem).toBeNull();
        const { plan } = state.planned!;
        const alone = new Planner().plan(job);
        expect([plan.x, plan.y, plan.command]).toEqual([alone.x, alone.y, alone.command]);
      }
    }
  });

  it('only the last of several requests is served after the one that runs', async () => {
    const { engine, asked } = engineHere();
    const mine = planStore();
    const planning = new Planning(engine, mine);
    const jobs = [10, 11, 12, 13].map(square);
    for (const job of jobs) planning.request(job);
    await settled();
    expect(asked).toEqual([jobs[0], jobs[3]]);
    expect(mine.getState()).toMatchObject({ of: jobs[3], version: 2, busy: false });
    planning.request(jobs[3]!);
    await settled();
    expect(asked).toHaveLength(2);
  });

  it('a plan that cannot be made is said, and the next one shows', async () => {
    let fails = true;
    const { engine } = engineHere();
    const { call } = engine as { call: (...all: unknown[]) => Promise<unknown> };
    const moody = { call: (...all: unknown[]) => (fails ? Promise.reject(new Error('no thread')) : call(...all)) } as never;
    const mine = planStore();
    const planning = new Planning(moody, mine);
    planning.request(square(10));
    await settled();
    expect(mine.getState()).toMatchObject({ problem: 'no thread', planned: null });
    fails = false;
    planning.request(square(11));
    await settled();
    expect(mine.getState()).toMatchObject({ problem: null, version: 1 });
  });
});

describe('a plan that was kept', () => {
  const keptOf = (job: Job) => {
    const plan = new Planner().plan(job);
    return { plan: new PlanSender().wire(plan, null).wired, figures: measurePlan(job, plan), outlines: job.pieces.map((p) => p.area!) };
  };
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('is shown at once, and made anew by what makes plans', async () => {
    const { engine, asked } = engineHere();
    const mine = planStore();
    const wired: string[] = [];
    const planning = new Planning(engine, mine, { part: () => undefined, wired: (w) => wired.push(w.version), planned: () => undefined });
    const job = square(10);
    expect(planning.adopt(job, keptOf(job))).toBe(true);
    expect(mine.getState()).toMatchObject({ of: job, version: 1, problem: null });
    expect(mine.getState().planned!.plan.x).toEqual(new Planner().plan(job).x);
    expect(asked).toHaveLength(0);
    planning.request(job);
    expect(asked).toHaveLength(0);
    await jest.advanceTimersByTimeAsync(3000);
    expect(asked).toEqual([job]);
    expect(mine.getState()).toMatchObject({ of: job, version: 2, problem: null });
    expect(new Set(wired).size).toBe(2);
  });

  it('an edit before that goes on from nothing, and is right', async () => {
    const { engine, asked } = engineHere();
    const mine = planStore();
    const planning = new Planning(engine, mine);
    const [job, edited] = [square(10), square(14)];
    planning.adopt(job, keptOf(job));
    planning.request(edited);
    await jest.advanceTimersByTimeAsync(3000);
    expect(asked).toEqual([edited]);
    expect(mine.getState().planned!.plan.x).toEqual(new Planner().plan(edited).x);
  });

  it('gives way to one that is there, or on its way', async () => {
    const { engine } = engineHere();
    const mine = planStore();
    const planning = new Planning(engine, mine);
    const job = square(10);
    planning.request(job);
    expect(planning.adopt(job, keptOf(job))).toBe(false);
    await jest.advanceTimersByTimeAsync(10);
    expect(planning.adopt(job, keptOf(job))).toBe(false);
    expect(mine.getState().version).toBe(1);
  });
});
