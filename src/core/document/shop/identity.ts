import Joi from 'joi';

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

export const PAPERS = ['a4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** Whose shop it is, and when it works: set once, shown wherever paper leaves the house. */
export interface ShopIdentity {
  name: string;
  /** Lines as they stand on paper. */
  address: string;
  paper: Paper;
  /** Working hours of a day, by the clock: 7.5 is half past seven. */
  opens: number;
  closes: number;
  /** 0 is Monday. */
  days: number[];
}

export const DEFAULT_IDENTITY: ShopIdentity = { name: '', address: '', paper: 'a4', opens: 8, closes: 16.5, days: [0, 1, 2, 3, 4] };

const hour = Joi.number().min(0).max(24);

export const identitySchema = Joi.object<ShopIdentity, true>({
  name: Joi.string().allow('').max(80).default(''),
  address: Joi.string().allow('').max(400).default(''),
  paper: Joi.string()
    .valid(...PAPERS)
    .default('a4'),
  opens: hour.default(DEFAULT_IDENTITY.opens),
  closes: hour.greater(Joi.ref('opens')).default(DEFAULT_IDENTITY.closes),
  days: Joi.array().items(Joi.number().integer().min(0).max(6)).min(1).unique().default(DEFAULT_IDENTITY.days),
});
