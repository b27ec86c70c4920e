import Joi from 'joi';
import { InputError } from '../document/errors';
import { jobSettingsSchema, recipeChangeSchema } from '../document/schema';
import { DEFAULT_IDENTITY, identitySchema, type ShopIdentity } from '../document/shop/identity';
import type { MachineProfile } from '../document/shop/profile';
import { profileSchema } from '../document/shop/profileSchema';
import { DEFAULT_RATES, ratesSchema, type Rates } from '../document/shop/rates';
import { DEFAULT_WORK, workSchema, type WorkHabits } from '../document/shop/work';
import { CLOTH_KEYS, type ClothKey, type Hoop, type JobSettings, type RecipeChange, type Thread } from '../document/types';
import { briefRecipe, type HouseRecipe } from './house';
import { commonestWeight } from './threads';

/** A needle and what it is for: thread weights from `least` (thick) to `most` (thin). */
export interface NeedleNote {
  size: string;
  use: string;
  least: number;
  most: number;
}

/** Needles in usual use (craft §4, §5). */
export const NEEDLES: readonly NeedleNote[] = [
  { size: '65/9 sharp', use: 'lettering under 6 mm and sheer cloth, with thin thread', least: 50, most: 75 },
  { size: '70/10 ballpoint', use: 'jersey: slips between the loops', least: 40, most: 60 },
  { size: '75/11 sharp', use: 'woven cloth, felt, film', least: 30, most: 60 },
  { size: '75/11 ballpoint', use: 'piqué and fleece', least: 30, most: 60 },
  { size: '80/12 sharp, coated', use: 'structured caps and foam', least: 30, most: 40 },
  { size: '80/12 ballpoint', use: 'terry and pile', least: 30, most: 40 },
  { size: '80/12 wedge', use: 'leather and vinyl: cuts instead of tearing', least: 30, most: 40 },
  { size: '100/16 large eye', use: 'thick thread', least: 12, most: 29 },
];

/** What the shop keeps beside its jobs: own cloths, own threads, own hoops, and how it likes to work. */
export interface ShopLibrary {
  cobbleLibrary: 1;
  recipes: HouseRecipe[];
  threads: Omit<Thread, 'id'>[];
  hoops: Hoop[];
  /** Own needles, beside the usual ones. */
  needles: NeedleNote[];
  /** Settings that new jobs begin with. */
  school: JobSettings;
  shop: ShopIdentity;
  rates: Rates;
  work: WorkHabits;
  /** Its own machines. */
  machines: MachineProfile[];
}

