import Joi from 'joi';
import { InputError } from '../errors';

/** From so many garments on, so much less for sewing. */
export interface QuantityBreak {
  from: number;
  percent: number;
}

/** What the shop asks for its work; every amount in the shop's own currency. */
export interface Rates {
  /** What sewing is counted by: thousands of stitches on each garment, or hours of the machine. */
  by: 'thousand' | 'hour';
  perThousand: number;
  perHour: number;
  /** For each order. */
  setUp: number;
  digitizing: number;
  /** For each garment that the shop supplies. */
  garment: number;
  /** Share of the price that is left when everything is paid, %. */
  margin: number;
  /** Added for work that is wanted soon, %. */
  rush: number;
  breaks: QuantityBreak[];
  /** Three letters or a sign, as the shop writes it. */
  currency: string;
}

export const DEFAULT_RATES: Rates = {
  ...{ by: 'thousand', perThousand: 0.6, perHour: 30, setUp: 15, digitizing: 45, garment: 0, margin: 25, rush: 0 },
  breaks: [
    { from: 24, percent: 5 },
    { from: 96, percent: 12 },
  ],
  currency: '€',
};

const amount = Joi.number().min(0).max(1e6);
const percent = Joi.number().min(0);

export const ratesSchema = Joi.object<Rates, true>({
  by: Joi.string().valid('thousand', 'hour').default(DEFAULT_RATES.by),
  perThousand: amount.default(DEFAULT_RATES.perThousand),
  perHour: amount.default(DEFAULT_RATES.perHour),
  setUp: amount.default(0),
  digitizing: amount.default(0),
  garment: amount.default(0),
  margin: percent.max(95).default(0),
  rush: percent.max(500).default(0),
  breaks: Joi.array()
    .items(
      Joi.object<QuantityBreak, true>({ from: Joi.number().integer().min(1).max(1e6).required(), percent: percent.max(95).required() }),
    )
    .max(20)
    .default([]),
  currency: Joi.string().min(1).max(6).default(DEFAULT_RATES.currency),
});

/**
 * Reads rates from a file of their own.
 * @throws InputError with one sentence for people
 */
export function parseRates(data: unknown): Rates {
  const result = ratesSchema.validate(data, { abortEarly: true, convert: false });
  if (result.error) throw new InputError('bad-usage', `These rates cannot be used: ${result.error.message.replaceAll('"', '‘')}.`);
  return result.value;
}
