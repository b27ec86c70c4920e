import fc from 'fast-check';
import { jobOf, piece } from '../pieces/fixtures';
import { measurePlan, runSeconds } from '../plan/measure';
import { patch, planned } from './fixtures';
import { materialsFor } from './materials';
import { needleChanges } from './needles';
import { offeredSteps, priceOf, type Order } from './price';
import { pricesAtBreaks } from './quotation';
import { produce, productionReport } from './produce';
import { DEFAULT_RATES, parseRates } from '../document/shop/rates';
import { sewQuantity } from './runs';
import { stopsOf } from './stops';
import { DEFAULT_WORK } from '../document/shop/work';

const HOOP = { width: 100, height: 100, shape: 'rect' } as const;

test('14,000 stitches, 12 cuts and 9 stops at 1,000 a minute take between 15 and 17 minutes', () => {
  const minutes = runSeconds({ stitches: 14_000, trims: 12, stops: 9 }, 1000) / 60;
  expect(minutes).toBeGreaterThan(15);
  expect(minutes).toBeLessThan(17);
});

test('stretches between stops add up to the whole plan', () => {
  const { job, plan } = patch();
  const f = measurePlan(job, plan);
  const stops = stopsOf(job, plan, 900);
  const sum = (of: (s: (typeof stops)[number]) => number): number => stops.reduce((a, s) => a + of(s), 0);
  expect(sum((s) => s.stitches)).toBe(f.stitches);
  expect(sum((s) => s.trims)).toBe(f.trims);
  expect(sum((s) => s.seconds)).toBeCloseTo(f.runSeconds, 6);
  expect(sum((s) => s.upperM)).toBeCloseTo(f.upperThreadM, 6);
  expect(stops.map((s) => s.thread)).toEqual([0, 1, 0]);
});

test('a stretch that begins with the same thread as before waited for a hand', () => {
  const { job, plan } = planned(jobOf([piece('applique', { area: 'M0,0 h20 v20 h-20 Z', width: 3 })]));
  expect(stopsOf(job, plan, 800).map((s) => s.byHand)).toEqual([false, true, true]);
});

describe('a quantity', () => {
  const habits = { ...DEFAULT_WORK, hoopingS: 100, finishingS: 50 };

  test('of three by one hand: hoop, sew, hoop, sew while finishing the one before', () => {
    const r = sewQuantity({ quantity: 3, runSeconds: 600, perHoop: 1 }, habits);
    // 100 + 600, then 100 + 600 twice, then the last 50.
    expect(r.totalSeconds).toBe(3 * 700 + 50);
    expect(r).toMatchObject({ runs: 3, machineIdleSeconds: 300, handsIdleSeconds: 3 * 700 + 50 - 450 });
  });

  test('with spare hoops the machine waits for the first one only', () => {
    const r = sewQuantity({ quantity: 3, runSeconds: 600, perHoop: 1 }, { ...habits, spareHoops: true });
    expect(r.totalSeconds).toBe(100 + 3 * 600 + 50);
    expect(r.machineIdleSeconds).toBe(100);
  });

  test('on four heads ten garments take three runs, the last with two heads idle', () => {
    const r = sewQuantity({ quantity: 10, runSeconds: 600, perHoop: 1 }, { ...habits, heads: 4 });
    expect(r).toMatchObject({ runs: 3, garmentsPerRun: 4, inLast: 2, headsIdleInLast: 2 });
    // Hooping four takes 400, the last two 200; the machine waits for each.
    expect(r.totalSeconds).toBe(400 + 600 + 400 + 600 + 200 + 600 + 100);
  });

  test('six patches in a hoop are hooped once', () => {
    const r = sewQuantity({ quantity: 12, runSeconds: 3600, perHoop: 6 }, habits);
    expect(r.totalSeconds).toBe(2 * (100 + 3600) + 6 * 50);
  });

  test('never takes less than its sewing or its handwork, nor more than both; more hands, heads or hoops never make it longer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 60, max: 2000 }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 6 }),
        fc.boolean(),
        (quantity, seconds, heads, operators, spareHoops) => {
          const own = { ...habits, heads, operators, spareHoops };
          const runs = { quantity, runSeconds: seconds, perHoop: 1 };
          const r = sewQuantity(runs, own);
          const hands = (quantity * 150) / operators;
          expect(r.totalSeconds).toBeGreaterThanOrEqual(Math.max(r.runs * seconds, hands) - 1e-6);
          expect(r.totalSeconds).toBeLessThanOrEqual(r.runs * seconds + hands + 1e-6);
          expect(sewQuantity(runs, { ...own, operators: operators + 1 }).totalSeconds).toBeLessThanOrEqual(r.totalSeconds + 1e-6);
          expect(sewQuantity(runs, { ...own, spareHoops: true }).totalSeconds).toBeLessThanOrEqual(r.totalSeconds + 1e-6);
        },
      ),
      { seed: 9, numRuns: 200 },
    );
  });
});

