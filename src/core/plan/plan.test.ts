import { readFileSync } from 'node:fs';
import { jobFromArt } from '../artwork/newJob';
import { readSvg } from '../artwork/readSvg';
import type { Job, Piece } from '../document/types';
import { piece, jobOf } from '../pieces/fixtures';
import { writeCsv } from '../formats/csv';
import { Planner } from './planner';
import { mostLayers, weigh } from '../stitches/weight';
import { measurePlan } from './measure';
import { planReport } from './planReport';
import type { StitchPlan } from './plan';
import { COMMANDS, Command, Role } from '../stitches/roles';

const heron = (): Job =>
  jobFromArt(readSvg(readFileSync('public/demo/heron.svg', 'utf8')), {
    id: 'h',
    name: 'h',
    file: 'heron.svg',
    brief: { cloth: 'pique', size: { width: 85 } },
  }).job;
const words = (p: StitchPlan) => Array.from(p.command, (c) => COMMANDS[c]!);

const BARS = [
  piece('satin', { line: 'M-20,-10 L20,-10', width: 3 }),
  piece('satin', { line: 'M-20,10 L20,10', width: 3 }),
  piece('satin', { line: 'M-20,0 L20,0', width: 3, thread: 't2' }),
];

test('trims stand between separate pieces of a thread, before a change and at the end; the end comes last', () => {
  const plan = new Planner().plan(jobOf(BARS));
  const w = words(plan);
  expect(w.filter((c) => c === 'trim')).toHaveLength(3);
  expect(w.filter((c) => c === 'stop')).toHaveLength(1);
  expect(w[w.length - 1]).toBe('end');
  expect(w.indexOf('stop')).toBe(w.indexOf('trim', w.indexOf('trim') + 1) + 1);
});

test('every thread that is cut is tied before it and after it', () => {
  const plan = new Planner().plan(jobOf(BARS));
  for (let i = 0; i < plan.x.length; i++) {
    if (plan.command[i] === Command.trim) expect([1, 2, 3].map((k) => plan.role[i - k])).toEqual([Role.tie, Role.tie, Role.tie]);
    if (plan.command[i] === Command.jump) {
      expect(plan.command[i + 1]).toBe(Command.stitch);
      expect([2, 3, 4].map((k) => plan.role[i + k])).toEqual([Role.tie, Role.tie, Role.tie]);
    }
  }
});

describe('thread that stays between two letters', () => {
  const stem = (x: number): Piece => piece('satin', { area: `M${x},-5 h3 v10 h-3 Z` });
  const sewn = (gapMm: number, settings: object = {}): StitchPlan => {
    const job = jobOf([stem(0), stem(3 + gapMm), stem(2 * (3 + gapMm))]);
    return new Planner().plan({ ...job, settings: { ...job.settings, trimDistance: 5, ...settings } });
  };
  const tiesBetween = ({ pieces, role }: StitchPlan): number[][] =>
    pieces.slice(1).map(({ link, from }) => {
      const ties = (a: number, b: number): number => Array.from(role.subarray(a, b)).filter((r) => r === Role.tie).length;
      return [ties(pieces[link!.from]!.to, from), ties(from, from + 5)];
    });

  it('is tied on both sides from 2 mm on, where people cut it by hand', () => {
    const plan = sewn(3.4);
    expect(words(plan).filter((c) => c === 'trim')).toHaveLength(1);
    tiesBetween(plan).forEach(([off, into]) => {
      expect(off).toBeGreaterThanOrEqual(2);
      expect(into).toBeGreaterThanOrEqual(2);
    });
    plan.pieces.slice(1).forEach((p) => expect(Math.abs(p.link!.bareMm - 3.4)).toBeLessThan(0.8));
  });

  it('is not when it is shorter, or when the job has no ties', () => {
    expect(tiesBetween(sewn(1.2)).flat()).toEqual([0, 0, 0, 0]);
    expect(tiesBetween(sewn(3.4, { tieWhen: 'never' })).flat()).toEqual([0, 0, 0, 0]);
  });
});

test('without ties when the job says so', () => {
  const job = jobOf(BARS);
  const plan = new Planner().plan({ ...job, settings: { tieWhen: 'never' } });
  expect(Array.from(plan.role)).not.toContain(Role.tie);
});

test('a travel under later cover saves the trim', () => {
  const bars = BARS.slice(0, 2);
  const cover = piece('fill', { area: 'M-25,-15 H25 V15 H-25 Z' });
  const trims = (pieces: Parameters<typeof jobOf>[0]) => words(new Planner().plan(jobOf(pieces))).filter((c) => c === 'trim').length;
  expect(trims(bars)).toBe(2);
  expect(trims([...bars, cover])).toBe(1);
});

test('figures: time is stitches at speed, seven seconds a trim, ten a change', () => {
  const job = jobOf(BARS);
  const f = measurePlan(job, new Planner().plan(job));
  expect(f.runSeconds).toBeCloseTo((f.stitches / 850) * 60 + 3 * 7 + 10, 6);
  expect(f.threads).toBe(2);
  expect(f.widthMm).toBeGreaterThan(39);
  expect(f.longestSatinMm).toBeLessThan(4.2);
});

