import type { Content, TableCell } from 'pdfmake/interfaces';
import type { Job } from '../../document/types';
import { offerOf } from '../../production/quotation';
import { offeredSteps, type Order, type Price } from '../../production/price';
import { LINE, QUIET, type Write } from './paper';

export interface Quoted {
  job: Job;
  price: Price;
  order: Order;
  /** Prices at larger quantities. */
  ladder: readonly { quantity: number; each: number; total: number }[];
}

const RULES = {
  hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => LINE,
  paddingLeft: () => 0,
  paddingRight: () => 0,
  paddingTop: () => 3,
  paddingBottom: () => 3,
};

/** A quotation: what is offered, step by step, what it comes to, and what larger quantities would cost. @param small address of a picture of the design */
export function quotationPaper(
  { job, price, order, ladder }: Quoted,
  small: string,
  shop: readonly string[],
  on: string,
  write: Write,
): Content[] {
  const amount = (v: number): string => `${price.currency} ${v.toFixed(2)}`;
  const right = (text: string, bold = false): TableCell => write(text, { alignment: 'right', bold });
  return [
    ...shop.map((line, i): Content => write(line, { fontSize: 9, color: QUIET, alignment: 'right', bold: i === 0 })),
    {
      columns: [
        { image: small, fit: [110, 110], width: 126 },
        {
          stack: [
            write(`Quotation: ${job.name}`, { fontSize: 20, bold: true, margin: [0, 0, 0, 6] }),
            write(offerOf(job, order)),
            write(on, { color: QUIET, margin: [0, 4, 0, 0] }),
          ],
          width: '*',
        },
      ],
      margin: [0, shop.length > 0 ? 8 : 0, 0, 18],
    },
    {
      table: {
        widths: ['*', 110],
        body: [
          ...offeredSteps(price).map((s): TableCell[] => [write(s.words), right(amount(s.amount))]),
          [write('Total', { bold: true, fontSize: 13 }), write(amount(price.total), { bold: true, fontSize: 13, alignment: 'right' })],
          [write('Each', { color: QUIET }), right(amount(price.each))],
        ],
      },
      layout: RULES,
    },
    ...(ladder.length > 0
      ? [
          write('Larger quantities', { bold: true, fontSize: 11, margin: [0, 18, 0, 3] }),
          {
            table: {
              widths: ['*', 110, 110],
              body: [
                [write('Quantity', { color: QUIET }), right('each'), right('in all')],
                ...ladder.map((l): TableCell[] => [write(String(l.quantity)), right(amount(l.each)), right(amount(l.total))]),
              ],
            },
            layout: RULES,
          },
        ]
      : []),
  ];
}
