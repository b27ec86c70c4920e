import fc from 'fast-check';
import type { CopyPlace } from '../../document/types';
import { jobOf, piece } from '../../pieces/fixtures';
import type { StitchPlan } from '../../plan/plan';
import { Command } from '../../stitches/roles';
import { patch, planned } from '../fixtures';
import { arrange, arrangeMost } from './arrange';
import { copyMatrix, placedPoint } from './copy';

const stitched = (plan: StitchPlan, at: CopyPlace): { x: number; y: number }[] => {
  const m = copyMatrix(at);
  return Array.from(plan.x, (x, i) => placedPoint(m, { x, y: plan.y[i]! })).filter((_, i) => plan.command[i] === Command.stitch);
};

/** Whether penetrations of two copies come nearer than so many mm: looked up in squares of that size. */
const comeNearer = (plan: StitchPlan, places: readonly CopyPlace[], mm: number): boolean => {
  const squares = new Map<string, { x: number; y: number; copy: number }[]>();
  const key = (x: number, y: number): string => `${Math.floor(x / mm)} ${Math.floor(y / mm)}`;
  return places.some((at, copy) =>
    stitched(plan, at).some(({ x, y }) => {
      for (const dx of [-mm, 0, mm])
        for (const dy of [-mm, 0, mm])
          for (const q of squares.get(key(x + dx, y + dy)) ?? []) if (q.copy !== copy && Math.hypot(q.x - x, q.y - y) < mm) return true;
      squares.set(key(x, y), [...(squares.get(key(x, y)) ?? []), { x, y, copy }]);
      return false;
    }),
  );
};

const triangle = planned(jobOf([piece('run', { line: 'M0,0 L30,0 L0,30 Z' })]));

test('six patches find their rows and columns, in the middle, clear of each other and of the edge', () => {
  const { plan } = patch(14);
  const hoop = { width: 120, height: 90, shape: 'rect' } as const;
  const places = arrange(plan, { copies: 6, hoop, gapMm: 4, edgeMm: 5 });
  expect(places).toHaveLength(6);
  expect(comeNearer(plan, places, 3.999)).toBe(false);
  const all = places.flatMap((p) => stitched(plan, p));
  for (const p of all) expect(Math.abs(p.x) <= 55.001 && Math.abs(p.y) <= 40.001).toBe(true);
  const mean = (v: readonly number[]): number => (Math.max(...v) + Math.min(...v)) / 2;
  expect(mean(all.map((p) => p.x))).toBeCloseTo(0, 1);
  expect(mean(all.map((p) => p.y))).toBeCloseTo(0, 1);
});

test('a grid that was asked for is kept, and refused with the number that fits', () => {
  const { plan } = patch(14);
  const room = { hoop: { width: 120, height: 90, shape: 'rect' }, gapMm: 4, edgeMm: 5 } as const;
  const places = arrange(plan, { ...room, copies: 3, grid: { columns: 3, rows: 1 } });
  expect(new Set(places.map((p) => p.y.toFixed(3))).size).toBe(1);
  expect(() => arrange(plan, { ...room, copies: 8, grid: { columns: 4, rows: 2 } })).toThrow(/6 would/);
});

test('triangles nest: more of them than rows of their boxes hold, with the gap kept', () => {
  const { plan } = triangle;
  const room = { hoop: { width: 130, height: 100, shape: 'rect' }, gapMm: 2, edgeMm: 5 } as const;
  const rows = arrangeMost(plan, room, false);
  const nested = arrangeMost(plan, room, true);
  expect(rows).toHaveLength(6);
  expect(nested.length).toBeGreaterThanOrEqual(10);
  expect(comeNearer(plan, nested, 2)).toBe(false);
});

test('whatever shape, gap and hoop: copies keep the gap and the edge, nesting never holds fewer than rows, areas never exceed the field', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 40 }),
      fc.integer({ min: 8, max: 40 }),
      fc.integer({ min: 0, max: 30 }),
      fc.constantFrom(1, 3, 6),
      fc.constantFrom('rect' as const, 'round' as const),
      (w, h, notch, gapMm, shape) => {
        const { plan } = planned(jobOf([piece('run', { line: `M0,0 h${w} v${h} L${Math.min(notch, w)},${h / 2} Z` })]));
        const hoop = { width: 110, height: shape === 'round' ? 110 : 80, shape };
        const room = { hoop, gapMm, edgeMm: 5 };
        const rows = arrangeMost(plan, room, false);
        const nested = arrangeMost(plan, room, true);
        expect(nested.length).toBeGreaterThanOrEqual(rows.length);
        for (const places of [rows, nested]) {
          expect(comeNearer(plan, places, gapMm - 1e-3)).toBe(false);
          const [a, b] = [hoop.width / 2 - 5, hoop.height / 2 - 5];
          const far = places.flatMap((at) =>
            stitched(plan, at).map((p) =>
              shape === 'round' ? Math.hypot(p.x / a, p.y / b) : Math.max(Math.abs(p.x) / a, Math.abs(p.y) / b),
            ),
          );
          expect(Math.max(0, ...far)).toBeLessThanOrEqual(1.001);
        }
      },
    ),
    { numRuns: 6, seed: 21 },
  );
});

test('round patches lie in the hollows of the row before: in a round hoop of four diameters and a little there are twelve, as many as there can be', () => {
  const { plan } = planned(jobOf([piece('run', { line: 'M10,0 A10,10 0 1 1 -10,0 A10,10 0 1 1 10,0 Z' })]));
  const room = { hoop: { width: 101, height: 101, shape: 'round' }, gapMm: 1, edgeMm: 5 } as const;
  expect(arrangeMost(plan, room, false).length).toBeLessThanOrEqual(9);
  const nested = arrangeMost(plan, room, true);
  expect(nested.length).toBeGreaterThanOrEqual(12);
  expect(comeNearer(plan, nested, 1)).toBe(false);
});

test('every other copy is turned or mirrored where that is asked for', () => {
  const { plan } = triangle;
  const room = { hoop: { width: 130, height: 100, shape: 'rect' }, gapMm: 2, edgeMm: 5, copies: 4, grid: { columns: 2, rows: 2 } } as const;
  expect(arrange(plan, { ...room, alternate: 'turn' }).map((p) => p.turn)).toEqual([0, 180, 180, 0]);
  expect(arrange(plan, { ...room, alternate: 'mirror' }).map((p) => p.mirror ?? false)).toEqual([false, true, true, false]);
});