export const EMPTY_LIBRARY: ShopLibrary = {
  cobbleLibrary: 1,
  recipes: [],
  threads: [],
  hoops: [],
  needles: [],
  school: {},
  shop: DEFAULT_IDENTITY,
  rates: DEFAULT_RATES,
  work: DEFAULT_WORK,
  machines: [],
};

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
  needles: Joi.array()
    .items(
      Joi.object<NeedleNote>({
        size: Joi.string().min(1).max(40).required(),
        use: Joi.string().allow('').max(200).default(''),
        least: Joi.number().min(8).max(150).default(30),
        most: Joi.number().min(8).max(150).default(60),
      }),
    )
    .max(50)
    .default([]),
  school: jobSettingsSchema.default({}),
  shop: identitySchema.default(DEFAULT_IDENTITY),
  rates: ratesSchema.default(DEFAULT_RATES),
  work: workSchema.default(DEFAULT_WORK),
  machines: Joi.array().items(profileSchema).max(40).default([]),
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
    needles: by(own.needles, other.needles, (n) => n.size),
    school: { ...own.school, ...other.school },
    shop: other.shop.name === '' ? own.shop : other.shop,
    rates: other.rates,
    work: other.work,
    machines: by(own.machines, other.machines, (m) => m.name),
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
    key: 'longestStitch',
    question: 'Longest stitch of the machine',
    options: [
      { value: 12, name: '12 mm', why: 'what most machines make' },
      { value: 15, name: '15 mm', why: 'where its manual allows it: whole rows of broad satin over foam' },
    ],
  },
  {
    key: 'tieWhen',
    question: 'Ties',
    options: [
      { value: 'trims', name: 'Around trims', why: 'enough: the thread only ends there' },
      { value: 'always', name: 'At every piece', why: 'for work that is cut by hand' },
      { value: 'distance', name: 'By distance', why: 'around trims, and wherever so much thread lies bare that a hand will cut it' },
      { value: 'never', name: 'Never', why: 'for lace, where a knot shows' },
    ],
  },
  {
    key: 'tieDistance',
    question: 'Ties by distance',
    options: [
      { value: 2, name: 'from 2 mm of bare thread', why: 'shorter thread can be left' },
      { value: 1, name: 'from 1 mm', why: 'small letters that are snipped one by one' },
      { value: 4, name: 'from 4 mm', why: 'fewer knots where gaps are left as they are' },
    ],
  },
  {
    key: 'tieShape',
    question: 'Shape of ties',
    options: [
      { value: 'line', name: 'Back in line', why: 'forth and back in the same holes: hidden in what follows' },
      { value: 'half-back', name: 'Half back', why: 'a stitch on, half of it back, a stitch on: flat, and hidden in the line' },
      { value: 'back-stitch', name: 'One stitch back', why: 'the least lump; holds where stitches are short' },
      { value: 'outside', name: 'Outside in', why: 'beyond the end of the piece; only where something covers it' },
      { value: 'cross', name: 'Small cross', why: 'strongest: long stitches and foam; may show on runs' },
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
  {
    key: 'broad',
    question: 'Logos',
    options: [
      { value: 'satin', name: 'Satin where the width allows', why: 'smooth and lustrous, up to the widest satin above' },
      { value: 'fill', name: 'Fill for anything broad', why: 'over 4 mm: flat, and nothing to snag' },
    ],
  },
  {
    key: 'corners',
    question: 'Corners of block letters',
    options: [
      { value: 'turn', name: 'One turning piece', why: 'the rows go round: blends better' },
      { value: 'butt', name: 'Separate parts, butted', why: 'crisper; needs its overlap' },
    ],
  },
  {
    key: 'thinUnderlay',
    question: 'Under letters thinner than 1.5 mm',
    options: [
      { value: 'none', name: 'No underlay', why: 'in so little room its thread loops out at the edges' },
      { value: 'centre-run', name: 'A centre run', why: 'holds the cloth where it gives way' },
    ],
  },
  {
    key: 'lettering',
    question: 'Trims in lettering',
    options: [
      { value: 'travel', name: 'One thread, one trim', why: 'the stitch between letters barely shows' },
      { value: 'clean', name: 'Every letter cut', why: 'the cleanest gaps; dots and marks are cut too' },
    ],
  },
  {
    key: 'policy',
    question: 'An order is sought for',
    options: [
      { value: 'registration', name: 'Best registration', why: 'outlines soon after their fills, even at the price of a stop' },
      { value: 'stops', name: 'Fewest stops', why: 'cheaper to sew; cloth may show where areas meet' },
    ],
  },
  {
    key: 'areaStart',
    question: 'Where large areas begin',
    options: [
      { value: 'free', name: 'Wherever the path suits', why: 'fewest cuts' },
      { value: 'low', name: 'Low, working up', why: 'cloth is pushed one way only' },
      { value: 'opposite', name: 'Neighbours at opposite sides', why: 'no direction is pushed twice' },
    ],
  },
  {
    key: 'sameColour',
    question: 'Fills in the colour of the cloth',
    options: [
      {
        value: 'light',
        name: 'Light, 1.2 mm',
        why: 'the cloth itself fills the gaps: thousands of stitches less. Counts only where the brief tells the colour',
      },
      { value: 'full', name: 'Full, as any other', why: 'the same sheen everywhere' },
    ],
  },
  {
    key: 'stabilizer',
    question: 'Stabilizer on clothing',
    options: [
      { value: 'cutaway', name: 'Cutaway, left in', why: 'for anything worn and washed' },
      { value: 'tear-away', name: 'Two light tear-aways', why: 'does not show through, and is quick; tear gently, layer by layer' },
    ],
  },
];

/** How the shop begins a new job on a cloth: its house recipe for it, its school, and the weight of most of its threads. */
export function waysFor(
  { recipes, threads, school }: ShopLibrary,
  cloth: ClothKey,
): { recipe?: RecipeChange; school: JobSettings; threadWeight?: number } {
  const house = recipes.find((r) => r.id === cloth && r.cloth === cloth);
  const threadWeight = commonestWeight(threads);
  const recipe = house && briefRecipe(house).recipe;
  return { ...(recipe ? { recipe } : {}), school, ...(threadWeight ? { threadWeight } : {}) };
}
