import { recipeFor } from '../../cloth/house';
import type { ClothFactors, ClothKey, Job } from '../../document/types';
import type { SewoutSetup } from '../../document/sewoutTypes';
import { forecast, type Forecast } from '../../forecast/forecast';
import { forecastParameters } from '../../forecast/parameters';
import type { SheetOptions } from '../../forecast/sheet';
import { Planner } from '../../plan/planner';
import { foreseenAt, type Measured } from '../measured';
import { asSewn } from '../setup';
import { AS_RECIPE, PARAMETERS, factorsOf, spreadsOf, timesFactors, type Fitted } from './factors';
import { fitted, type Fit, type Sample } from './fit';
import { surfacesAbout, valueAt, type Surface } from './surface';

/** A test that was measured: what was sewn, how, and what the ruler says. */
export interface MeasuredSewout {
  job: Job;
  setup: SewoutSetup;
  marks: readonly Measured[];
}

/** A measurement by its place: sew-out and mark. */
export interface MarkPlace {
  sewout: number;
  mark: number;
}

/** What measurements told of a cloth over its stabilizer. */
export interface Learned {
  cloth: ClothKey;
  /** Against the starting values. */
  factors: ClothFactors;
  /** Half of the range that holds the factor in 19 of 20 cases, as a share of it. */
  spreads: ClothFactors;
  /** The starting values themselves, as the first sew-out was sewn: shortening and push as shares, bite mm, stiffness N/mm. */
  prior: ClothFactors;
  used: number;
  sewouts: number;
  /** What does not go with the rest. */
  outliers: MarkPlace[];
  /** Marks of which the forecast says nothing, because nothing meets where they are. */
  unplaced: MarkPlace[];
  /** How far the forecast was from what was measured and used, root mean square, mm. */
  errorBeforeMm: number;
  errorAfterMm: number;
}

export interface LearnOptions {
  grid?: Omit<SheetOptions, 'progress'>;
  progress?: (done: number) => void;
}

/** A ruler on cloth is read to a tenth; a whole design lies less flat, mm. */
const READ_MM = { gap: 0.1, overlap: 0.1, height: 0.12, size: 0.25 } as const;
/** Half of the range that holds 95 % of a normal distribution. */
const RANGE = 1.96;
/** Surfaces are made anew when the draw-in moved farther than this; about rounded values, so that they are known when they come again. */
const MOVED = 0.15;
const ABOUT = 0.2;
const RECENTRED = 3;

/** What a forecast says of each mark of a sew-out for fitted values, each worked out once. */
export function predictorOf({ job, setup, marks }: MeasuredSewout, grid?: LearnOptions['grid']): (z: Fitted) => readonly (number | null)[] {
  const planner = new Planner();
  const plan = planner.plan(job);
  const base = forecastParameters(asSewn(job, setup));
  const known = new Map<string, readonly (number | null)[]>();
  return (z) => {
    const key = z.map((v) => v.toFixed(4)).join();
    const before = known.get(key);
    if (before) return before;
    const parameters = timesFactors(base, factorsOf(z));
    const seen: Forecast = forecast(job, { planner, plan, parameters, ...(grid ? { grid } : {}) });
    const values = marks.map((mark) => foreseenAt(job, seen, mark));
    known.set(key, values);
    return values;
  };
}

/** Fits what the measurements of several sew-outs of one cloth and stabilizer say. Null where nothing of them can be used. */
export function learn(sewouts: readonly MeasuredSewout[], options: LearnOptions = {}): Learned | null {
  return learnFrom(
    sewouts,
    sewouts.map((s) => predictorOf(s, options.grid)),
    options.progress,
  );
}

/**
 * The same with what the forecast says of each sew-out given.
 * @param verified whether the error afterwards is that of one more forecast, not what the surfaces say
 */
export function learnFrom(
  sewouts: readonly MeasuredSewout[],
  predictors: readonly ((z: Fitted) => readonly (number | null)[])[],
  progress: (done: number) => void = () => undefined,
  verified = true,
): Learned | null {
  const places = sewouts.flatMap(({ marks }, sewout) => marks.map((_, mark): MarkPlace => ({ sewout, mark })));
  const markOf = ({ sewout, mark }: MarkPlace): Measured => sewouts[sewout]!.marks[mark]!;
  const surfacesOf = (about: Fitted): (Surface | null)[] => predictors.flatMap((predict) => surfacesAbout(about, predict));
  let about = AS_RECIPE;
  let surfaces = surfacesOf(about);
  progress(1 / (RECENTRED + 2));
  const placed = places.filter((_, i) => surfaces[i] !== null);
  if (placed.length === 0) return null;
  const fitAt = (): Fit => fitted(samplesOf(places, surfaces, markOf));
  let fit = fitAt();
  for (let round = 0; round < RECENTRED && Math.abs(fit.z[0]! - about[0]!) > MOVED; round++) {
    about = AS_RECIPE.map((v, k) => (k === 0 ? Math.round(fit.z[0]! / ABOUT) * ABOUT : v));
    surfaces = surfacesOf(about).map((s, i) => (placed.includes(places[i]!) ? s : null));
    fit = fitAt();
    progress((round + 2) / (RECENTRED + 2));
  }
  const seenAs = places.filter((_, i) => surfaces[i] !== null);
  const outliers = fit.outliers.map((i) => seenAs[i]!);
  const used = seenAs.filter((p) => !outliers.includes(p));
  const rms = (misses: readonly number[]): number => Math.sqrt(misses.reduce((sum, m) => sum + m * m, 0) / Math.max(1, misses.length));
  const errorAt = (z: Fitted): number => {
    const said = predictors.map((predict) => predict(z));
    return rms(used.map((p) => markOf(p).mm - (said[p.sewout]![p.mark] ?? markOf(p).mm)));
  };
  const errorNear = (z: Fitted): number => rms(used.map((p) => markOf(p).mm - valueAt(surfaces[places.indexOf(p)]!, z)));
  const [{ job, setup }] = sewouts as [MeasuredSewout];
  const base = forecastParameters(asSewn(job, setup));
  const logs = spreadsOf(fit.covariance);
  return {
    cloth: recipeFor(job.brief).key,
    factors: factorsOf(fit.z),
    spreads: Object.fromEntries(PARAMETERS.map((name) => [name, RANGE * logs[name]])) as unknown as ClothFactors,
    prior: { shortening: base.shortening, push: base.push, bite: base.biteMm, stiffness: base.stiffnessNPerMm },
    used: used.length,
    sewouts: new Set(used.map((p) => p.sewout)).size,
    outliers,
    unplaced: places.filter((p) => !seenAs.includes(p)),
    errorBeforeMm: errorAt(AS_RECIPE),
    errorAfterMm: verified ? errorAt(fit.z) : errorNear(fit.z),
  };
}

function samplesOf(places: readonly MarkPlace[], surfaces: readonly (Surface | null)[], markOf: (p: MarkPlace) => Measured): Sample[] {
  return places.flatMap((p, i): Sample[] => {
    const surface = surfaces[i];
    if (!surface) return [];
    const { kind, mm } = markOf(p);
    return [
      {
        measuredMm: mm,
        readMm: READ_MM[kind as keyof typeof READ_MM],
        surface,
        censored: kind === 'gap' && Math.abs(mm) < READ_MM.gap / 2,
      },
    ];
  });
}
