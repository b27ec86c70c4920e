import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { drawNeedle, drawPath } from './looks';
import { makeRaster, type Raster } from './raster';
import { Role } from '../stitches/roles';

const RED = [{ r: 200, g: 0, b: 0 }];
const drawn = (r: Raster): number => {
  let n = 0;
  for (let i = 3; i < r.data.length; i += 4) if (r.data[i]! > 40) n++;
  return n;
};

test('the needle look marks every penetration, so it shows more the nearer one looks', () => {
  const plan = new Planner().plan(jobOf([piece('run', { line: 'M1,5 L19,5' }, { style: 'plain', stitchLength: 3 })]));
  const r = makeRaster(400, 200, 20, 0, 0);
  drawNeedle(r, plan, RED, 0, plan.x.length, () => true);
  const at = (x: number, y: number) => r.data[(Math.round(y * 20) * 400 + Math.round(x * 20)) * 4]!;
  expect(at(4, 5)).toBeLessThan(100);
  expect(at(2.5, 5)).toBeGreaterThan(150);
});

test('the path look shows travels dark and dotted, cover faint', () => {
  const bars = [piece('satin', { line: 'M2,4 H8', width: 3 }), piece('satin', { line: 'M22,4 H28', width: 3 })];
  const plan = new Planner().plan(jobOf(bars));
  const r = makeRaster(600, 160, 20, 0, 0);
  drawPath(r, plan, RED, 0, plan.x.length, () => true);
  expect(drawn(r)).toBeGreaterThan(300);
  const hidden = makeRaster(600, 160, 20, 0, 0);
  drawPath(hidden, plan, RED, 0, plan.x.length, () => false);
  expect(drawn(hidden)).toBe(0);
});

test('ways inside a piece stay faint in the path look, drawn at once or in parts; those between pieces are ink', () => {
  const comb = piece('fill', { area: 'M1,1 h3 v14 h4 v-14 h3 v14 h4 v-14 h3 v18 h-17 Z' }, { angle: 0 });
  const plan = new Planner().plan(jobOf([comb]));
  const made = (step: number): Raster => {
    const r = makeRaster(400, 420, 20, 0, 0);
    for (let from = 0; from < plan.x.length; from += step) drawPath(r, plan, RED, from, Math.min(plan.x.length, from + step), () => true);
    return r;
  };
  const whole = made(plan.x.length);
  // Ink is dark, rows and what stays faint are red: only the way to the first row is ink.
  const begun = plan.role.findIndex((role) => role === Role.cover || role === Role.underlay);
  const waysPx = (from: number, to: number): number => {
    let mm = 0;
    for (let i = from; i < to; i++)
      if (plan.role[i] === Role.travel) mm += Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
    return 20 * mm;
  };
  let dark = 0;
  for (let i = 0; i < whole.data.length; i += 4) if (whole.data[i + 3]! > 200 && whole.data[i]! < 60) dark++;
  expect(waysPx(begun, plan.x.length)).toBeGreaterThan(400);
  expect(dark).toBeLessThanOrEqual(waysPx(1, begun) + 40);
  expect(Buffer.from(made(41).data).equals(Buffer.from(whole.data))).toBe(true);
});
