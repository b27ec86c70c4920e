import { transformedPiece } from '../editing/transform';
import type { Job } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { planDelta } from '../plan/delta';
import type { StitchPlan } from '../plan/plan';
import { Canvas, type View } from './canvas';
import type { Look } from './looks';
import { looksOf } from './picture';

const squares = (angle: number): Job =>
  jobOf(
    Array.from({ length: 9 }, (_, i) =>
      piece(
        i % 4 === 3 ? 'run' : 'fill',
        {
          thread: i % 2 ? 't1' : 't2',
          ...(i % 4 === 3
            ? { line: `M${(i % 3) * 11},${Math.floor(i / 3) * 11} l9,7` }
            : { area: `M${(i % 3) * 11},${Math.floor(i / 3) * 11} h12 v12 h-12 Z` }),
        },
        i % 4 === 3 ? { style: 'bean' } : { angle: angle + i * 20 },
      ),
    ),
  );
const view = (plan: StitchPlan, look: Look, part: Partial<View> = {}): View => ({
  width: 260,
  height: 220,
  scale: 6,
  left: -3,
  top: -2,
  until: plan.x.length,
  look,
  ...part,
});
const anew = (plan: StitchPlan, job: Job, seen: View, hidden: readonly number[] = []): Uint8ClampedArray => {
  const canvas = new Canvas();
  canvas.show(plan, looksOf(job), hidden, null);
  return canvas.picture(seen).data;
};
const equal = (a: Uint8ClampedArray, b: Uint8ClampedArray): boolean => a.length === b.length && a.every((v, i) => v === b[i]);

test.each(['thread', 'needle', 'path', 'weight'] as const)('after edits the picture is the one drawn from nothing (%s)', (look) => {
  const [canvas, planner] = [new Canvas(), new Planner()];
  let job = squares(10);
  let plan = planner.plan(job);
  canvas.show(plan, looksOf(job), [], null);
  expect(equal(canvas.picture(view(plan, look)).data, anew(plan, job, view(plan, look)))).toBe(true);
  for (let n = 0; n < 14; n++) {
    const i = (n * 5) % job.pieces.length;
    const pieces =
      n === 6
        ? job.pieces.toSpliced(4, 1)
        : job.pieces.with(i, transformedPiece(job.pieces[i]!, [1, 0, 0, 1, 0.7 * (n % 3), 1.3 - (n % 4)]));
    job = { ...job, pieces };
    const next = planner.plan(job);
    canvas.show(next, looksOf(job), [], planDelta(plan, next));
    plan = next;
    // Zoomed in now and then, so that changes lie partly or wholly outside.
    const seen = view(plan, look, n % 5 === 4 ? { scale: 14, left: 8, top: 9 } : {});
    expect(equal(canvas.picture(seen).data, anew(plan, job, seen))).toBe(true);
  }
});

test('sewing on, hiding and going back show what they would from nothing', () => {
  const canvas = new Canvas();
  const job = squares(0);
  const plan = new Planner().plan(job);
  canvas.show(plan, looksOf(job), [], null);
  for (const until of [0, 100, 101, 700, plan.x.length, 300]) {
    expect(equal(canvas.picture(view(plan, 'thread', { until })).data, anew(plan, job, view(plan, 'thread', { until })))).toBe(true);
  }
  canvas.hide([2, 5]);
  expect(equal(canvas.picture(view(plan, 'thread')).data, anew(plan, job, view(plan, 'thread'), [2, 5]))).toBe(true);
});

test('another thread colour is seen everywhere', () => {
  const [canvas, planner] = [new Canvas(), new Planner()];
  const job = squares(30);
  const plan = planner.plan(job);
  canvas.show(plan, looksOf(job), [], null);
  canvas.picture(view(plan, 'thread'));
  const other = { ...job, threads: job.threads.map((t) => ({ ...t, hex: '#a03020' })) };
  const next = planner.plan(other);
  canvas.show(next, looksOf(other), [], planDelta(plan, next));
  expect(equal(canvas.picture(view(next, 'thread')).data, anew(next, other, view(next, 'thread')))).toBe(true);
});
