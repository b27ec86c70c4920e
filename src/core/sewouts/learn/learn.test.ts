import { forecast } from '../../forecast/forecast';
import { forecastParameters } from '../../forecast/parameters';
import { Planner } from '../../plan/planner';
import { random } from '../../units/random';
import { threeFields } from '../fixtures';
import { gapPlaceOf, type Measured } from '../measured';
import { factorsOf } from './factors';
import { learn, learnFrom, predictorOf, type MeasuredSewout } from './learn';

/** Places left and right of each of the three fields, and in the middle of their upper and lower sides. */
const SIDES: Readonly<Record<string, readonly [number, number][]>> = {
  a: [
    [-45, -25],
    [-5, -25],
    [-25, -45],
    [-25, -5],
  ],
  b: [
    [8, -30],
    [38, -30],
    [23, -45],
  ],
  c: [
    [-45, 22],
    [-21, 22],
    [-33, 10],
  ],
};
const marksAt = (places: readonly [string, number][]): Measured[] =>
  places.map(([id, k]) => ({ kind: 'gap', piece: id, against: `${id}-rim`, at: SIDES[id]![k]!, mm: 0 }));
const TEN = marksAt(Object.entries(SIDES).flatMap(([id, sides]) => sides.map((_, k): [string, number] => [id, k])));

/** Where rows end: left and right of each. */
const SIX = TEN.filter(({ at }) => [-45, -5, 8, 38, -21].includes(at![0]) && [-25, -30, 22].includes(at![1]));

/** Worked out once for all trials. */
const JOB = threeFields({ hoop: { width: 100, height: 100, shape: 'rect' } });
const predictTen = predictorOf({ job: JOB, setup: {}, marks: TEN });

/** Other cloths than the recipe knows, as logarithms of factors: how it draws in, and how push, bite and stiffness differ. */
const CLOTHS = [
  [0.35, 0, 0, 0],
  [-0.3, 0.1, -0.1, 0.05],
  [0.2, -0.2, 0.15, -0.1],
  [-0.15, 0.2, 0.1, 0.1],
  [0.45, -0.1, -0.2, 0],
];

/** What a hand reads off, to a tenth either way. */
const read = (mm: number, r: () => number): number => mm + (r() - 0.5) * 0.2;

describe('what a forecast with other values would have sewn', () => {
  const sewn: MeasuredSewout = { job: JOB, setup: {}, marks: SIX };
  const predict = (z: readonly number[]): (number | null)[] => predictTen(z).filter((_, i) => SIX.includes(TEN[i]!));
  const trials = Array.from({ length: 200 }, (_, i) => {
    const z = CLOTHS[i % CLOTHS.length]!;
    const r = random(100 + i);
    const marks = SIX.map((mark, k) => ({ ...mark, mm: read(predict(z)[k]!, r) }));
    return { truth: factorsOf(z), learned: learnFrom([{ ...sewn, marks }], [predict], undefined, false)! };
  });

  it('is recovered from six gaps: how the cloth draws in within 10 % in nearly all of 200 trials', () => {
    const off = trials.map(({ truth, learned }) => Math.abs(learned.factors.shortening / truth.shortening - 1));
    expect(off.filter((o) => o < 0.1).length).toBeGreaterThanOrEqual(180);
    // Each cloth by itself as well, on the mean of its trials.
    for (let c = 0; c < CLOTHS.length; c++) {
      const own = trials.filter((_, i) => i % CLOTHS.length === c);
      const mean = own.reduce((sum, t) => sum + t.learned.factors.shortening / t.truth.shortening, 0) / own.length;
      expect(Math.abs(mean - 1)).toBeLessThan(0.1);
    }
  });

  it('lies within the spread that is told, in nine of ten trials at least, for every parameter', () => {
    for (const name of ['shortening', 'push', 'bite', 'stiffness'] as const) {
      const covered = trials.filter(
        ({ truth, learned }) => Math.abs(Math.log(learned.factors[name] / truth[name])) <= learned.spreads[name],
      );
      expect(covered.length).toBeGreaterThanOrEqual(180);
    }
  });

  it('is known better than the prior knows it, and explains what was measured', () => {
    for (const { learned } of trials) {
      expect(learned.spreads.shortening).toBeLessThan(0.35);
      expect(learned.errorAfterMm).toBeLessThan(0.12);
      expect(learned.outliers).toEqual([]);
    }
  });
});

it('names a wrong one among ten, and does not believe it', () => {
  const sewn: MeasuredSewout = { job: JOB, setup: {}, marks: TEN };
  const predict = predictTen;
  let named = 0;
  for (let i = 0; i < 40; i++) {
    const z = CLOTHS[i % CLOTHS.length]!;
    const r = random(i);
    const wrong = Math.floor(r() * TEN.length);
    const by = (r() < 0.5 ? -1 : 1) * (0.7 + 0.6 * r());
    const marks = TEN.map((mark, k) => ({ ...mark, mm: read(predict(z)[k]!, r) + (k === wrong ? by : 0) }));
    const learned = learnFrom([{ ...sewn, marks }], [predict], undefined, false)!;
    if (learned.outliers.length === 1 && learned.outliers[0]!.mark === wrong) named++;
    expect(Math.abs(learned.factors.shortening / factorsOf(z).shortening - 1)).toBeLessThan(0.2);
  }
  expect(named).toBeGreaterThanOrEqual(38);
});

it('learns from several sew-outs together, and is surer of it', () => {
  const jobs = [threeFields(), threeFields({ hoop: { width: 200, height: 200, shape: 'rect' } })];
  const sewouts = jobs.map((job): MeasuredSewout => {
    const truth = forecastParameters(job);
    const seen = forecast(job, {
      planner: new Planner(),
      parameters: { ...truth, shortening: 1.3 * truth.shortening, push: 1.3 * truth.push, biteMm: 1.3 * truth.biteMm },
    });
    return {
      job,
      setup: {},
      marks: SIX.map((mark) => ({ ...mark, mm: Math.round(10 * gapPlaceOf(job, seen.meetings, mark)!.place.gapMm) / 10 })),
    };
  });
  const [one, both] = [learn(sewouts.slice(0, 1))!, learn(sewouts)!];
  expect(both.factors.shortening).toBeGreaterThan(1.2);
  expect(both.factors.shortening).toBeLessThan(1.4);
  expect(both.spreads.shortening).toBeLessThan(one.spreads.shortening);
  expect([both.used, both.sewouts]).toEqual([12, 2]);
  expect(both.errorAfterMm).toBeLessThan(both.errorBeforeMm / 3);
}, 60_000);

it('says nothing where nothing was measured at a place that the forecast knows', () => {
  const sewn = { job: threeFields(), setup: {}, marks: [{ kind: 'gap' as const, at: [60, 60] as [number, number], mm: 0.5 }] };
  expect(learn([sewn])).toBeNull();
});
