import { Matrix } from 'ml-matrix';
import type { ClothFactors } from '../../document/types';
import { exp } from '../../units/trig';
import type { ForecastParameters } from '../../forecast/parameters';

/**
 * What is fitted, as natural logarithms of factors on the starting values: how much the cloth is drawn in as a whole, and how push,
 * bite and stiffness differ from what goes with that.
 */
export const FITTED = ['draw', 'push', 'bite', 'stiffness'] as const;
export type Fitted = readonly number[];

export const AS_RECIPE: Fitted = [0, 0, 0, 0];

/**
 * Spread of each before anything was measured. Cloths of one name differ by half in how they draw in, which is why shops sew samples;
 * what follows from it at holes and across rows goes with it within a quarter. Stiffness is known least badly: it is mostly stabilizer.
 */
export const PRIOR_SPREAD: Fitted = [0.5, 0.25, 0.25, 0.15];

export const PARAMETERS = ['shortening', 'push', 'bite', 'stiffness'] as const satisfies readonly (keyof ClothFactors)[];

/** Row by row: how the logarithm of each parameter's factor comes of what is fitted. */
const TO_PARAMETERS = new Matrix([
  [1, 0, 0, 0],
  [1, 1, 0, 0],
  [1, 0, 1, 0],
  [0, 0, 0, 1],
]);

/** Factors of fitted values. */
export function factorsOf(z: Fitted): ClothFactors {
  const logs = TO_PARAMETERS.mmul(Matrix.columnVector([...z])).to1DArray();
  return Object.fromEntries(PARAMETERS.map((name, i) => [name, exp(logs[i]!)])) as unknown as ClothFactors;
}

/** Spreads of the logarithms of the parameters from the covariance of what is fitted. */
export function spreadsOf(covariance: Matrix): ClothFactors {
  const of = TO_PARAMETERS.mmul(covariance).mmul(TO_PARAMETERS.transpose());
  return Object.fromEntries(PARAMETERS.map((name, i) => [name, Math.sqrt(Math.max(0, of.get(i, i)))])) as unknown as ClothFactors;
}

/** Parameters of a forecast with factors on them. */
export const timesFactors = (p: ForecastParameters, by: ClothFactors): ForecastParameters => ({
  ...p,
  shortening: p.shortening * by.shortening,
  push: p.push * by.push,
  biteMm: p.biteMm * by.bite,
  stiffnessNPerMm: p.stiffnessNPerMm * by.stiffness,
});
