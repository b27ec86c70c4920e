import type { Job } from '../document/types';
import { boundsOf, type Bounds, type Point } from '../geometry/point';
import type { Shaped } from '../pieces/prepare/shaped';
import { Planner } from '../plan/planner';
import type { StitchPlan } from '../plan/plan';
import { PLACE_MM } from '../editing/edgePlaces';
import { edgesOf, type MeetingEdge, type PredictedOutline } from './edgeMeetings';
import type { SheetMemory } from './sheetMemory';
import { forecastParameters, type ForecastParameters } from './parameters';
import { heightsIn, type TextHeights } from './textHeights';
import { EDITING_GRID, Sheet, type SheetOptions, type SheetResult } from './sheet';

/** Where the cloth about the work is pressed together beyond what it bears in its plane. */
export interface Pucker {
  areaMm2: number;
  /** Where it is pressed most, and by what share. */
  at: Point;
  pressed: number;
  limit: number;
}

/** What a sew-out is predicted to look like while still in the hoop. */
export interface Forecast {
  parameters: ForecastParameters;
  outlines: PredictedOutline[];
  meetings: MeetingEdge[];
  pucker: Pucker | null;
  /** How high the letters of texts are predicted to sew. */
  texts: TextHeights[];
  /** Size of all cover as drawn, and as predicted, mm. */
  drawn: { widthMm: number; heightMm: number };
  predicted: { widthMm: number; heightMm: number };
  /** Share of the force that the calculation left relativeResidual. */
  relativeResidual: number;
}

export interface ForecastOptions {
  grid?: Omit<SheetOptions, 'progress'>;
  parameters?: ForecastParameters;
  planner?: Planner;
  plan?: StitchPlan;
  /** Of earlier forecasts: an edit late in the sewing order is then quick. */
  memory?: SheetMemory;
  progress?: (done: number) => void;
}

/** Predicts how a job comes out of the machine. Throws only what `progress` throws. */
export function forecast(job: Job, options: ForecastOptions = {}): Forecast {
  const planner = options.planner ?? new Planner();
  const plan = options.plan ?? planner.plan(job);
  const parameters = options.parameters ?? forecastParameters(job);
  const progress = options.progress ?? ((): void => undefined);
  const sheet = new Sheet(job.brief.hoop, parameters, {
    ...(options.grid ?? EDITING_GRID),
    progress: (done) => progress(0.9 * done),
  }).sew(plan, options.memory);
  const shaped = planner.shape(job);
  const { outlines, meetings } = edgesOf(plan, shaped, sheet, parameters.biteMm);
  return {
    parameters,
    outlines,
    meetings,
    pucker: puckerOf(sheet, parameters),
    texts: heightsIn(plan, shaped, sheet, parameters.biteMm),
    ...sizesOf(outlines, boxOfPainted(shaped)),
    relativeResidual: sheet.relativeResidual,
  };
}

type Sizes = Pick<Forecast, 'drawn' | 'predicted'>;

/** All that is painted, and the same with what its outermost places are predicted to move. */
function sizesOf(outlines: readonly PredictedOutline[], drawn: Bounds | null): Sizes {
  if (!drawn) return { drawn: { widthMm: 0, heightMm: 0 }, predicted: { widthMm: 0, heightMm: 0 } };
  const places = outlines.flatMap((o) => o.places);
  /** How much farther out the work reaches one way than its places were drawn. */
  const grows = (x: number, y: number): number => {
    let [before, after] = [-Infinity, -Infinity];
    for (const { at, out, offMm } of places) {
      const reach = x * at.x + y * at.y;
      before = Math.max(before, reach);
      after = Math.max(after, reach + offMm * (x * out.x + y * out.y));
    }
    return places.length > 0 ? after - before : 0;
  };
  const [widthMm, heightMm] = [drawn.maxX - drawn.minX, drawn.maxY - drawn.minY];
  return {
    drawn: { widthMm, heightMm },
    predicted: { widthMm: widthMm + grows(1, 0) + grows(-1, 0), heightMm: heightMm + grows(0, 1) + grows(0, -1) },
  };
}

function boxOfPainted(shaped: readonly Shaped[]): Bounds | null {
  const painted = shaped.flatMap(({ shape }) => shape?.painted ?? []);
  return painted.length > 0 ? boundsOf(painted) : null;
}

/** Where thread lies it holds the cloth flat; the cloth about it is what buckles. */
function puckerOf({ strain, threaded, columns, left, top, cellMm }: SheetResult, { buckle }: ForecastParameters): Pucker | null {
  let [cells, worst, at] = [0, 0, 0];
  for (let cell = 0; 3 * cell < strain.length; cell++) {
    if (threaded[cell] === 1) continue;
    const [xx, yy, xy] = [strain[3 * cell]!, strain[3 * cell + 1]!, strain[3 * cell + 2]! / 2];
    const least = (xx + yy) / 2 - Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);
    if (-least > buckle) cells++;
    if (-least > worst) [worst, at] = [-least, cell];
  }
  if (cells === 0) return null;
  const place = { x: left + ((at % columns) + 0.5) * cellMm, y: top + (Math.floor(at / columns) + 0.5) * cellMm };
  return { areaMm2: cells * cellMm * cellMm, at: place, pressed: worst, limit: buckle };
}

/** An edge along which cloth shows. */
export interface Gap {
  first: number;
  later: number;
  at: Point;
  gapMm: number;
  /** Length of edge along which it shows, mm. */
  alongMm: number;
  /** The thread of a third piece shows, not the cloth. */
  backed: boolean;
}

/** A glimpse shorter than this along an edge is not seen, mm; of thread beneath rather than of cloth still less. */
const LEAST_ALONG_MM = 2;
const LEAST_BACKED_MM = 5;

/** An edge that will stay closed: where two pieces will overlap least along it. */
export interface Overlap {
  first: number;
  later: number;
  at: Point;
  overlapMm: number;
}

/** Edges of two pieces that meet and gape nowhere by more than a limit, the narrowest overlap first. */
export function overlapsOf(meetings: readonly MeetingEdge[], gapLimitMm: number): Overlap[] {
  return meetings
    .flatMap(({ first, later, line, places }): Overlap[] => {
      if (line) return [];
      const least = places.reduce((a, b) => (b.gapMm > a.gapMm ? b : a));
      return least.gapMm > gapLimitMm ? [] : [{ first, later, at: least.at, overlapMm: -least.gapMm }];
    })
    .sort((a, b) => a.overlapMm - b.overlapMm);
}

/** Edges along which cloth, or what lies beneath, shows by more than a limit, worst first. */
export function gapsOf(meetings: readonly MeetingEdge[], overMm: number): Gap[] {
  return meetings
    .flatMap(({ first, later, places }): Gap[] => {
      const open = places.filter((p) => p.gapMm > overMm);
      const backed = open.every((p) => p.backed);
      if (open.length * PLACE_MM < (backed ? LEAST_BACKED_MM : LEAST_ALONG_MM)) return [];
      const worst = open.reduce((a, b) => (b.gapMm > a.gapMm ? b : a));
      return [{ first, later, at: worst.at, gapMm: worst.gapMm, alongMm: open.length * PLACE_MM, backed }];
    })
    .sort((a, b) => b.gapMm - a.gapMm);
}
