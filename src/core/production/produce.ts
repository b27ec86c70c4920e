import { recipeFor } from '../cloth/house';
import type { Hoop, Job } from '../document/types';
import { measurePlan, type PlanFigures } from '../plan/measure';
import type { StitchPlan } from '../plan/plan';
import { materialsFor, type Materials } from './materials';
import { needleChanges, type NeedleChange } from './needles';
import { priceOf, type Price } from './price';
import type { Rates } from '../document/shop/rates';
import { sewQuantity, type RunsPlan } from './runs';
import { stopsOf, type SewnStop } from './stops';
import type { WorkHabits } from '../document/shop/work';

/** What is sewn in one go: a job's plan, or several copies of it in one hoop. */
export interface Produced {
  job: Job;
  plan: StitchPlan;
  /** Copies of the design that the plan holds. */
  perHoop: number;
  hoop: Hoop;
  quantity: number;
  /** How much of the stitches is for this quantity, from 0 to 1, where other jobs lie in the hoop; all when absent. */
  share?: number;
}

export interface ProductionOptions {
  habits: WorkHabits;
  rates: Rates | null;
  rush?: boolean;
  withGarments?: boolean;
  repeat?: boolean;
}

/** Everything that production needs of a job, from its plan and the shop's habits. */
export interface Production {
  job: Job;
  figures: PlanFigures;
  quantity: number;
  stops: SewnStop[];
  runs: RunsPlan;
  materials: Materials;
  needles: NeedleChange[];
  price: Price | null;
  /** Copies in a hoop that count for the quantity, and how much of the stitches is theirs. */
  perHoop: number;
  share: number;
  /** Of the machine, for the quantity. */
  machineHours: number;
}

/** Hours that a machine sews in a usual week: what needles are changed by. */
export const WEEK_HOURS = 35;

/** Works out one job. */
export function produce({ job, plan, perHoop, hoop, quantity, share = 1 }: Produced, options: ProductionOptions): Production {
  const { habits, rates } = options;
  const figures = measurePlan(job, plan);
  const stops = stopsOf(job, plan, recipeFor(job.brief).speed);
  const runs = sewQuantity({ quantity, runSeconds: figures.runSeconds, perHoop }, habits);
  const machineHours = (runs.runs * figures.runSeconds) / 3600;
  const order = {
    quantity,
    stitches: (share * figures.stitches) / perHoop,
    machineHours: share * machineHours,
    rush: false,
    withGarments: false,
    repeat: false,
  };
  const asked = { rush: options.rush ?? false, withGarments: options.withGarments ?? false, repeat: options.repeat ?? false };
  return {
    ...{ job, figures, quantity, stops, runs, machineHours, share, perHoop },
    materials: materialsFor(job, { stops, runs: runs.runs, hoop, perHoop, quantity }, habits),
    needles: needleChanges([{ job, machineHours, heads: habits.heads }], WEEK_HOURS),
    price: rates ? priceOf({ ...order, ...asked }, rates) : null,
  };
}

const round = (v: number, decimals: number): number => Math.round(v * 10 ** decimals) / 10 ** decimals;

/** One job's production as plain data: lengths mm, snake_case. */
export function productionReport({ job, figures, quantity, runs, materials, needles, price, stops }: Production) {
  return {
    name: job.name,
    quantity,
    stitches: figures.stitches,
    trims: figures.trims,
    stops: stops.length - 1,
    minutes_per_run: round(runs.runSeconds / 60, 2),
    minutes_total: round(runs.totalSeconds / 60, 2),
    machine_minutes: round((runs.runs * runs.runSeconds) / 60, 2),
    runs: runs.runs,
    garments_per_run: runs.garmentsPerRun,
    heads_idle_in_last_run: runs.headsIdleInLast,
    machine_idle_minutes: round(runs.machineIdleSeconds / 60, 2),
    thread: materials.thread.map((t) => ({ code: t.code, name: t.name, metres: round(t.metres, 1), cones: t.cones })),
    bobbins: materials.bobbins,
    needles: needles.reduce((n, c) => n + c.count, 0),
    needle_changes: needles.map(({ needle, count, why }) => ({ needle, count, why })),
    stabilizer: materials.stabilizer,
    stabilizer_m2: round(materials.stabilizerM2, 3),
    topping_m2: round(materials.toppingM2, 3),
    foam_m2: round(materials.foamM2, 3),
    ...(price ? { price: priceReport(price) } : {}),
  };
}

const priceReport = ({ steps, total, each, currency }: Price) => ({
  total,
  each,
  currency,
  steps: steps.map(({ key, words, amount }) => ({ key, words, amount })),
});
