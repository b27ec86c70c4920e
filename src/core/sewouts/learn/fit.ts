import { Matrix, inverse } from 'ml-matrix';
import { AS_RECIPE, PRIOR_SPREAD, type Fitted } from './factors';
import { slopeAt, valueAt, type Surface } from './surface';

/** One measurement with what the forecast makes of it. */
export interface Sample {
  measuredMm: number;
  /** How well it can be read off, standard deviation, mm. */
  readMm: number;
  surface: Surface;
  /** Nothing below 0 is seen: what measures 0 may well overlap. */
  censored: boolean;
}

export interface Fit {
  z: Fitted;
  covariance: Matrix;
  /** Indices of samples that no values explain together with the others; they are left out. */
  outliers: number[];
}

const ROUNDS = 12;
const SMALL = 1e-5;
/** No value leaves the range in which the surfaces hold. */
const FARTHEST = 1.2;
/** A measurement so many times farther from what the others say than it can be read is named. */
const STANDS_OUT = 3.5;
/** Of fewer nobody can tell which one is wrong. */
const LEAST_TO_TELL = 4;

const misses = ({ measuredMm, surface, censored }: Sample, z: Fitted): number => {
  const miss = measuredMm - valueAt(surface, z);
  return censored ? Math.min(0, Math.max(miss, -valueAt(surface, z))) : miss;
};

/**
 * Values that explain the samples best with the recipe as prior: Gauss-Newton on regularised least squares (Bishop, *Pattern
 * Recognition and Machine Learning*, 3.3, for the posterior).
 */
function posterior(samples: readonly Sample[]): { z: Fitted; covariance: Matrix } {
  let z: Fitted = AS_RECIPE;
  let covariance = Matrix.diag(PRIOR_SPREAD.map((s) => s * s));
  for (let round = 0; round < ROUNDS; round++) {
    const precision = Matrix.diag(PRIOR_SPREAD.map((s) => 1 / (s * s)));
    const pull = z.map((v, k) => -v / PRIOR_SPREAD[k]! ** 2);
    for (const sample of samples) {
      const miss = misses(sample, z);
      if (sample.censored && miss === 0) continue;
      const slope = slopeAt(sample.surface, z);
      const weight = 1 / sample.readMm ** 2;
      for (let a = 0; a < slope.length; a++) {
        pull[a]! += weight * slope[a]! * miss;
        for (let b = 0; b < slope.length; b++) precision.set(a, b, precision.get(a, b) + weight * slope[a]! * slope[b]!);
      }
    }
    covariance = inverse(precision);
    const step = covariance.mmul(Matrix.columnVector(pull)).to1DArray();
    z = z.map((v, k) => Math.min(FARTHEST, Math.max(-FARTHEST, v + step[k]!)));
    if (step.every((s) => Math.abs(s) < SMALL)) break;
  }
  return { z, covariance };
}

/** How far a sample lies from what the others say, in standard deviations of reading and of what they leave open. */
function standsOut(samples: readonly Sample[], i: number): number {
  const others = posterior(samples.filter((_, k) => k !== i));
  const sample = samples[i]!;
  const slope = Matrix.rowVector(slopeAt(sample.surface, others.z));
  const open = slope.mmul(others.covariance).mmul(slope.transpose()).get(0, 0);
  return Math.abs(misses(sample, others.z)) / Math.sqrt(sample.readMm ** 2 + open);
}

/** Fits samples, naming one after another that does not go with the rest (leave-one-out residuals), a third of them at most. */
export function fitted(samples: readonly Sample[]): Fit {
  const outliers: number[] = [];
  const most = Math.floor(samples.length / 3);
  for (;;) {
    const kept = samples.flatMap((_, i) => (outliers.includes(i) ? [] : [i]));
    const among = kept.map((i) => samples[i]!);
    const worst = { i: -1, by: STANDS_OUT };
    if (among.length >= LEAST_TO_TELL && outliers.length < most) {
      among.forEach((_, k) => {
        const by = standsOut(among, k);
        if (by > worst.by) Object.assign(worst, { i: kept[k]!, by });
      });
    }
    if (worst.i < 0) return { ...widened(posterior(among), among), outliers: outliers.sort((a, b) => a - b) };
    outliers.push(worst.i);
  }
}

/** Where measurements scatter more than they can be read, the forecast itself is that much off, and nothing is known better than that. */
function widened(fit: { z: Fitted; covariance: Matrix }, samples: readonly Sample[]): { z: Fitted; covariance: Matrix } {
  if (samples.length < 2) return fit;
  const chi2 = samples.reduce((sum, s) => sum + (misses(s, fit.z) / s.readMm) ** 2, 0);
  return { ...fit, covariance: Matrix.mul(fit.covariance, Math.max(1, chi2 / (samples.length - 1))) };
}
