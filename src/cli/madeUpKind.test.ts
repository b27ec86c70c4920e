import { writeBundle } from '@/core/formats/bundle';
import { readBundle } from '@/core/formats/readBundle';
import { EXPORTS } from '@/core/formats/registry';
import { parseJob } from '@/core/document/schema';
import type { PieceKindName } from '@/core/document/kinds';
import { forecast } from '@/core/forecast/forecast';
import { jobOf, piece } from '@/core/pieces/fixtures';
import { sentenceOf } from '@/core/pieces/registry';
import { Planner } from '@/core/plan/planner';
import { measurePlan } from '@/core/plan/measure';
import { proposeRoute } from '@/core/plan/proposeRoute';
import { prove } from '@/core/proof/prove';
import type * as Fixture from './madeUpKind.fixture';

/** A kind that Cobble does not have: a seed stitch, small single stitches along a line. Named in the list of records … */
jest.mock('@/core/document/kinds', () => {
  const kinds = jest.requireActual<{ PIECE_KINDS: Record<string, unknown> }>('@/core/document/kinds');
  kinds.PIECE_KINDS['seeds'] = { word: 'Seeds', needs: 'a line', holds: (p: { line?: string }) => p.line !== undefined };
  return kinds;
});
/** … and in the list of kinds; nothing else knows it. */
jest.mock('@/core/pieces/kinds', () => {
  const list = jest.requireActual<{ KINDS: Record<string, unknown> }>('@/core/pieces/kinds');
  const { seedsKind } = jest.requireActual<typeof Fixture>('./madeUpKind.fixture');
  list.KINDS['seeds'] = seedsKind;
  return list;
});

const seeds = 'seeds' as PieceKindName;
const job = jobOf([
  piece('fill', { area: 'M-10,-10 h20 v20 h-20 Z' }),
  piece(seeds, { line: 'M-8,0 L8,0' }),
  piece('satin', { line: 'M-10,14 L10,14', width: 3 }),
]);

test('a record that names a new kind is read, written and read again, and needs its shape', () => {
  const file = writeBundle({ job, artwork: {} });
  expect(readBundle(file).job.pieces[1]).toMatchObject({ kind: 'seeds', line: 'M-8,0 L8,0' });
  const bare = { ...job, pieces: job.pieces.with(1, { ...job.pieces[1]!, line: undefined }) };
  expect(() => parseJob(structuredClone(bare))).toThrow('needs a line');
});

test('a new kind is planned, joined, counted and described by what its folder says', () => {
  const plan = new Planner().plan(job);
  const { from, to, settings, widthMm, problem } = plan.pieces[1]!;
  expect(problem).toBeUndefined();
  // 16 mm in steps of 2, and its ends tied.
  const across = new Set(plan.x.slice(from, to));
  for (let x = -8; x <= 8; x += 2) expect(across).toContain(x);
  expect(sentenceOf(job.pieces[1]!, settings!, widthMm)).toBe('Seeds, 2.0 mm long.');
  expect(measurePlan(job, plan).stitches).toBe(plan.pieces.reduce((sum, p) => sum + p.stitches, 0));
});

test('a new kind is routed, forecast, proved and taken away', async () => {
  const planner = new Planner();
  const route = proposeRoute(job, 'stops', planner);
  expect(route.after.trims).toBeLessThanOrEqual(route.before.trims);
  const plan = planner.plan(job);
  expect(forecast(job, { planner, plan }).drawn.heightMm).toBeCloseTo(25.5, 0);
  expect(prove(job, planner, plan).filter((f) => f.pieces.includes('p2') && f.severity === 'stop')).toEqual([]);
  for (const format of EXPORTS) expect((await format.write({ job, plan, artwork: {} })).length).toBeGreaterThan(100);
});
