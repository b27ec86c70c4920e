import fc from 'fast-check';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { Role } from '../stitches/roles';
import { prove } from './prove';

const LIMIT_DEG = 30;

/** The direction in which most of what is sewn in a role lies, degrees from 0 to 180. */
function sewnDirection(plan: ReturnType<Planner['plan']>, role: number): number {
  let [c, s] = [0, 0];
  for (let i = 1; i < plan.x.length; i++) {
    if (plan.role[i] !== role || plan.role[i - 1] !== role) continue;
    const [dx, dy] = [plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!];
    const mm = Math.hypot(dx, dy);
    if (mm < 2) continue;
    const twice = 2 * Math.atan2(-dy, dx);
    [c, s] = [c + mm * Math.cos(twice), s + mm * Math.sin(twice)];
  }
  return ((Math.atan2(s, c) * 90) / Math.PI + 180) % 180;
}

test('what lies along the cover as it is sewn is told, what lies across it is not', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 179 }),
      fc.constantFrom(undefined, ...Array.from({ length: 25 }, (_, k) => -180 + 15 * k)),
      fc.constantFrom('lattice', 'zigzag', 'double-zigzag'),
      (angle, own, kind) => {
        const layer = { kind: kind as 'lattice', ...(own === undefined ? {} : { angle: own }) };
        const job = jobOf([piece('fill', { area: 'M-15,-15 h30 v30 h-30 Z' }, { angle, underlay: [layer] })]);
        const planner = new Planner();
        const plan = planner.plan(job);
        const between = Math.abs(sewnDirection(plan, Role.cover) - sewnDirection(plan, Role.underlay)) % 180;
        const apart = Math.min(between, 180 - between);
        fc.pre(Math.abs(apart - LIMIT_DEG) > 4);
        const found = prove(job, planner, plan).find((f) => f.rule === 'underlay-along-cover');
        expect(found !== undefined).toBe(apart < LIMIT_DEG);
      },
    ),
    { seed: 12, numRuns: 40 },
  );
});