test('the same job gives the same plan, bit for bit, from a fresh and from a warm planner', () => {
  const job = heron();
  const warm = new Planner();
  warm.plan(job);
  const ids = job.threads.map((t) => t.id);
  expect(writeCsv(warm.plan(job), ids)).toBe(writeCsv(new Planner().plan(job), ids));
});

test('editing one piece gives the plan that a fresh planner gives', () => {
  const job = heron();
  const warm = new Planner();
  warm.plan(job);
  const edited = { ...job, pieces: job.pieces.map((p, i) => (i === 3 ? { ...p, settings: { ...p.settings, spacing: 0.5 } } : p)) };
  const ids = job.threads.map((t) => t.id);
  expect(writeCsv(warm.plan(edited), ids)).toBe(writeCsv(new Planner().plan(edited), ids));
});

test('the demo job sews within the limits', () => {
  const job = heron();
  const plan = new Planner().plan(job);
  const f = measurePlan(job, plan);
  expect(f.longestStitchMm).toBeLessThanOrEqual(12);
  let [short, all] = [0, 0];
  for (let i = 1; i < plan.x.length; i++) {
    if (plan.command[i] !== 0 || plan.command[i - 1] !== 0 || plan.role[i] === Role.tie || plan.role[i - 1] === Role.tie) continue;
    all++;
    if (Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!) < 0.3999) short++;
  }
  expect(short / all).toBeLessThan(0.005);
  expect(plan.pieces.every((p) => p.problem === undefined && p.stitches > 0)).toBe(true);
});

test('a piece without extent is named, not fatal', () => {
  const plan = new Planner().plan(jobOf([piece('fill', { area: 'M0,0 L0,0 Z' }), BARS[0]!]));
  expect(plan.pieces[0]!.problem).toMatch(/empty/);
  expect(plan.pieces[1]!.stitches).toBeGreaterThan(50);
});

test('an empty job is an empty plan', () => {
  const job = jobOf([]);
  const plan = new Planner().plan(job);
  expect(plan.x).toHaveLength(0);
  expect(measurePlan(job, plan).runSeconds).toBe(0);
});

test('the report names every setting with its source', () => {
  const job = jobOf([piece('fill', { area: 'M0,0 H20 V20 H0 Z' }, { spacing: 0.45 })]);
  const plan = new Planner().plan(job);
  const report = planReport(job, {
    plan,
    weight: weigh(plan),
    timingMs: { plan: 1.234 },
    judged: { findings: [], forecast: { max_gap_mm: 0, gaps: [] } },
  });
  expect(report.pieces[0]!.settings['spacing']).toEqual({ value: 0.45, from: 'hand' });
  expect(report.pieces[0]!.settings['pullComp']).toEqual({ value: 0.2, from: 'recipe' });
  expect(report.stitches).toBe(words(plan).filter((c) => c === 'stitch').length);
  expect(report.pieces[0]!.area_mm2).toBeCloseTo(400, 1);
});

test('layers: rows on rows count as two and more', () => {
  const square = { area: 'M0,0 H20 V20 H0 Z' };
  const one = new Planner().plan(jobOf([piece('fill', square, { angle: 0, underlay: [] })]));
  const two = new Planner().plan(
    jobOf([piece('fill', square, { angle: 0, underlay: [] }), piece('fill', square, { angle: 90, underlay: [] })]),
  );
  const [under, both] = [one, two].map((plan) => mostLayers(weigh(plan)));
  expect(under!).toBeGreaterThan(0.9);
  expect(under!).toBeLessThan(1.6);
  expect(both! - under!).toBeCloseTo(1, 0);
});

test('progress is told and may cancel', () => {
  const job = jobOf(BARS);
  const seen: number[] = [];
  new Planner().plan(job, (d) => seen.push(d));
  expect(seen.length).toBeGreaterThan(3);
  expect(() =>
    new Planner().plan(job, () => {
      throw new Error('enough');
    }),
  ).toThrow('enough');
});

test('a stitch longer than machines make is divided, whatever asked for it', () => {
  const wide = piece(
    'satin',
    { sides: ['M0,-9 L30,-9', 'M0,9 L30,9'] },
    { satinLimit: 12, underlay: [{ kind: 'zigzag', spacing: 2, inset: 0 }] },
  );
  const job = jobOf([wide]);
  expect(measurePlan(job, new Planner().plan(job)).longestStitchMm).toBeLessThanOrEqual(12);
});

test.each([
  ['a disc of 16', 'M-8,0 a8,8 0 1 0 16,0 a8,8 0 1 0 -16,0 Z', 30, (Math.PI * 64) / 16],
  ['a field of 80 by 20, along its rows', 'M0,0 h80 v20 h-80 Z', 0, 80],
  ['the same, across', 'M0,0 h80 v20 h-80 Z', 90, 20],
  ['two squares of 10 apart', 'M0,0 h10 v10 h-10 Z M30,5 h10 v10 h-10 Z', 0, 10],
])('a fill is as broad as its rows are long: %s', (_, area, angle, mm) => {
  expect(new Planner().plan(jobOf([piece('fill', { area }, { angle })])).pieces[0]!.widthMm).toBeCloseTo(mm, 0);
});
