import { recipeFor, stabilizerFor } from '../cloth/house';
import { stabilizerLayers } from '../cloth/thickness';
import type { Hoop, Job } from '../document/types';
import { boundsOf } from '../geometry/point';
import { prepareShape } from '../pieces/registry';
import { BOBBIN_SHARE } from '../plan/measure';
import type { SewnStop } from './stops';
import type { WorkHabits } from '../document/shop/work';

/** Thread of one colour for a whole quantity. */
export interface ThreadNeed {
  code: string;
  name: string;
  hex: string;
  weight: number;
  /** With what is lost, m. */
  metres: number;
  /** Of these on each head, and on a full cone, m. */
  perHeadM: number;
  onConeM: number;
  heads: number;
  /** Each head has cones of its own. */
  cones: number;
}

/** Cones of a thread: each head begins its own. */
export const conesFor = ({ perHeadM, onConeM, heads }: Pick<ThreadNeed, 'perHeadM' | 'onConeM' | 'heads'>): number =>
  Math.ceil(perHeadM / onConeM) * heads;

/** What is taken from the shelves for a quantity. Areas m². */
export interface Materials {
  thread: ThreadNeed[];
  bobbins: number;
  bobbinM: number;
  stabilizer: string;
  stabilizerM2: number;
  topping: string;
  toppingM2: number;
  foamM2: number;
}

export interface Need {
  /** Stretches of one run of one head, and how often it is run. */
  stops: readonly SewnStop[];
  runs: number;
  /** What lies in the machine: its field, and how many times the design is in it. */
  hoop: Hoop;
  perHoop: number;
  /** Garments of the whole quantity. */
  quantity: number;
}

/** Topping and foam are cut so much larger than what they lie under, mm at each side. */
const CUT_LARGER_MM = 5;
const WEIGHT_OF_CONES = 40;

/** Thread, bobbins, stabilizer, topping and foam for a quantity. */
export function materialsFor(job: Job, need: Need, habits: WorkHabits): Materials {
  const recipe = recipeFor(job.brief);
  const stabilizer = stabilizerFor(recipe, job.settings);
  const hoops = Math.ceil(need.quantity / need.perHoop);
  const margin = 2 * habits.stabilizerMarginMm;
  const sheet = (need.hoop.width + margin) * (need.hoop.height + margin);
  const thread = threadFor(job, need, habits);
  const stitches = sum(need.stops.map((s) => s.stitches));
  // Every head of every run sews, but for those that the last run leaves without cloth.
  const perHead = stitches * need.runs;
  return {
    thread,
    bobbins: Math.ceil(perHead / habits.bobbinStitches) * habits.heads,
    bobbinM: sum(thread.map((t) => t.metres)) * BOBBIN_SHARE,
    stabilizer,
    stabilizerM2: stabilizer === 'none' ? 0 : (sheet * stabilizerLayers(stabilizer) * hoops) / 1e6,
    topping: recipe.topping,
    toppingM2: /film|soluble/.test(recipe.topping) ? (boxArea(job, () => true) * need.quantity) / 1e6 : 0,
    foamM2: (boxArea(job, (foam) => foam > 0) * need.quantity) / 1e6,
  };
}

function threadFor(job: Job, { stops, runs, quantity, perHoop }: Need, habits: WorkHabits): ThreadNeed[] {
  const hoops = Math.ceil(quantity / perHoop);
  const wasted = 1 + habits.wastePercent / 100;
  return job.threads.flatMap(({ code, name, hex, weight }, i) => {
    const once = sum(stops.filter((s) => s.thread === i).map((s) => s.upperM));
    if (once === 0) return [];
    const share = { perHeadM: once * runs * wasted, onConeM: (habits.coneM * weight) / WEIGHT_OF_CONES, heads: habits.heads };
    return [{ code, name, hex, weight, metres: once * hoops * wasted, ...share, cones: conesFor(share) }];
  });
}

/** Boxes round pieces on foam of some thickness (none counts as 0) with what is cut larger, mm². */
function boxArea(job: Job, wanted: (foam: number) => boolean): number {
  const pieces = job.pieces.filter((p) => wanted(p.settings.foam ?? 0));
  const box = boundsOf(pieces.flatMap((p) => prepareShape(p)?.painted ?? []));
  if (pieces.length === 0 || !(box.maxX >= box.minX)) return 0;
  return (box.maxX - box.minX + 2 * CUT_LARGER_MM) * (box.maxY - box.minY + 2 * CUT_LARGER_MM);
}

const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
