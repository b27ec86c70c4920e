import { Planner } from '../plan/planner';
import { jobOf, piece } from '../pieces/fixtures';
import { strokesOf } from './strokes';

const square = (x: number) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z` });
const made = jobOf([square(0), square(30), square(60)]);
const job = { ...made, pieces: made.pieces.map((p, i) => ({ ...p, id: `p${i}` })) };

test('the pieces asked for, each in its own thread, within their own outline', () => {
  const plan = new Planner().plan(job);
  const looks = job.threads.map((t) => ({ hex: t.hex, widthMm: 0.4 }));
  const strokes = strokesOf(plan, ['p2', 'p0'], looks);
  expect(strokes.map((s) => s.id)).toEqual(['p0', 'p2']);
  const xs = strokes.map(({ d }) => [...d.matchAll(/[ML](-?[\d.]+),/g)].map((m) => Number(m[1])));
  // Compensation makes them a little wider.
  for (const x of xs[0]!.slice(5)) expect(x).toBeLessThan(12);
  for (const x of xs[1]!.slice(5)) expect(x).toBeGreaterThan(58);
  expect(xs[0]!.length).toBe(plan.pieces[0]!.to - plan.pieces[0]!.from);
  expect(strokesOf(plan, [], looks)).toEqual([]);
});
