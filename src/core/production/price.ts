import type { Rates } from '../document/shop/rates';

/** One step from nothing to the price; amounts of the whole order. */
export interface PriceStep {
  key: 'sewing' | 'break' | 'setUp' | 'digitizing' | 'garments' | 'margin' | 'rush';
  words: string;
  amount: number;
  /** The same for the customer, without the shop's rate. */
  plain?: string;
}

export interface Price {
  steps: PriceStep[];
  total: number;
  each: number;
  currency: string;
}

/** What is asked to be done. */
export interface Order {
  quantity: number;
  /** On one garment. */
  stitches: number;
  /** Of the machine, for the whole quantity. */
  machineHours: number;
  /** It is wanted soon. */
  rush: boolean;
  /** The shop supplies what is sewn on. */
  withGarments: boolean;
  /** The design has been paid for before. */
  repeat: boolean;
}

const cents = (v: number): number => Math.round(v * 100) / 100;

/** The break that a quantity reaches, %. */
export const breakAt = (rates: Rates, quantity: number): number =>
  rates.breaks.filter((b) => quantity >= b.from).reduce((most, b) => Math.max(most, b.percent), 0);

/** The price of an order, step by step; the steps add up to the total to the cent. */
export function priceOf(order: Order, rates: Rates): Price {
  const steps = costs(order, rates).filter((s) => s.amount !== 0);
  const cost = sum(steps);
  const margin = cents(cost / (1 - rates.margin / 100) - cost);
  if (margin !== 0) steps.push({ key: 'margin', words: `Margin, ${rates.margin} % of the price`, amount: margin });
  const rush = order.rush ? cents((sum(steps) * rates.rush) / 100) : 0;
  if (rush !== 0) steps.push({ key: 'rush', words: `Wanted soon, ${rates.rush} %`, amount: rush });
  const total = cents(sum(steps));
  return { steps, total, each: cents(total / order.quantity), currency: rates.currency };
}

function costs({ quantity, stitches, machineHours, withGarments, repeat }: Order, rates: Rates): PriceStep[] {
  const byThousand = rates.by === 'thousand';
  const sewing = cents(byThousand ? (stitches / 1000) * rates.perThousand * quantity : machineHours * rates.perHour);
  const off = breakAt(rates, quantity);
  const each = `${quantity} × ${(stitches / 1000).toFixed(1)} thousand stitches`;
  const counted = byThousand
    ? `${each} at ${rates.perThousand.toFixed(2)}`
    : `${machineHours.toFixed(1)} h of the machine at ${rates.perHour.toFixed(2)}`;
  return [
    { key: 'sewing', words: `Sewing, ${counted}`, plain: `Sewing, ${each}`, amount: sewing },
    { key: 'break', words: `${off} % less from this quantity on`, amount: -cents((sewing * off) / 100) },
    {
      key: 'garments',
      words: `${quantity} garments at ${rates.garment.toFixed(2)}`,
      plain: `${quantity} garments`,
      amount: withGarments ? cents(rates.garment * quantity) : 0,
    },
    { key: 'digitizing', words: 'Digitizing', amount: repeat ? 0 : cents(rates.digitizing) },
    { key: 'setUp', words: 'Setting up', amount: cents(rates.setUp) },
  ];
}

/**
 * The steps as a customer sees them: what the shop keeps is in each of them and no step of its own. They add up to the total to the cent; the
 * largest takes what rounding leaves.
 */
export function offeredSteps({ steps, total }: Price): { words: string; amount: number }[] {
  const rush = steps.find((s) => s.key === 'rush');
  const costly = steps.filter((s) => s.key !== 'margin' && s.key !== 'rush');
  const asked = cents(total - (rush?.amount ?? 0));
  const cost = sum(costly);
  const factor = cost > 0 ? asked / cost : 1;
  const offered = costly.map((s) => ({ words: s.plain ?? s.words, amount: cents(s.amount * factor) }));
  const left = cents(asked - cents(offered.reduce((n, s) => n + s.amount, 0)));
  const largest = offered.reduce((best, s, i) => (s.amount > offered[best]!.amount ? i : best), 0);
  if (offered[largest]) offered[largest].amount = cents(offered[largest].amount + left);
  return [...offered, ...(rush ? [{ words: rush.words, amount: rush.amount }] : [])];
}

const sum = (steps: readonly PriceStep[]): number => cents(steps.reduce((a, s) => a + s.amount, 0));

/** The steps one upon the other: where each begins and where it leads. */
export function ladderOf({ steps }: Price): { key: PriceStep['key']; from: number; to: number }[] {
  let at = 0;
  return steps.map(({ key, amount }) => ({ key, from: at, to: (at = cents(at + amount)) }));
}
