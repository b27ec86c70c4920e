import { transformedPiece } from '../editing/transform';
import type { Job, Piece } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { random } from '../units/random';
import { measurePlan } from './measure';
import { Planner } from './planner';
import type { StitchPlan } from './plan';
import { applyDelta, planDelta } from './delta';

type Roll = () => number;
const within = (roll: Roll, least: number, most: number): number => least + roll() * (most - least);
const oneOf = <T>(roll: Roll, all: readonly T[]): T => all[Math.floor(roll() * all.length)]!;
/** Made within a square of so many mm. */
function anyPiece(roll: Roll, sideMm = 50): Piece {
  const place = (of: Roll): string => [0, 0].map(() => within(of, -sideMm / 2, sideMm / 2).toFixed(2)).join(',');
  const thread = oneOf(roll, ['t1', 't1', 't2']);
  const [w, h] = [within(roll, 4, 18), within(roll, 4, 18)];
  return oneOf(roll, [
    () => piece('fill', { thread, area: `M${place(roll)} h${w} v${h} h${-w} Z` }, roll() < 0.5 ? { angle: Math.round(roll() * 180) } : {}),
    () => piece('satin', { thread, line: `M${place(roll)} l${w},${h - 10}`, width: within(roll, 1, 5) }),
    () => piece('run', { thread, line: `M${place(roll)} l${w},0 l0,${h}` }, { style: oneOf(roll, ['plain', 'double', 'bean']) }),
    () => piece('satin', { thread, line: `M${place(roll)} l${w},0`, width: 4 }, roll() < 0.3 ? { foam: 2 } : {}),
  ])();
}

const EDITS: readonly ((job: Job, i: number, roll: Roll) => Job)[] = [
  (job, i, roll) => put(job, i, transformedPiece(job.pieces[i]!, [1, 0, 0, 1, within(roll, -4, 4), within(roll, -4, 4)])),
  (job, i, roll) => put(job, i, { ...job.pieces[i]!, settings: { ...job.pieces[i]!.settings, spacing: within(roll, 0.3, 0.9) } }),
  (job, i, roll) => put(job, i, { ...job.pieces[i]!, thread: oneOf(roll, ['t1', 't2']) }),
  (job, i) => put(job, i, { ...job.pieces[i]!, stopBefore: !job.pieces[i]!.stopBefore }),
  (job, i, roll) => ({ ...job, pieces: job.pieces.toSpliced(i, 0, { ...anyPiece(roll), id: `n${Math.floor(roll() * 1e9)}` }) }),
  (job, i) => (job.pieces.length > 4 ? { ...job, pieces: job.pieces.toSpliced(i, 1) } : job),
  (job, i, roll) => {
    const pieces = job.pieces.toSpliced(i, 1);
    pieces.splice(Math.floor(roll() * pieces.length), 0, job.pieces[i]!);
    return { ...job, pieces };
  },
  (job, _, roll) => ({ ...job, settings: { ...job.settings, tieWhen: oneOf(roll, ['trims', 'always', 'never']) } }),
  (job, _, roll) => ({ ...job, brief: { ...job.brief, cloth: oneOf(roll, ['twill', 'pique', 'jersey']) } }),
];
const put = (job: Job, i: number, p: Piece): Job => ({ ...job, pieces: job.pieces.with(i, p) });

/** Events are compared by hand: a matcher takes long over hundreds of thousands of numbers. */
function expectSame(a: StitchPlan, b: StitchPlan): void {
  for (const name of ['x', 'y', 'command', 'role', 'piece', 'thread'] as const) {
    expect(a[name]).toHaveLength(b[name].length);
    expect(a[name].findIndex((v, i) => v !== b[name][i])).toBe(-1);
  }
  expect(JSON.stringify(a.pieces)).toBe(JSON.stringify(b.pieces));
}

/** Crowded jobs, in which everything touches, and wide ones, in which an edit leaves most alone; some on a ground. */
test.each([
  [1, 10, 45],
  [2, 12, 60],
  [3, 24, 120],
  [4, 40, 260],
  [5, 40, 320],
  [6, 30, 200],
])('after any edit a plan is what it would be made from nothing (%i)', (seed, pieces, sideMm) => {
  const roll = random(seed);
  const planner = new Planner();
  const ground = piece(
    'fill',
    { thread: 't1', area: `M${-sideMm / 4},${-sideMm / 4} h${sideMm / 2} v20 h${-sideMm / 2} Z` },
    { spacing: 0.5 },
  );
  const rest = Array.from({ length: pieces }, () => anyPiece(roll, sideMm));
  const start = jobOf(seed % 2 ? rest.toSpliced(seed, 0, ground) : rest);
  let job: Job = { ...start, threads: ['t1', 't2'].map((id) => ({ ...start.threads[0]!, id, code: id })) };
  let shown = planner.plan(job);
  const undo: Job[] = [];
  for (let n = 0; n < 30; n++) {
    if (undo.length > 3 && roll() < 0.2) job = undo.pop()!;
    else {
      undo.push(job);
      // Mostly edits that leave the order alone.
      job = oneOf(roll, roll() < 0.6 ? EDITS.slice(0, 2) : EDITS)(job, Math.floor(roll() * job.pieces.length), roll);
    }
    const plan = planner.plan(job);
    const anew = new Planner().plan(job);
    expectSame(plan, anew);
    expect(plan.pieces.reduce((sum, p) => sum + p.stitches, 0)).toBe(measurePlan(job, plan).stitches);
    expect(measurePlan(job, plan)).toEqual(measurePlan(job, { ...anew }));
    shown = applyDelta(shown, structuredClone(planDelta(shown, plan)));
    expectSame(shown, plan);
  }
});

test('a plan that is given up at any moment leaves nothing wrong behind', () => {
  const roll = random(77);
  const planner = new Planner();
  const start = jobOf(Array.from({ length: 16 }, () => anyPiece(roll, 90)));
  let job: Job = { ...start, threads: ['t1', 't2'].map((id) => ({ ...start.threads[0]!, id, code: id })) };
  let givenUp = 0;
  for (let n = 0; n < 40; n++) {
    job = oneOf(roll, EDITS)(job, Math.floor(roll() * job.pieces.length), roll);
    let left = Math.floor(roll() * 3 * job.pieces.length);
    try {
      planner.plan(job, () => {
        if (left-- === 0) throw new Error('given up');
      });
    } catch {
      givenUp++;
      if (roll() < 0.5) continue;
    }
    expectSame(planner.plan(job), new Planner().plan(job));
  }
  expect(givenUp).toBeGreaterThan(10);
});

test('what was not touched is not sent again', () => {
  const far = Array.from({ length: 30 }, (_, i) =>
    piece('fill', { area: `M${(i % 6) * 20 - 60},${Math.floor(i / 6) * 20 - 50} h10 v10 h-10 Z` }),
  );
  const job = jobOf(far);
  const planner = new Planner();
  const before = planner.plan(job);
  const after = planner.plan(put(job, 14, transformedPiece(job.pieces[14]!, [1, 0, 0, 1, 0.5, 0])));
  const delta = planDelta(before, after);
  expect(delta.middle.x.length).toBeLessThan(after.x.length / 10);
  expect(delta.pieces.filter((p) => typeof p !== 'number').length).toBeLessThan(5);
});
