import { AS_RECIPE, type Fitted } from './factors';

/** What the forecast says of one measurement near some fitted values: value, slopes, and the curvature along each. */
export interface Surface {
  about: Fitted;
  value: number;
  slope: Fitted;
  bend: Fitted;
}

/** Steps that slopes are taken over: large enough that a forecast's own roughness does not count. */
const STEPS: Fitted = [0.25, 0.2, 0.2, 0.15];
/** The forecast bends noticeably in how much the cloth is drawn in, and hardly in the rest. */
const BENDS = [true, false, false, false];

/**
 * Surfaces of all measurements of a sew-out about some fitted values.
 * @param predict what the forecast says of each, null where it says nothing
 */
export function surfacesAbout(about: Fitted, predict: (z: Fitted) => readonly (number | null)[]): (Surface | null)[] {
  const centre = predict(about);
  const shifted = (k: number, by: number): readonly (number | null)[] => predict(about.map((v, i) => (i === k ? v + by : v)));
  const after = AS_RECIPE.map((_, k) => shifted(k, STEPS[k]!));
  const before = AS_RECIPE.map((_, k) => (BENDS[k] ? shifted(k, -STEPS[k]!) : null));
  return centre.map((value, i): Surface | null => {
    if (value === null) return null;
    const [slope, bend]: [number[], number[]] = [[], []];
    for (let k = 0; k < AS_RECIPE.length; k++) {
      const step = STEPS[k]!;
      const up = after[k]![i] ?? value;
      const down = before[k]?.[i];
      slope.push(down === undefined || down === null ? (up - value) / step : (up - down) / (2 * step));
      bend.push(down === undefined || down === null ? 0 : (up - 2 * value + down) / (step * step));
    }
    return { about, value, slope, bend };
  });
}

export function valueAt({ about, value, slope, bend }: Surface, z: Fitted): number {
  return about.reduce((sum, a, k) => {
    const d = z[k]! - a;
    return sum + slope[k]! * d + (bend[k]! * d * d) / 2;
  }, value);
}

export const slopeAt = ({ about, slope, bend }: Surface, z: Fitted): number[] => about.map((a, k) => slope[k]! + bend[k]! * (z[k]! - a));
