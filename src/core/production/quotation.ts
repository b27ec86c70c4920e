import type { ShopIdentity } from '../document/shop/identity';
import type { Rates } from '../document/shop/rates';
import type { Job } from '../document/types';
import { counted } from '../units/count';
import { formatLength } from '../units/length';
import { offeredSteps, priceOf, type Order, type Price } from './price';

interface Quoted {
  job: Job;
  price: Price;
  order: Order;
  shop: ShopIdentity;
}

/** What is offered, in one line. */
export function offerOf({ brief, threads }: Pick<Job, 'brief' | 'threads'>, order: Order): string {
  const { size, garment, units } = brief;
  const measure = size.width ?? size.height;
  const sized = measure === undefined ? '' : `, embroidery ${formatLength(measure, units)} ${size.width === undefined ? 'high' : 'wide'}`;
  return `${order.quantity} × ${garment || 'garment'}${sized}, ${counted(threads.length, 'thread')}, ${Math.round(order.stitches).toLocaleString('en')} stitches`;
}

/** A quotation as plain text: what is offered, step by step, and what it comes to. */
export function quotation({ job, price, order, shop }: Quoted): string {
  const amount = (v: number): string => `${price.currency} ${v.toFixed(2)}`;
  const steps = offeredSteps(price);
  const widest = Math.max(...steps.map((s) => s.words.length), 5);
  return [
    ...(shop.name ? [shop.name] : []),
    ...(shop.address ? shop.address.split('\n') : []),
    ...(shop.name || shop.address ? [''] : []),
    `Quotation: ${job.name}`,
    offerOf(job, order),
    '',
    ...steps.map((s) => `${s.words.padEnd(widest)}  ${amount(s.amount).padStart(12)}`),
    `${'Total'.padEnd(widest)}  ${amount(price.total).padStart(12)}`,
    `${'Each'.padEnd(widest)}  ${amount(price.each).padStart(12)}`,
    '',
  ].join('\n');
}

/** What the order would cost at the quantities from which less is asked for sewing, those beyond it. */
export function pricesAtBreaks(order: Order, rates: Rates): { quantity: number; each: number; total: number }[] {
  return rates.breaks
    .map((b) => b.from)
    .filter((quantity) => quantity > order.quantity)
    .sort((a, b) => a - b)
    .map((quantity) => {
      const hours = (order.machineHours * quantity) / order.quantity;
      const { each, total } = priceOf({ ...order, quantity, machineHours: hours }, rates);
      return { quantity, each, total };
    });
}
