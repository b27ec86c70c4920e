import { jobOf, piece } from '../pieces/fixtures';
import { mostLayers, weigh } from '../stitches/weight';
import { measurePlan } from './measure';
import { planReport } from './planReport';
import type { StitchPlan } from './plan';
import { Command, Role } from '../stitches/roles';
import { eachStitch, longestStitch } from '../stitches/stitches';

type Event = [x: number, y: number, command?: number, role?: number, piece?: number, thread?: number];
const planOf = (events: readonly Event[]): StitchPlan => ({
  x: Float32Array.from(events, (e) => e[0]),
  y: Float32Array.from(events, (e) => e[1]),
  command: Uint8Array.from(events, (e) => e[2] ?? Command.stitch),
  role: Uint8Array.from(events, (e) => e[3] ?? Role.cover),
  piece: Uint16Array.from(events, (e) => e[4] ?? 0),
  thread: Uint8Array.from(events, (e) => e[5] ?? 0),
  pieces: [],
});
const job = jobOf(
  [piece('satin', { sides: ['M0,0 V10', 'M4,0 V10'] }), piece('fill', { area: 'M0,0 h5 v5 h-5 Z', thread: 't2' })],
  'twill',
);
const { jump, trim, stop, end } = Command;

/** Two pieces by hand: a satin of three stitches with ties, a cut, another thread, a fill of two stitches. */
const plan = planOf([
  [0, 0, jump],
  [0, 0, 0, Role.tie],
  [0.5, 0, 0, Role.tie],
  [0, 0],
  [4, 0],
  [0, 1],
  [4, 1],
  [4, 1, trim],
  [4, 1, stop],
  [10, 1, jump, Role.travel, 1, 1],
  [10, 1, 0, Role.cover, 1, 1],
  [16, 1, 0, Role.cover, 1, 1],
  [16, 9, 0, Role.cover, 1, 1],
  [16, 9, trim, Role.travel, 1, 1],
  [16, 9, end, Role.travel, 1, 1],
]);

test('figures of a plan are those of counting by hand', () => {
  const f = measurePlan(job, plan);
  const slant = Math.hypot(4, 1);
  expect(f).toMatchObject({ stitches: 9, trims: 2, jumps: 2, colourChanges: 1, handStops: 0, threads: 2, widthMm: 16, heightMm: 9 });
  expect(f.longestStitchMm).toBeCloseTo(8);
  expect(f.shortestStitchMm).toBeCloseTo(4);
  expect(f.longestSatinMm).toBeCloseTo(slant);
  expect(f.longestMoveMm).toBeCloseTo(6);
  const sewn = 0.5 + 0.5 + 4 + slant + 4 + 6 + 8;
  // Twice through half a millimetre of canvas at each of nine stitches.
  expect(f.upperThreadM * 1000).toBeCloseTo(sewn + 9 * 2 * 0.5 + 2 * 40, 3);
  expect(f.bobbinThreadM).toBeCloseTo(0.6 * f.upperThreadM);
});

test('time is stitches at the cloth’s speed, seven seconds a trim and ten a stop', () => {
  const slow = { ...job, brief: { ...job.brief, recipe: { id: 'r', name: 'r', speed: 300 } } };
  expect(measurePlan(slow, plan).runSeconds).toBeCloseTo((9 / 300) * 60 + 2 * 7 + 10);
});

test('a stop at which the thread stays is one by hand', () => {
  const waits = planOf([[0, 0], [3, 0], [3, 0, stop], [6, 0]]); // prettier-ignore
  expect(measurePlan(job, waits)).toMatchObject({ colourChanges: 0, handStops: 1 });
});

test('nothing sewn measures nothing', () => {
  expect(measurePlan(job, planOf([]))).toMatchObject({ stitches: 0, widthMm: 0, heightMm: 0, shortestStitchMm: 0, runSeconds: 0 });
  expect(mostLayers(weigh(planOf([])))).toBe(0);
});

test('a fill at 0.40 is one layer, rows twice as dense are two', () => {
  const rows = (spacing: number): StitchPlan =>
    planOf(
      Array.from({ length: Math.round(12 / spacing) }, (_, i): Event[] => {
        const y = i * spacing;
        return i % 2 === 0 ? [[0, y], [4, y], [8, y], [12, y]] : [[12, y], [8, y], [4, y], [0, y]]; // prettier-ignore
      }).flat(),
    );
  // A square of 2 mm holds five rows of 0.40, or six where one lies on its edge.
  const [open, dense] = [0.4, 0.2].map((spacing) => mostLayers(weigh(rows(spacing))));
  expect(open!).toBeGreaterThan(0.9);
  expect(open!).toBeLessThan(1.25);
  expect(dense! / open!).toBeGreaterThan(1.8);
  expect(dense! / open!).toBeLessThan(2.2);
});

test('the report says in plain words and mm what was measured', () => {
  const report = planReport(job, { plan, weight: weigh(plan), timingMs: { plan: 1.26 }, judged: null });
  expect(report).toMatchObject({ stitches: 9, trims: 2, colour_changes: 1, width_mm: 16, longest_stitch_mm: 8, timing_ms: { plan: 1.3 } });
  expect(JSON.parse(JSON.stringify(report))).toEqual(report);
});

test('stitches are pairs of penetrations with nothing between', () => {
  const seen: number[] = [];
  eachStitch(plan, 0, plan.x.length, (event) => seen.push(event));
  expect(seen).toEqual([2, 3, 4, 5, 6, 11, 12]);
  expect(longestStitch(plan, 0, 9, 1)).toMatchObject({ event: 5 });
  expect(longestStitch(plan, 0, 9, 1, (e) => e !== 5).lengthMm).toBeCloseTo(4);
  expect(longestStitch(plan, 0, plan.x.length, 50).event).toBe(-1);
});
