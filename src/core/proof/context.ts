import { recipeFor } from '../cloth/house';
import type { ClothRecipe } from '../cloth/recipes';
import type { Job, Piece } from '../document/types';
import { forecast, type Forecast } from '../forecast/forecast';
import { boundsOf, type Point } from '../geometry/point';
import { Planner } from '../plan/planner';
import { measurePlan, type PlanFigures } from '../plan/measure';
import type { StitchPlan } from '../plan/plan';
import { routeInput, type RouteInput } from '../plan/links';
import type { Shaped } from '../pieces/prepare/shaped';
import { weighed } from '../plan/weighed';
import type { Weight } from '../stitches/weight';

/** What checks may look at. The dearer parts are made when first asked for. */
export interface ProofContext {
  job: Job;
  plan: StitchPlan;
  shaped: readonly Shaped[];
  recipe: ClothRecipe;
  figures: PlanFigures;
  /** Middle of a piece, for findings that have no nearer place. */
  middleOf(piece: number): Point;
  /** Weight number of a piece's thread. */
  weightOf(piece: Piece): number;
  weight(): Weight;
  forecast(): Forecast;
  route(): RouteInput;
  /** The plan of another version of the job. */
  planOf(job: Job): StitchPlan;
  /** How often the thread would be cut in another version of the job. */
  trimsOf(job: Job): number;
}

export function proofContext(
  job: Job,
  planner: Planner = new Planner(),
  plan: StitchPlan = planner.plan(job),
  known?: Forecast,
): ProofContext {
  const shaped = planner.shape(job);
  let weight: Weight | null = null;
  let route: RouteInput | null = null;
  let foreseen: Forecast | null = known ?? null;
  return {
    job,
    plan,
    shaped,
    recipe: recipeFor(job.brief),
    figures: measurePlan(job, plan),
    middleOf(piece) {
      const box = boundsOf(shaped[piece]?.shape?.painted ?? []);
      return Number.isFinite(box.minX) ? { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 } : { x: 0, y: 0 };
    },
    weightOf: (piece) => job.threads.find((t) => t.id === piece.thread)?.weight ?? 40,
    weight: () => (weight ??= weighed(job, planner, plan)),
    forecast: () => (foreseen ??= forecast(job, { planner, plan })),
    route: () => (route ??= routeInput(job, shaped)),
    planOf: (other) => planner.plan(other),
    trimsOf: (other) => measurePlan(other, planner.plan(other)).trims,
  };
}
