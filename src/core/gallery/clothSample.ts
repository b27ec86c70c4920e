import { recipeFor } from '../cloth/house';
import { emptyJob } from '../document/job';
import type { Brief, Job } from '../document/types';
import { forecast } from '../forecast/forecast';
import type { PredictedPlace } from '../forecast/edgeMeetings';
import { Planner } from '../plan/planner';
import type { PlannedPiece, StitchPlan } from '../plan/plan';
import { isPale } from '../render/raster';
import { made } from './samples';

/** The column and the field of the standard sample are drawn so wide, mm. */
export const COLUMN_MM = 4;
const FIELD_MM = 14;
/** Threads that stand out from pale and from dark cloth. */
const [DEEP, BRIGHT] = ['#0b5563', '#e59a1c'];
const COLUMN = 0;
const FIELD = 1;

/** How wide a part of the sample is drawn, sewn, and predicted to come out, mm. */
export interface SampleWidth {
  drawnMm: number;
  sewnMm: number;
  outMm: number;
  /** The same sewn without pull compensation. */
  plainMm: number;
}

/** What a cloth does to the standard sample: a column and a field. */
export interface ClothSample {
  job: Job;
  plan: StitchPlan;
  column: PlannedPiece;
  widths: { column: SampleWidth; field: SampleWidth };
}

/** The standard sample as a job on a cloth. @param pullComp set by hand on all of it when given, mm */
function clothSampleJob(brief: Pick<Brief, 'cloth' | 'recipe'>, pullComp?: number): Job {
  const set = pullComp === undefined ? {} : { pullComp };
  const pieces = [
    made('satin', { area: 'M7,-9 h4 v18 h-4 Z' }, set),
    made('fill', { area: 'M-14,-9 h14 v18 h-14 Z' }, { ...set, angle: 0 }),
  ];
  const { hex } = recipeFor(brief);
  const threads = [{ id: 'a', code: 'Q214', name: 'Sample', hex: isPale(hex) ? DEEP : BRIGHT, weight: 40 as const }];
  return { ...emptyJob('cloth', 'Sample', { ...brief, clothHex: hex }), threads, pieces };
}

/** How much wider than drawn the sides of a piece are predicted to lie, both together, mm. */
function wider(places: readonly PredictedPlace[]): number {
  const side = (sign: number): number => {
    const own = places.filter((p) => sign * p.out.x > 0.9);
    return own.length > 0 ? own.reduce((sum, p) => sum + p.offMm, 0) / own.length : 0;
  };
  return side(1) + side(-1);
}

function foreseen(job: Job): { plan: StitchPlan; wider(piece: number): number } {
  const planner = new Planner();
  const plan = planner.plan(job);
  const { outlines } = forecast(job, { planner, plan });
  return { plan, wider: (piece) => wider(outlines.filter((o) => o.piece === piece).flatMap((o) => o.places)) };
}

/** Sews the standard sample on a cloth, with its compensation and without any. */
export function clothSample(brief: Pick<Brief, 'cloth' | 'recipe'>): ClothSample {
  const job = clothSampleJob(brief);
  const [sewn, plain] = [foreseen(job), foreseen(clothSampleJob(brief, 0))];
  const widthOf = (piece: number, drawnMm: number): SampleWidth => ({
    drawnMm,
    sewnMm: drawnMm + 2 * (sewn.plan.pieces[piece]!.settings?.pullComp?.value ?? 0),
    outMm: drawnMm + sewn.wider(piece),
    plainMm: drawnMm + plain.wider(piece),
  });
  return {
    job,
    plan: sewn.plan,
    column: sewn.plan.pieces[COLUMN]!,
    widths: { column: widthOf(COLUMN, COLUMN_MM), field: widthOf(FIELD, FIELD_MM) },
  };
}
