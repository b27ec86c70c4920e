import Joi from 'joi';

/** How the shop sews: its hands, heads and habits; what no plan can tell. */
export interface WorkHabits {
  /** Heads of one machine, each sewing the same at the same time. */
  heads: number;
  operators: number;
  /** Seconds for one garment: into its hoop, and what is done to it after it is sewn. */
  hoopingS: number;
  finishingS: number;
  /** There are hoops enough to hoop the next run while this one is sewn. */
  spareHoops: boolean;
  /** Thread lost with each cone's end, rethreading and breaks, %. */
  wastePercent: number;
  /** Metres on a cone of weight 40; thicker thread has less of it, thinner more. */
  coneM: number;
  /** Stitches that one bobbin lasts. */
  bobbinStitches: number;
  /** Stabilizer reaches so far beyond the hoop's field at each side, mm. */
  stabilizerMarginMm: number;
}

/** Usual values (craft §10). */
export const DEFAULT_WORK: WorkHabits = {
  ...{ heads: 1, operators: 1, hoopingS: 90, finishingS: 60, spareHoops: false },
  ...{ wastePercent: 5, coneM: 5000, bobbinStitches: 25_000, stabilizerMarginMm: 30 },
};

const seconds = Joi.number().min(0).max(7200);

export const workSchema = Joi.object<WorkHabits, true>({
  heads: Joi.number().integer().min(1).max(60).default(DEFAULT_WORK.heads),
  operators: Joi.number().integer().min(1).max(60).default(DEFAULT_WORK.operators),
  hoopingS: seconds.default(DEFAULT_WORK.hoopingS),
  finishingS: seconds.default(DEFAULT_WORK.finishingS),
  spareHoops: Joi.boolean().default(DEFAULT_WORK.spareHoops),
  wastePercent: Joi.number().min(0).max(100).default(DEFAULT_WORK.wastePercent),
  coneM: Joi.number().min(50).max(50_000).default(DEFAULT_WORK.coneM),
  bobbinStitches: Joi.number().min(1000).max(500_000).default(DEFAULT_WORK.bobbinStitches),
  stabilizerMarginMm: Joi.number().min(0).max(200).default(DEFAULT_WORK.stabilizerMarginMm),
});
