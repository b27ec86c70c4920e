import { drawInOf } from '../cloth/drawIn';
import { recipeFor } from '../cloth/house';
import { threadWidth } from '../cloth/threadWidth';
import type { Job } from '../document/types';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { USUAL_THREAD_N, type SheetParameters } from './sheet';

/** How cloth, stabilizer, thread and machine act in the forecast. Assumptions until a shop's own sew-outs say otherwise. */
export interface ForecastParameters extends SheetParameters {
  /** How far the end of a long row is drawn in right at its hole, beyond what the cloth as a whole does, mm. */
  biteMm: number;
  /** Compression at which the cloth leaves its plane, as a share. */
  buckle: number;
}

/** Cloth is pushed apart across rows by so much of what they shorten. */
const PUSH_SHARE = 0.25;
/** Compression at which a sheet of usual stiffness buckles, as a share; stiffer ones later. */
const BUCKLE = 0.02;
const USUAL_STIFFNESS = 6;

export function forecastParameters(job: Pick<Job, 'brief' | 'settings' | 'threads'>): ForecastParameters {
  const { stiffnessNPerMm, shortening, biteMm, pushes } = drawInOf(recipeFor(job.brief), job.settings);
  return {
    stiffnessNPerMm,
    threadN: job.threads.map((t) => USUAL_THREAD_N * (threadWidth(t.weight) / THREAD_WIDTH_MM) ** 2),
    shortening,
    push: PUSH_SHARE * shortening * pushes,
    biteMm,
    buckle: BUCKLE * Math.sqrt(stiffnessNPerMm / USUAL_STIFFNESS),
  };
}
