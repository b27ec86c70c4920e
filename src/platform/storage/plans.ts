import type { WiredPlan } from '@/core/plan/delta';
import type { PlanFigures } from '@/core/plan/measure';
import { tableOf } from './table';

/** The plan of a job as it stands in the store, so that the Bench need not wait for it to be made anew. */
export interface KeptPlan {
  /** The state of the job that it is of. */
  mark: string;
  /** Whole, not a difference. */
  plan: WiredPlan;
  figures: PlanFigures;
  outlines: string[];
}

/** Another build may sew the same job otherwise. */
const BUILD = process.env['COBBLE_BUILD'] ?? '';

const plans = tableOf<KeptPlan & { build: string }>('cobble-plans', 'plans');

/** The plan of one state of a job; null when there is none of that state and this build. */
export async function keptPlan(id: string, mark: string): Promise<KeptPlan | null> {
  const kept = await plans.get(id);
  return kept?.mark === mark && kept.build === BUILD ? kept : null;
}

export const keepPlan = (id: string, plan: KeptPlan): Promise<void> => plans.set(id, { ...plan, build: BUILD });

export const dropPlan = (id: string): Promise<void> => plans.remove(id);