describe('what is taken from the shelves', () => {
  const { job, plan } = patch();
  const stops = stopsOf(job, plan, 900);

  test('is the plan’s thread, times the quantity and what is lost, and a cone for each head', () => {
    const need = { stops, runs: 20, hoop: HOOP, perHoop: 1, quantity: 60 };
    const m = materialsFor(job, need, { ...DEFAULT_WORK, heads: 3, wastePercent: 10 });
    const whole = m.thread.reduce((sum, t) => sum + t.metres, 0);
    expect(whole).toBeCloseTo(measurePlan(job, plan).upperThreadM * 60 * 1.1, 3);
    expect(m.thread.map((t) => t.cones)).toEqual([3, 3]);
    expect(m.bobbinM).toBeCloseTo(0.6 * whole, 3);
  });

  test('cones last as long as their metres, a thicker thread’s fewer', () => {
    const need = { stops, runs: 1000, hoop: HOOP, perHoop: 1, quantity: 1000 };
    const [first] = materialsFor(job, need, { ...DEFAULT_WORK, wastePercent: 0, coneM: 1000 }).thread;
    expect(first!.cones).toBe(Math.ceil(first!.metres / 1000));
    const thick = { ...job, threads: job.threads.map((t) => ({ ...t, weight: 20 })) };
    expect(materialsFor(thick, need, { ...DEFAULT_WORK, wastePercent: 0, coneM: 1000 }).thread[0]!.cones).toBe(
      Math.ceil(first!.metres / 500),
    );
  });

  test('a bobbin lasts its stitches, on each head', () => {
    const stitches = measurePlan(job, plan).stitches;
    const need = { stops, runs: 100, hoop: HOOP, perHoop: 1, quantity: 200 };
    expect(materialsFor(job, need, { ...DEFAULT_WORK, heads: 2 }).bobbins).toBe(2 * Math.ceil((100 * stitches) / 25_000));
  });

  test('stabilizer is a sheet for each hoop, of as many layers as the recipe asks for', () => {
    const need = { stops, runs: 10, hoop: HOOP, perHoop: 6, quantity: 60 };
    const sheet = 0.16 * 0.16;
    expect(materialsFor(job, need, DEFAULT_WORK).stabilizerM2).toBeCloseTo(10 * sheet, 9);
    const two = { ...job, brief: { ...job.brief, recipe: { id: 'r', name: 'r', stabilizer: '2 tear-away' } } };
    expect(materialsFor(two, need, DEFAULT_WORK).stabilizerM2).toBeCloseTo(20 * sheet, 9);
  });

  test('foam is cut a little larger than what stands on it, and topping than the whole', () => {
    const foam = jobOf([piece('satin', { line: 'M0,0 H40', width: 8 }, { foam: 3 }), piece('run', { line: 'M0,30 H80' })], 'terry');
    const m = materialsFor(foam, { stops: [], runs: 1, hoop: HOOP, perHoop: 1, quantity: 1 }, DEFAULT_WORK);
    expect(m.foamM2 * 1e6).toBeGreaterThan(50 * 18 - 1);
    expect(m.foamM2 * 1e6).toBeLessThan(50 * 18 + 200);
    expect(m.toppingM2).toBeGreaterThan(m.foamM2);
  });
});

test('needles are changed for another cloth, thread or technique, and after a week', () => {
  const flat = jobOf([piece('run', { line: 'M0,0 H10' })], 'twill');
  const knit = jobOf([piece('run', { line: 'M0,0 H10' })], 'jersey');
  const foam = jobOf([piece('satin', { line: 'M0,0 H10', width: 5 }, { foam: 3 })], 'jersey');
  const work = (job: typeof flat, machineHours = 1) => ({ job, machineHours, heads: 2 });
  expect(needleChanges([work(flat), work(flat), work(knit), work(foam)], 35).map((c) => c.why)).toEqual([
    'fresh at the start',
    'new cloth, needle',
    'new technique',
  ]);
  expect(needleChanges([work(flat, 80)], 35).map((c) => [c.count, c.why])).toEqual([
    [2, 'fresh at the start'],
    [2, 'a week’s work is done'],
    [2, 'a week’s work is done'],
  ]);
});

