import fc from 'fast-check';
import type { StitchPlan } from '../../plan/plan';
import { random } from '../../units/random';
import { Command } from '../../stitches/roles';
import { patch } from '../fixtures';
import { fitted } from './fitted';
import { requireField } from './field';
import { DEFAULT_PROFILE } from '../../document/shop/profile';
import { parseProfile } from '../../document/shop/profileSchema';

const counts = (plan: StitchPlan, c: number): number => plan.command.reduce((n, v) => n + (v === c ? 1 : 0), 0);
const planOf = (points: readonly (readonly [number, number, number])[]): StitchPlan => ({
  x: Float32Array.from(points, (p) => p[0]),
  y: Float32Array.from(points, (p) => p[1]),
  command: Uint8Array.from(points, (p) => p[2]),
  role: new Uint8Array(points.length),
  piece: new Uint16Array(points.length),
  thread: new Uint8Array(points.length),
  pieces: [{ from: 0, to: points.length, stitches: 0 } as StitchPlan['pieces'][number]],
});

test('a hundred thousand stitches on steps of 0.1 end within one step of the truth, and no place is farther than half a step', () => {
  const chance = random(5);
  let [x, y] = [0, 0];
  const points = Array.from({ length: 100_000 }, () => {
    [x, y] = [Math.max(-150, Math.min(150, x + 5 * (chance() - 0.5))), Math.max(-150, Math.min(150, y + 5 * (chance() - 0.5)))];
    return [x, y, Command.stitch] as const;
  });
  const { plan, leftOut } = fitted(planOf(points), DEFAULT_PROFILE);
  const n = plan.x.length - 1;
  const last = points[points.length - 1]!;
  expect(Math.hypot(plan.x[n]! - last[0], plan.y[n]! - last[1])).toBeLessThanOrEqual(0.1);
  expect(n + 1 + leftOut).toBe(points.length);
  const off = plan.x.reduce((worst, v) => Math.max(worst, Math.abs(v * 10 - Math.round(v * 10))), 0);
  expect(off).toBeLessThan(1e-3);
});

test('no stitch or move is longer than the machine makes, and what was short stays as it was', () => {
  const point = fc.tuple(
    fc.double({ min: -80, max: 80, noNaN: true }),
    fc.double({ min: -80, max: 80, noNaN: true }),
    fc.constantFrom<number>(Command.stitch, Command.jump),
  );
  fc.assert(
    fc.property(fc.array(point, { minLength: 2, maxLength: 30 }), fc.double({ min: 3, max: 12, noNaN: true }), (points, longest) => {
      const { plan } = fitted(planOf(points), { ...DEFAULT_PROFILE, longestStitch: longest, longestJump: longest });
      for (let i = 1; i < plan.x.length; i++)
        expect(Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!)).toBeLessThanOrEqual(longest + 1e-3);
      const near = (p: readonly [number, number, number]): boolean =>
        plan.x.some((x, i) => Math.abs(x - p[0]) <= 0.0501 && Math.abs(plan.y[i]! - p[1]) <= 0.0501);
      expect(points.every(near)).toBe(true);
    }),
    { seed: 6, numRuns: 60 },
  );
});

test('without a trimmer each cut is so many moves on the spot', () => {
  const { plan } = patch();
  const made = fitted(plan, { ...DEFAULT_PROFILE, trimmer: false, trimJumps: 4 });
  const trims = counts(plan, Command.trim);
  expect(counts(made.plan, Command.trim)).toBe(0);
  expect(made.trimsAsJumps).toBe(trims);
  expect(counts(made.plan, Command.jump)).toBeGreaterThanOrEqual(counts(plan, Command.jump) + 4 * trims);
  expect(counts(made.plan, Command.stop)).toBe(counts(plan, Command.stop));
});

test('a plan on the machine’s own steps and within its limits is left as it is', () => {
  const { plan } = patch();
  const made = fitted(plan, { ...DEFAULT_PROFILE, step: 0.001, longestStitch: 30, longestJump: 1000 });
  expect([...made.plan.x]).toEqual([...plan.x]);
  expect([...made.plan.command]).toEqual([...plan.command]);
  expect(made.plan.pieces.map((p) => [p.from, p.to, p.stitches])).toEqual(plan.pieces.map((p) => [p.from, p.to, p.stitches]));
});

test('a field that is too small is said with both sizes', () => {
  const { plan } = patch();
  expect(() => requireField(plan, { ...DEFAULT_PROFILE, field: { width: 20, height: 90, shape: 'rect' } })).toThrow(/20 x 90/);
  expect(() => requireField(plan, DEFAULT_PROFILE)).not.toThrow();
});

test('a profile needs nothing but its name, and what cannot be is refused', () => {
  expect(parseProfile({ name: 'Ours' })).toEqual({ ...DEFAULT_PROFILE, name: 'Ours' });
  expect(() => parseProfile({ words: { needle: 'drop table' } })).toThrow(/capital letter/);
  expect(() => parseProfile({ step: 0 })).toThrow(/step/);
  expect(() => parseProfile(null)).toThrow();
});
