import type { ShopIdentity } from '../document/shop/identity';
import type { Job } from '../document/types';
import { formatLength } from '../units/length';
import type { Order, Price } from './price';

interface Quoted {
  job: Job;
  price: Price;
  order: Order;
  shop: ShopIdentity;
}

/** A quotation as plain text: what is offered, step by step, and what it comes to. */
export function quotation({ job, price, order, shop }: Quoted): string {
  const { size, garment, units } = job.brief;
  const measure = size.width ?? size.height;
  const amount = (v: number): string => `${price.currency} ${v.toFixed(2)}`;
  const widest = Math.max(...price.steps.map((s) => s.words.length), 5);
  return [
    ...(shop.name ? [shop.name] : []),
    ...(shop.address ? shop.address.split('\n') : []),
    ...(shop.name || shop.address ? [''] : []),
    `Quotation: ${job.name}`,
    `${order.quantity} × ${garment || 'garment'}${measure === undefined ? '' : `, embroidery ${formatLength(measure, units)} ${size.width === undefined ? 'high' : 'wide'}`}, ${job.threads.length} threads, ${Math.round(order.stitches).toLocaleString('en')} stitches`,
    '',
    ...price.steps.map((s) => `${s.words.padEnd(widest)}  ${amount(s.amount).padStart(12)}`),
    `${'Total'.padEnd(widest)}  ${amount(price.total).padStart(12)}`,
    `${'Each'.padEnd(widest)}  ${amount(price.each).padStart(12)}`,
    '',
  ].join('\n');
}
