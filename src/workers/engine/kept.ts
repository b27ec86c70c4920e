import { Planner } from '@/core/plan/planner';
import { SheetMemory } from '@/core/forecast/sheetMemory';

/** What this worker's requests share: plans and forecasts go on from what the last came to. */
export const planner = new Planner();
export const memory = new SheetMemory();
