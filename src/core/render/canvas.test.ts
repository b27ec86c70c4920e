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

describe('a plan that is drawn while it is made', () => {
  const [before, after] = [squares(10), squares(40)];
  const planner = new Planner();
  const [old, plan] = [planner.plan(before), planner.plan(after)];
  const part = (from: number, to: number, overlap: number): Parameters<Canvas['grow']>[0]['events'] => {
    const cut = <T extends { slice(a: number, b: number): T }>(c: T): T => c.slice(from - overlap, to);
    return {
      x: cut(plan.x),
      y: cut(plan.y),
      command: cut(plan.command),
      role: cut(plan.role),
      piece: cut(plan.piece),
      thread: cut(plan.thread),
    };
  };
  /** Shows the old plan, then grows the new one to a number of events. */
  function grown(seen: View, cuts: readonly number[], hidden: readonly number[] = []): Canvas {
    const canvas = new Canvas();
    canvas.show(old, looksOf(before), [], null);
    canvas.picture({ ...seen, until: seen.until === plan.x.length ? old.x.length : seen.until });
    cuts.forEach((to, i) => {
      const from = cuts[i - 1] ?? 0;
      const overlap = Math.min(2, from);
      canvas.grow({ version: 'v', first: i === 0, overlap, events: part(from, to, overlap) }, looksOf(after), hidden);
    });
    return canvas;
  }
  const delta = planDelta(old, plan);
  const n = plan.x.length;

  test.each([[[n - 40]], [[500, 501, 502, 1700]], [[3, n]], [[1]]])('is drawn as from nothing (%j)', (cuts) => {
    const canvas = grown(view(plan, 'thread'), cuts);
    canvas.show(plan, looksOf(after), [], delta, 'v');
    expect(equal(canvas.picture(view(plan, 'thread')).data, anew(plan, after, view(plan, 'thread')))).toBe(true);
    // And goes on from there.
    const moved = { ...after, pieces: after.pieces.with(4, transformedPiece(after.pieces[4]!, [1, 0, 0, 1, 2, 1])) };
    const next = planner.plan(moved);
    canvas.show(next, looksOf(moved), [], planDelta(plan, next), 'w');
    expect(equal(canvas.picture(view(next, 'thread')).data, anew(next, moved, view(next, 'thread')))).toBe(true);
  });

  test('is drawn anew when another plan comes, the view moves or something is hidden meanwhile', () => {
    const seen = view(plan, 'thread');
    const other = grown(seen, [900]);
    other.show(plan, looksOf(after), [], delta, 'another');
    expect(equal(other.picture(seen).data, anew(plan, after, seen))).toBe(true);

    const moved = grown(seen, [900]);
    const aside = { ...seen, left: 4 };
    moved.picture({ ...aside, until: old.x.length });
    moved.show(plan, looksOf(after), [], delta, 'v');
    expect(equal(moved.picture(aside).data, anew(plan, after, aside))).toBe(true);

    const hiding = grown(seen, [900]);
    hiding.show(plan, looksOf(after), [3], delta, 'v');
    expect(equal(hiding.picture(seen).data, anew(plan, after, seen, [3]))).toBe(true);
  });

  test.each(['needle', 'path', 'weight'] as const)('waits for the whole of it in other looks (%s)', (look) => {
    const canvas = grown(view(plan, look), [700, 1500]);
    canvas.show(plan, looksOf(after), [], delta, 'v');
    expect(equal(canvas.picture(view(plan, look)).data, anew(plan, after, view(plan, look)))).toBe(true);
  });

  test('is not shown before it is done', () => {
    const canvas = grown(view(plan, 'thread'), [900]);
    const seen = view(old, 'thread');
    expect(equal(canvas.picture(seen).data, anew(old, before, seen))).toBe(true);
  });
});
