import fc from 'fast-check';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { Command, Role } from '../stitches/roles';
import { coverOf, driftOf, edgeOfCover } from './rowEnds';

const job = jobOf([
  piece('fill', { area: 'M-12,-9 H10 V4 L2,9 H-12 Z' }, { angle: 20 }),
  piece('satin', { sides: ['M14,-9 V9', 'M18,-9 V9'] }),
  piece('run', { line: 'M-12,12 H12' }, { style: 'plain' }),
]);
const plan = new Planner().plan(job);
const BITE = 0.2;

/** Where the outermost cover hole of a piece lies along `out`, looked for among all of them. */
function outermost(index: number, at: { x: number; y: number }, out: { x: number; y: number }): number {
  let best = -Infinity;
  const { from, to } = plan.pieces[index]!;
  for (let i = from; i < to; i++) {
    if (plan.command[i] !== Command.stitch || plan.role[i] !== Role.cover) continue;
    const [dx, dy] = [plan.x[i]! - at.x, plan.y[i]! - at.y];
    const depth = dx * out.x + dy * out.y;
    if (Math.abs(dy * out.x - dx * out.y) <= 0.8 && Math.abs(depth) <= 2.5) best = Math.max(best, depth);
  }
  return best;
}

test('the edge of the cover is its outermost hole, or as much farther as half of half a thread', () => {
  const cover = coverOf(plan, 0)!;
  let found = 0;
  fc.assert(
    fc.property(
      fc.double({ min: -14, max: 12, noNaN: true }),
      fc.double({ min: -11, max: 11, noNaN: true }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      (x, y, angle) => {
        const place = { at: { x, y }, out: { x: Math.cos(angle), y: Math.sin(angle) } };
        const edge = edgeOfCover(plan, cover, place, BITE, 1);
        const depth = outermost(0, place.at, place.out);
        expect(edge === null).toBe(depth === -Infinity);
        if (!edge) return;
        found++;
        expect(edge.laidMm).toBeGreaterThanOrEqual(depth - 1e-9);
        expect(edge.laidMm).toBeLessThanOrEqual(depth + 0.1 + 1e-9);
        expect(edge.bittenMm).toBeGreaterThanOrEqual(0);
        expect(edge.bittenMm).toBeLessThanOrEqual(BITE);
      },
    ),
    { seed: 51, numRuns: 400 },
  );
  expect(found).toBeGreaterThan(200);
});

test('a row that ends at the edge is bitten, one that runs along it is not', () => {
  const satin = coverOf(plan, 1)!;
  const side = edgeOfCover(plan, satin, { at: { x: 18, y: 0 }, out: { x: 1, y: 0 } }, BITE, 1)!;
  expect(side.bittenMm).toBeGreaterThan(0.7 * BITE);
  const end = edgeOfCover(plan, satin, { at: { x: 17.8, y: 9 }, out: { x: 0, y: 1 } }, BITE, 1)!;
  expect(end.bittenMm).toBeLessThan(0.2 * BITE);
});

test('the inner edge of a cover is told from its outer one', () => {
  const satin = coverOf(plan, 1)!;
  const inner = edgeOfCover(plan, satin, { at: { x: 14, y: 0 }, out: { x: 1, y: 0 } }, BITE, -1, 6, 6)!;
  const outer = edgeOfCover(plan, satin, { at: { x: 14, y: 0 }, out: { x: 1, y: 0 } }, BITE, 1, 6, 6)!;
  expect(outer.laidMm - inner.laidMm).toBeGreaterThan(3.9);
});

test('far from all cover there is no edge; a piece without cover has none at all', () => {
  expect(edgeOfCover(plan, coverOf(plan, 0)!, { at: { x: 60, y: 60 }, out: { x: 1, y: 0 } }, BITE, 1)).toBeNull();
  expect(coverOf({ ...plan, role: plan.role.map(() => Role.travel) }, 0)).toBeNull();
});

test('drift is what the cloth moved between sewing here and sewing there, or until the end', () => {
  const sheet = {
    sewnX: Float32Array.from(plan.x, (_, i) => i / 1000),
    sewnY: Float32Array.from(plan.x, () => 0.5),
    at: (): [number, number] => [7, -2],
  } as unknown as Parameters<typeof driftOf>[1];
  expect(driftOf(plan, sheet, 10, { x: 1, y: 0 })).toBeCloseTo(7 - 0.01, 6);
  expect(driftOf(plan, sheet, 10, { x: 0, y: 1 })).toBeCloseTo(-2.5, 6);
  expect(driftOf(plan, sheet, 10, { x: 1, y: 0 }, 30)).toBeCloseTo(0.02, 6);
});
