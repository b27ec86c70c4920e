import { runSeconds } from '../plan/measure';
import type { PlanFigures } from '../plan/measure';
import { priceOf, type Order } from './price';
import type { Rates } from '../document/shop/rates';

/** What one change of the design would spare over the whole order. */
export interface Saving {
  what: string;
  seconds: number;
  money: number;
}

interface Of {
  figures: PlanFigures;
  order: Order;
  rates: Rates;
  runs: number;
  stitchesPerMinute: number;
  /** Designs in one run of a head. */
  perHoop: number;
}

/** Changes that people weigh: fewer cuts, one thread less, a lighter cover. Those that there is nothing to take from are left out. */
export function savings({ figures, order, rates, runs, stitchesPerMinute, perHoop }: Of): Saving[] {
  const now = priceOf(order, rates).total;
  const saved = (what: string, less: { stitches: number; trims: number; stops: number }): Saving => {
    const seconds = runSeconds(less, stitchesPerMinute) * runs;
    const next = { ...order, stitches: order.stitches - less.stitches / perHoop, machineHours: order.machineHours - seconds / 3600 };
    return { what, seconds, money: now - priceOf(next, rates).total };
  };
  const tenth = Math.round(figures.stitches / 10);
  const trims = Math.min(10, figures.trims);
  return [
    ...(figures.trims > 1 ? [saved(`${trims} trims fewer`, { stitches: 6 * trims, trims, stops: 0 })] : []),
    ...(figures.colourChanges > 0 ? [saved('One thread change less', { stitches: 0, trims: 1, stops: 1 })] : []),
    ...(figures.stitches > 1000 ? [saved('A tenth of the stitches less', { stitches: tenth, trims: 0, stops: 0 })] : []),
  ];
}
