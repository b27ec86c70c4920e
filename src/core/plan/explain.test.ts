import type { Job } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from './planner';
import { explainCuts } from './explain';
import { measurePlan } from './measure';

const square = (x: number, thread = 't1') => piece('fill', { thread, area: `M${x},0 h8 v8 h-8 Z` });
const cuts = (job: Job) => explainCuts(job, new Planner().plan(job));

test('every cut has its reason, and there are as many as the plan has', () => {
  const job = jobOf([square(0), square(30), square(60, 't2')]);
  expect(cuts(job).map((c) => c.reason)).toEqual(['open', 'thread', 'end']);
  expect(cuts(job)).toHaveLength(measurePlan(job, new Planner().plan(job)).trims);
  expect(cuts(job)[0]!.words).toContain('no later cover');
  expect(cuts(job)[0]!.shownMm).toBeGreaterThan(10);
});

test('what is offered really saves the cut: a visible travel, a bridge beneath', () => {
  const job = jobOf([square(0), square(12)]);
  expect(cuts(job)[0]!.remedies).toEqual(['allow-travel', 'bridge']);
  const allowed = { ...job, pieces: job.pieces.map((p, i) => (i === 1 ? { ...p, approach: { how: 'travel' as const } } : p)) };
  expect(cuts(allowed).map((c) => c.reason)).toEqual(['end']);
});

test('a pinned end that costs a cut is named, and letting it go saves the cut', () => {
  const job = jobOf([square(0), square(8.5)]);
  expect(cuts(job).map((c) => c.reason)).toEqual(['end']);
  const pinned = { ...job, pieces: job.pieces.map((p, i) => (i === 0 ? { ...p, end: [0, 4] as [number, number] } : p)) };
  const [first] = cuts(pinned);
  expect(first).toMatchObject({ reason: 'open' });
  expect(first!.remedies[0]).toBe('free-ends');
});

test('a cut that was asked for, a stop, and parts that do not touch', () => {
  const asked = jobOf([square(0), { ...square(8.5), approach: { how: 'trim' } }]);
  expect(cuts(asked)[0]).toMatchObject({ reason: 'asked', remedies: ['free-ends'] });
  const stop = jobOf([square(0), { ...square(8.5), stopBefore: true }]);
  expect(cuts(stop)[0]!.reason).toBe('stop');
  const two = jobOf([piece('fill', { area: 'M0,0 h8 v8 h-8 Z M30,0 h8 v8 h-8 Z' })]);
  expect(cuts(two).map((c) => c.reason)).toEqual(['parts', 'end']);
});
