import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { drawNeedle, drawPath } from './looks';
import { makeRaster, type Raster } from './raster';

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