describe('a price', () => {
  const order: Order = { quantity: 24, stitches: 10_000, machineHours: 6, rush: false, withGarments: false, repeat: false };
  const rates = { ...DEFAULT_RATES, perThousand: 0.5, perHour: 20, setUp: 10, digitizing: 40, garment: 3, margin: 20, rush: 50 };

  test('by hand: sewing 24 × 10 × 0.50 = 120, 5 % less, 40, 10, a fifth of the price left', () => {
    const price = priceOf(order, rates);
    expect(price.steps.map((s) => [s.key, s.amount])).toEqual([
      ['sewing', 120],
      ['break', -6],
      ['digitizing', 40],
      ['setUp', 10],
      ['margin', 41],
    ]);
    expect(price.total).toBe(205);
    expect(price.each).toBe(8.54);
  });

  test('by the hour, wanted soon, on the shop’s garments, sewn before', () => {
    const price = priceOf({ ...order, rush: true, withGarments: true, repeat: true }, { ...rates, by: 'hour', breaks: [] });
    // (6 × 20 + 72 + 10) / 0.8 = 252.50, and half as much again.
    expect(price.total).toBe(378.75);
  });

  test('steps add up to the total to the cent, whatever the rates', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 9, noNaN: true }),
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 0, max: 95 }),
        fc.boolean(),
        (perThousand, quantity, margin, rush) => {
          const price = priceOf({ ...order, quantity, rush }, { ...rates, perThousand, margin });
          expect(price.steps.reduce((sum, s) => sum + s.amount, 0)).toBeCloseTo(price.total, 6);
          expect(Math.round(price.total * 100)).toBeCloseTo(price.total * 100, 6);
        },
      ),
      { seed: 2 },
    );
  });

  test('the customer sees what each thing costs with what the shop keeps in it, and never the share itself; it adds up to the cent', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 9, noNaN: true }),
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 0, max: 95 }),
        fc.boolean(),
        (perThousand, quantity, margin, rush) => {
          const price = priceOf({ ...order, quantity, rush }, { ...rates, perThousand, margin, rush: 20 });
          const offered = offeredSteps(price);
          expect(offered.reduce((sum, s) => sum + s.amount, 0)).toBeCloseTo(price.total, 6);
          expect(offered.map((s) => s.words).join()).not.toMatch(/Margin|at \d/);
          expect(offered).toHaveLength(price.steps.filter((s) => s.key !== 'margin').length);
        },
      ),
      { seed: 3 },
    );
  });

  test('what the breaks would cost is the price at those quantities, those beyond the order only', () => {
    const asked = { ...order, quantity: 24, machineHours: 6 };
    const with_ = { ...rates, by: 'hour' as const, breaks: [{ from: 12, percent: 5 }, { from: 96, percent: 10 }, { from: 48, percent: 8 }] }; // prettier-ignore
    const at = pricesAtBreaks(asked, with_);
    expect(at.map((a) => a.quantity)).toEqual([48, 96]);
    expect(at[0]!.total).toBe(priceOf({ ...asked, quantity: 48, machineHours: 12 }, with_).total);
  });

  test('rates that cannot be are refused in a sentence', () => {
    expect(() => parseRates({ margin: 120 })).toThrow(/margin/);
    expect(() => parseRates({ perThousnad: 1 })).toThrow(/perThousnad/);
    expect(parseRates({ perThousand: 1 })).toMatchObject({ perThousand: 1, margin: 0, breaks: [] });
  });
});

test('the report has the figures of the plan, of the quantity and the price', () => {
  const made = patch();
  const production = produce(
    { ...made, perHoop: 1, hoop: HOOP, quantity: 10 },
    { habits: { ...DEFAULT_WORK, heads: 4 }, rates: DEFAULT_RATES },
  );
  const report = productionReport(production);
  const f = measurePlan(made.job, made.plan);
  expect(report).toMatchObject({ runs: 3, heads_idle_in_last_run: 2, stops: 2, stitches: f.stitches, quantity: 10 });
  expect(report.minutes_per_run).toBeCloseTo(f.runSeconds / 60, 2);
  expect(report.price!.total).toBeGreaterThan(0);
  expect(report.machine_minutes).toBeCloseTo(3 * report.minutes_per_run, 1);
});
