import { Planner } from '../plan/planner';
import { jobOf, piece } from '../pieces/fixtures';
import type { Job } from '../document/types';
import { recipeFor } from '../cloth/house';
import { sewnChanges } from './sewn';

const square = (x: number, settings = {}) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z` }, settings);
const on = (job: Job, cloth: string): Job => ({ ...job, brief: { ...job.brief, cloth: cloth as never } });
const planned = (job: Job) => new Planner().plan(job).pieces;
const base = jobOf([square(0), square(20), square(40, { pullComp: 0.9, spacing: 0.5 })]);
const job: Job = { ...base, pieces: base.pieces.map((p, i) => ({ ...p, id: `p${i}` })) };

test('nothing between a plan and itself', () => {
  expect(sewnChanges(planned(job), planned(job))).toEqual([]);
});

test('another cloth tells for each piece what it brought, from its recipes; what was set by hand stays', () => {
  const [twill, fleece] = [on(job, 'twill'), on(job, 'fleece')];
  const [a, b] = [recipeFor(twill.brief), recipeFor(fleece.brief)];
  expect(a.pullComp).not.toBe(b.pullComp);
  const changes = sewnChanges(planned(twill), planned(fleece));
  const of = (id: string) => changes.find((c) => c.ids.includes(id))?.what ?? [];
  const pull = of('p0').find((w) => w.label === 'Pull comp.')!;
  // A row as short as these takes less of it, on either cloth alike.
  expect(parseFloat(pull.to) / parseFloat(pull.from)).toBeCloseTo(b.pullComp / a.pullComp, 0);
  expect(parseFloat(pull.to) > parseFloat(pull.from)).toBe(b.pullComp > a.pullComp);
  expect(pull.to).toMatch(/^\d\.\d\d mm$/);
  expect(changes.find((c) => c.ids.includes('p0'))!.ids).toContain('p1');
  expect(of('p2').map((w) => w.label)).not.toContain('Pull comp.');
  expect(of('p2').map((w) => w.label)).not.toContain('Spacing');
});

test('pieces that only one of them has are left to the list of pieces', () => {
  const more = { ...job, pieces: [...job.pieces, { ...square(60), id: 'new' }] };
  expect(sewnChanges(planned(job), planned(more))).toEqual([]);
});
