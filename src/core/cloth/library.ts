import Joi from 'joi';
import { InputError } from '../document/errors';
import { recipeChangeSchema } from '../document/schema';
import { CLOTH_KEYS, type Hoop, type JobSettings, type Thread } from '../document/types';
import type { HouseRecipe } from './house';

/** What the shop keeps beside its jobs: own cloths, own threads, own hoops, and how it likes to work. */
export interface ShopLibrary {
  cobbleLibrary: 1;
  recipes: HouseRecipe[];
  threads: Omit<Thread, 'id'>[];
  hoops: Hoop[];
  /** Settings that new jobs begin with. */
  school: JobSettings;
}

export const EMPTY_LIBRARY: ShopLibrary = { cobbleLibrary: 1, recipes: [], threads: [], hoops: [], school: {} };

const side = Joi.number().min(10).max(1000).required();

export const librarySchema = Joi.object<ShopLibrary>({
  cobbleLibrary: Joi.number().valid(1).required(),
  recipes: Joi.array()
    .items(
      (recipeChangeSchema as Joi.ObjectSchema<HouseRecipe>).keys({
        cloth: Joi.string()
          .valid(...CLOTH_KEYS)
          .required(),
      }),
    )
    .max(200)
    .default([]),
  threads: Joi.array()
    .items(
      Joi.object({
        code: Joi.string().min(1).max(40).required(),
        name: Joi.string().allow('').max(80).required(),
        hex: Joi.string()
          .pattern(/^#[0-9a-fA-F]{6}$/)
          .required(),
        weight: Joi.number().min(8).max(150).default(40),
      }).unknown(true),
    )
    .max(2000)
    .default([]),
  hoops: Joi.array()
    .items(Joi.object({ width: side, height: side, shape: Joi.string().valid('rect', 'round').default('rect') }))
    .max(50)
    .default([]),
  school: Joi.object({
    satinLimit: Joi.number().min(2).max(12),
    tieWhen: Joi.string().valid('trims', 'always', 'never'),
    trimDistance: Joi.number().min(0.5).max(50),
  }).default({}),
}).unknown(true);

/**
 * Reads a library file.
 * @throws InputError with one sentence for people
 */
export function parseLibrary(data: unknown): ShopLibrary {
  if (typeof data !== 'object' || data === null || !('cobbleLibrary' in data)) {
    throw new InputError('bad-job', 'This file is not a Cobble library; choose one that was exported from the Library.');
  }
  const result = librarySchema.validate(data, { abortEarly: true, convert: true });
  if (result.error) throw new InputError('bad-job', `This library cannot be used: ${result.error.message.replaceAll('"', '‘')}.`);
  return result.value;
}

/** A library with another's entries put in; entries of the same id, code or size are replaced. */
export function mergedLibrary(own: ShopLibrary, other: ShopLibrary): ShopLibrary {
  const by = <T>(a: readonly T[], b: readonly T[], key: (t: T) => string): T[] => [
    ...new Map([...a, ...b].map((t) => [key(t), t])).values(),
  ];
  return {
    cobbleLibrary: 1,
    recipes: by(own.recipes, other.recipes, (r) => r.id),
    threads: by(own.threads, other.threads, (t) => t.code),
    hoops: by(own.hoops, other.hoops, (h) => `${h.width} ${h.height} ${h.shape}`),
    school: { ...own.school, ...other.school },
  };
}

export interface School {
  key: keyof JobSettings;
  question: string;
  options: readonly { value: string | number; name: string; why: string }[];
}

/** Where good people differ: what new jobs begin with. The first of each is the default. */
export const SCHOOLS: readonly School[] = [
  {
    key: 'satinLimit',
    question: 'Widest satin',
    options: [
      { value: 9, name: '9 mm', why: 'the usual limit: smooth, and still holds in wear' },
      { value: 7, name: '7 mm, cautious', why: 'for clothes that are washed and handled much: long satins snag' },
      { value: 10, name: '10 mm, bold', why: 'fewer splits; for work that is looked at more than worn' },
      { value: 12, name: '12 mm, the machine’s limit', why: 'banners and caps with foam' },
    ],
  },
  {
    key: 'tieWhen',
    question: 'Ties',
    options: [
      { value: 'trims', name: 'Around trims', why: 'enough: the thread only ends there' },
      { value: 'always', name: 'At every piece', why: 'for work that is cut by hand' },
      { value: 'never', name: 'Never', why: 'for lace, where a knot shows' },
    ],
  },
  {
    key: 'trimDistance',
    question: 'Moves that are trimmed',
    options: [
      { value: 5, name: 'from 5 mm', why: 'shorter ones are sewn over or cut by hand' },
      { value: 2, name: 'from 2 mm', why: 'clean small lettering' },
    ],
  },
];
