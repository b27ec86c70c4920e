import fc from 'fast-check';
import { jobOf, piece } from '../../pieces/fixtures';
import { Planner } from '../../plan/planner';
import type { StitchPlan } from '../../plan/plan';
import { Command } from '../../stitches/roles';
import { arrange, sewnBox } from './arrange';
import { copyMatrix, placedPoint } from './copy';
import { arrangeMixed, type MixedPlace, type Wanted } from './mixed';

const planner = new Planner();
const box = (w: number, h: number): StitchPlan => planner.plan(jobOf([piece('run', { line: `M0,0 h${w} v${h} h${-w} Z` })]));
const corner = (size: number): StitchPlan => planner.plan(jobOf([piece('run', { line: `M0,0 L${size},0 L0,${size} Z` })]));
const rect = (width: number, height: number) => ({ width, height, shape: 'rect' as const });

const points = (plan: StitchPlan, at: MixedPlace['at']): { x: number; y: number }[] => {
  const m = copyMatrix(at);
  return Array.from(plan.x, (x, i) => placedPoint(m, { x, y: plan.y[i]! })).filter((_, i) => plan.command[i] === Command.stitch);
};

/** The nearest that penetrations of two copies come to each other, mm. */
function nearest(wanted: readonly Wanted[], places: readonly MixedPlace[]): number {
  const all = places.map((p) => points(wanted[p.design]!.plan, p.at));
  let least = Infinity;
  for (let a = 0; a < all.length; a++)
    for (let b = a + 1; b < all.length; b++)
      for (const p of all[a]!) for (const q of all[b]!) least = Math.min(least, Math.hypot(p.x - q.x, p.y - q.y));
  return least;
}

const sizes = fc.record({ w: fc.integer({ min: 8, max: 40 }), h: fc.integer({ min: 6, max: 30 }), copies: fc.integer({ min: 0, max: 3 }) });

test('random designs: each as often as asked, none nearer to another than the gap or to the edge than the foot needs', () => {
  let laidOut = 0;
  fc.assert(
    fc.property(fc.array(sizes, { minLength: 1, maxLength: 4 }), fc.integer({ min: 0, max: 8 }), fc.boolean(), (designs, gapMm, nest) => {
      const wanted = designs.map(({ w, h, copies }, i) => ({ plan: i % 2 ? corner(w) : box(w, h), copies }));
      let places: MixedPlace[];
      try {
        places = arrangeMixed(wanted, { hoop: rect(140, 110), gapMm, edgeMm: 5 }, nest);
      } catch (error) {
        expect((error as Error).message).toMatch(/\d+ would/);
        return;
      }
      laidOut++;
      expect(wanted.map((_, d) => places.filter((p) => p.design === d).length)).toEqual(wanted.map((w) => w.copies));
      expect(nearest(wanted, places)).toBeGreaterThanOrEqual(gapMm - 0.001);
      const outside = places
        .flatMap((p) => points(wanted[p.design]!.plan, p.at))
        .filter((p) => Math.abs(p.x) > 65.01 || Math.abs(p.y) > 50.01);
      expect(outside).toEqual([]);
    }),
    { numRuns: 25 },
  );
  expect(laidOut).toBeGreaterThan(8);
});

/** Least height of any way of dividing an ordered list into rows no longer than the field, by trying all. */
function leastHeight(boxes: readonly { w: number; h: number }[], width: number, gap: number): number {
  let least = Infinity;
  for (let cuts = 0; cuts < 1 << (boxes.length - 1); cuts++) {
    const rows: { w: number; h: number }[][] = [[]];
    boxes.forEach((b, i) => {
      rows[rows.length - 1]!.push(b);
      if (cuts & (1 << i)) rows.push([]);
    });
    const full = rows.filter((r) => r.length > 0);
    if (full.some((r) => r.reduce((sum, b) => sum + b.w + gap, -gap) > width)) continue;
    least = Math.min(
      least,
      full.reduce((sum, r) => sum + Math.max(...r.map((b) => b.h)) + gap, -gap),
    );
  }
  return least;
}

test('rows in the order of the list are found whenever any division into rows fits, up to eight designs', () => {
  fc.assert(
    fc.property(fc.array(sizes, { minLength: 2, maxLength: 8 }), fc.integer({ min: 60, max: 130 }), (designs, width) => {
      const wanted = designs.map(({ w, h }) => ({ plan: box(w, h), copies: 1 }));
      const boxes = wanted.map(({ plan }) => {
        const b = sewnBox(plan, { turn: 0 });
        return { w: b.maxX - b.minX, h: b.maxY - b.minY };
      });
      const height = leastHeight(boxes, width - 10, 4);
      if (!Number.isFinite(height)) return;
      const places = arrangeMixed(wanted, { hoop: rect(width, height + 10.05), gapMm: 4, edgeMm: 5 }, false);
      // In rows nothing is turned, and the list reads as it was written.
      expect(places.map((p) => [p.design, p.at.turn])).toEqual(designs.map((_, i) => [i, 0]));
      const ahead = places.slice(1).every((p, i) => p.at.y > places[i]!.at.y - 30 || p.at.x > places[i]!.at.x);
      expect(ahead).toBe(true);
    }),
    { numRuns: 40 },
  );
});

test('designs of one size: as many find room as copies of one design do', () => {
  for (const [w, h, hoop] of [
    [20, 12, rect(100, 100)],
    [33, 21, rect(200, 140)],
    [11, 40, rect(130, 180)],
  ] as const) {
    const plan = box(w, h);
    const columns = Math.floor((hoop.width - 10 + 4) / (w + 4.02));
    const rows = Math.floor((hoop.height - 10 + 4) / (h + 4.02));
    expect(arrange(plan, { copies: columns * rows, hoop, gapMm: 4, edgeMm: 5, nest: 'never' })).toHaveLength(columns * rows);
    const wanted = Array.from({ length: columns * rows }, () => ({ plan, copies: 1 }));
    expect(arrangeMixed(wanted, { hoop, gapMm: 4, edgeMm: 5 }, false)).toHaveLength(columns * rows);
  }
});

test('by outline, two corners share the room of one square', () => {
  const wanted = [
    { plan: corner(40), copies: 1 },
    { plan: corner(38), copies: 1 },
  ];
  const room = { hoop: rect(64, 64), gapMm: 2, edgeMm: 5 };
  const places = arrangeMixed(wanted, room, false);
  expect(places.some((p) => p.at.turn !== 0)).toBe(true);
  expect(nearest(wanted, places)).toBeGreaterThanOrEqual(2);
});
