import { jobOf, piece } from '@/core/pieces/fixtures';
import { Planner } from '@/core/plan/planner';
import { Role } from '@/core/stitches/roles';
import { waysIn } from './innerWays';

const planOf = (area: string) => new Planner().plan(jobOf([piece('fill', { area }, { angle: 0 })]));

test('a piece that is sewn in one go has no way inside but that to its first row', () => {
  const plan = planOf('M0,0 h20 v10 h-20 Z');
  const [{ from, to }] = plan.pieces as [(typeof plan.pieces)[number]];
  expect(waysIn(plan, from, to).length).toBeLessThanOrEqual(1);
});

test('the ways of a branched piece are those of its travels, each from where the needle stood to where it sews on', () => {
  const plan = planOf('M0,0 h6 v20 h6 v-20 h6 v20 h6 v-20 h6 v26 h-30 Z');
  const { from, to } = plan.pieces[0]!;
  const ways = waysIn(plan, from, to);
  expect(ways.length).toBeGreaterThan(1);
  let legs = 0;
  for (let i = from + 1; i < to; i++) if (plan.role[i] === Role.travel && plan.role[i - 1] !== Role.travel) legs++;
  expect(Math.abs(ways.length - legs)).toBeLessThanOrEqual(1);
  for (const way of ways) expect(way.match(/L/g)!.length).toBeGreaterThanOrEqual(1);
});
