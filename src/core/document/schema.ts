import Joi from 'joi';
import { FIELD_MM, requireBounds } from './recordBounds';
import { LONGEST_MACHINE_MM } from '../units/tolerances';
import { InputError } from './errors';
import { without } from './without';
import { approvalSchema, floorSchema, questionsSchema, hoopSchema } from './floorSchema';
import { pictureSchema } from './pictureSchema';
import { jobAsSewn } from './sewout';
import { sewoutsSchema } from './sewoutSchema';
import { PIECE_KINDS } from './kinds';
import { SETTING_KEYS, SETTINGS, type AnySetting, type NumberKey } from './catalogue';
import { LAYER_RANGES, LETTER_HEIGHTS, WIDTH_RANGE } from './ranges';
import {
  ALIGNMENTS,
  ART_ANSWERS,
  ART_PLACES,
  SEWN_AS,
  CLOTH_KEYS,
  JOB_VERSION,
  FRAMES,
  GARMENT_SIZES,
  JOB_STAGES,
  LETTER_DIRECTIONS,
  LETTER_STYLES,
  LETTER_LINES,
  PLACES,
  ROUTE_POLICIES,
  TIE_SHAPES,
  TIES_WHEN,
  UNDERLAY_KINDS,
  type Brief,
  type FaceOutlines,
  type Follows,
  type Job,
  type JobSettings,
  type LearnedCloth,
  type LetterOwn,
  type Lettering,
  type Piece,
  type PieceSettings,
  type RecipeChange,
  type UnderlayLayer,
} from './types';

const MOST_PIECES = 5000;
const LONGEST_PATH = 5_000_000;

const within = (key: NumberKey): Joi.NumberSchema => Joi.number().min(SETTINGS[key].min).max(SETTINGS[key].max);
const layerWithin = (key: keyof typeof LAYER_RANGES): Joi.NumberSchema =>
  Joi.number().min(LAYER_RANGES[key].min).max(LAYER_RANGES[key].max);
const hex = Joi.string()
  .pattern(/^#[0-9a-fA-F]{6}$/)
  .message('a colour is written as #rrggbb');
const id = Joi.string().min(1).max(80);
const path = Joi.string().min(2).max(LONGEST_PATH);
const coordinate = Joi.number().min(-FIELD_MM).max(FIELD_MM).required();
const point = Joi.array().ordered(coordinate, coordinate);
/** A place in a drawing's own units. */
const drawingUnits = Joi.number().min(-1e9).max(1e9).required();

const underlayLayer = Joi.object<UnderlayLayer, true>({
  kind: Joi.string()
    .valid(...UNDERLAY_KINDS)
    .required(),
  spacing: layerWithin('spacing'),
  length: layerWithin('length'),
  inset: layerWithin('inset'),
  angle: layerWithin('angle'),
}).unknown(true);

/** Everything that settings of their sort must be. */
const SORTS: { [S in AnySetting['as']]: (setting: Extract<AnySetting, { as: S }>) => Joi.Schema } = {
  number: ({ min, max, whole }) => (whole ? Joi.number().min(min).max(max).integer() : Joi.number().min(min).max(max)),
  choice: ({ words }) => Joi.string().valid(...Object.keys(words)),
  switch: () => Joi.boolean(),
  layers: ({ most }) => Joi.array().items(underlayLayer).max(most),
  sides: ({ each }) => Joi.array().ordered(within(each).required(), within(each).required()),
};

/** What a person may set on a piece, with permitted ranges. */
export const settingsSchema = Joi.object<PieceSettings>(
  Object.fromEntries(SETTING_KEYS.map((key) => [key, SORTS[SETTINGS[key].as](SETTINGS[key] as never)])),
).unknown(true);

const underlayKinds = Joi.array()
  .items(Joi.string().valid(...UNDERLAY_KINDS))
  .max(4);
const words = Joi.string().allow('').max(120);

/** What a shop may change in a cloth's recipe, with permitted ranges. */
const timesUsual = Joi.number().min(0.1).max(10);

export const recipeChangeSchema = Joi.object<RecipeChange, true>({
  id: id.required(),
  name: Joi.string().min(1).max(80).required(),
  pullComp: within('pullComp'),
  fillSpacing: within('spacing'),
  satinSpacing: within('spacing'),
  fillLength: within('stitchLength'),
  satinFoundation: underlayKinds,
  fillFoundation: underlayKinds,
  stabilizer: words,
  topping: words,
  needle: words,
  speed: Joi.number().integer().min(100).max(1500),
  tension: Joi.number().min(0).max(3),
  learned: Joi.object<LearnedCloth, true>({
    shortening: timesUsual.required(),
    push: timesUsual.required(),
    bite: timesUsual.required(),
    stiffness: timesUsual.required(),
    measured: Joi.number().integer().min(0).max(100_000).required(),
    sewouts: Joi.number().integer().min(0).max(100_000).required(),
  }),
}).unknown(true);

/** The brief as the form and the record hold it. */
export const briefSchema = Joi.object<Brief, true>({
  cloth: Joi.string()
    .valid(...CLOTH_KEYS)
    .required(),
  recipe: recipeChangeSchema,
  place: Joi.string()
    .valid(...PLACES)
    .required(),
  hoop: hoopSchema.required(),
  size: Joi.object({ width: Joi.number().min(1).max(1000), height: Joi.number().min(1).max(1000) }).required(),
  quantity: Joi.number().integer().min(1).max(100000).required(),
  notes: Joi.string().allow('').max(20000).required(),
  garment: Joi.string().allow('').max(200),
  clothHex: hex,
  due: Joi.string().allow('').max(40),
  units: Joi.string().valid('mm', 'in'),
  garmentSize: Joi.string().valid(...GARMENT_SIZES),
  otherSide: Joi.boolean(),
}).unknown(true);

const factor = Joi.number().min(0.3).max(4);

const letterOwn = Joi.object<LetterOwn, true>({
  thread: id,
  height: Joi.number().min(LETTER_HEIGHTS.min).max(LETTER_HEIGHTS.max),
  shift: Joi.array().ordered(coordinate, coordinate),
  cut: Joi.boolean(),
});

/** Of outlines, in hundredths of a height. */
const hundredths = Joi.number().min(-5000).max(5000);
const faceOutlines = Joi.object<FaceOutlines, true>({
  name: Joi.string().min(1).max(120).required(),
  glyphs: Joi.object()
    .pattern(Joi.string().min(1).max(16), Joi.object({ d: Joi.string().allow('').max(200_000).required(), advance: hundredths.required() }))
    .max(2000)
    .required(),
  kern: Joi.object().pattern(Joi.string().max(33), hundredths).max(20_000).required(),
  space: hundredths.required(),
});

/** A text and how it is laid out. */
export const letteringSchema = Joi.object<Lettering, true>({
  text: Joi.string().min(1).max(2000).required(),
  face: Joi.string().min(1).max(80).required(),
  height: Joi.number().min(LETTER_HEIGHTS.min).max(LETTER_HEIGHTS.max).required(),
  at: point,
  turn: Joi.number().min(-360).max(360),
  spacing: Joi.number().min(-20).max(300),
  pairs: Joi.object().pattern(/^\d{1,4}$/, Joi.number().min(-100).max(300)),
  wordSpacing: factor,
  lineSpacing: factor,
  wide: factor,
  weight: factor,
  align: Joi.string().valid(...ALIGNMENTS),
  slant: Joi.number().min(-45).max(45),
  line: Joi.string().valid(...LETTER_LINES),
  radius: Joi.number().min(5).max(2000),
  path,
  upper: path,
  outlines: faceOutlines,
  letters: Joi.object().pattern(/^\d{1,4}$/, letterOwn),
  direction: Joi.string().valid(...LETTER_DIRECTIONS),
  rules: Joi.object<NonNullable<Lettering['rules']>, true>({ spread: Joi.boolean(), thicken: Joi.boolean(), line: Joi.boolean() }),
  style: Joi.string().valid(...LETTER_STYLES),
});

const piece = Joi.object<Piece, true>({
  id: id.required(),
  name: Joi.string().allow('').max(200).required(),
  kind: Joi.string()
    .valid(...Object.keys(PIECE_KINDS))
    .required(),
  thread: id.required(),
  line: path,
  width: Joi.number().min(WIDTH_RANGE.min).max(WIDTH_RANGE.max),
  cap: Joi.string().valid('butt', 'round', 'square'),
  join: Joi.string().valid('miter', 'round', 'bevel'),
  sides: Joi.array().ordered(path.required(), path.required()),
  area: path,
  slants: Joi.array().items(path).max(500),
  lettering: letteringSchema,
  rows: Joi.object({ angle: Joi.number().min(0).max(180).required(), why: Joi.string().max(200).required() }),
  why: Joi.string().max(200),
  alike: id,
  carve: path,
  motif: path,
  start: point,
  end: point,
  sewnOver: Joi.array().items(point).max(2000),
  approach: Joi.object({ how: Joi.string().valid('trim', 'travel').required(), way: path }),
  stopBefore: Joi.boolean(),
  sewAfter: id,
  follows: Joi.object<Follows, true>({
    text: id.required(),
    shift: Joi.array().ordered(coordinate.required(), coordinate.required()),
    gap: Joi.number().min(0).max(50),
    frame: Joi.string().valid(...FRAMES),
  }),
  group: id,
  locked: Joi.boolean(),
  settings: settingsSchema.default({}),
}).unknown(true);

/** What a job, or the shop for new jobs, chose where good people differ. */
export const jobSettingsSchema = Joi.object<JobSettings, true>({
  satinLimit: within('satinLimit'),
  longestStitch: Joi.number().min(7).max(LONGEST_MACHINE_MM),
  tieWhen: Joi.string().valid(...TIES_WHEN),
  tieDistance: Joi.number().min(0.5).max(50),
  tieShape: Joi.string().valid(...TIE_SHAPES),
  trimDistance: Joi.number().min(0.5).max(50),
  broad: Joi.string().valid('satin', 'fill'),
  corners: Joi.string().valid('turn', 'butt'),
  thinUnderlay: Joi.string().valid('none', 'centre-run'),
  sameColour: Joi.string().valid('light', 'full'),
  policy: Joi.string().valid(...ROUTE_POLICIES),
  lettering: Joi.string().valid('travel', 'clean'),
  areaStart: Joi.string().valid('free', 'low', 'opposite'),
  stabilizer: Joi.string().valid('cutaway', 'tear-away'),
});

const guide = Joi.array().items(Joi.number().min(-1000).max(1000)).max(40).default([]);

export const jobSchema = Joi.object<Job, true>({
  cobble: Joi.number().valid(JOB_VERSION).required(),
  id: id.required(),
  name: Joi.string().min(1).max(200).required(),
  brief: briefSchema.required(),
  threads: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        code: Joi.string().allow('').max(40).required(),
        name: Joi.string().allow('').max(80).required(),
        hex: hex.required(),
        weight: Joi.number().min(8).max(150).default(40),
      }).unknown(true),
    )
    .max(250)
    .required(),
  artwork: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        file: Joi.string()
          .pattern(/^[^/\\]{1,120}$/)
          .required(),
        transform: Joi.array().length(6).items(Joi.number().min(-1e9).max(1e9)).required(),
        picture: pictureSchema,
        locked: Joi.boolean().default(true),
        mirror: Joi.boolean(),
        turn: Joi.number().min(-360).max(360),
        madeWith: Joi.string().max(500_000),
        made: Joi.array()
          .items(Joi.object({ id, mark: Joi.string().max(16).required() }))
          .max(20_000),
        madeAt: Joi.object({ width: Joi.number().min(0).max(2000).required(), height: Joi.number().min(0).max(2000).required() }),
        answers: Joi.array()
          .items(
            Joi.object({
              at: Joi.array().ordered(drawingUnits, drawingUnits).required(),
              place: Joi.string()
                .valid(...ART_PLACES)
                .required(),
              answer: Joi.string()
                .valid(...ART_ANSWERS)
                .required(),
              toMm: Joi.number().min(0.3).max(12),
            }).unknown(true),
          )
          .max(2000),
        sewnAs: Joi.array()
          .items(
            Joi.object({
              at: Joi.array().ordered(drawingUnits, drawingUnits).required(),
              as: Joi.string()
                .valid(...SEWN_AS)
                .required(),
            }),
          )
          .max(2000),
      }).unknown(true),
    )
    .max(20)
    .default([]),
  pieces: Joi.array().items(piece).max(MOST_PIECES).required(),
  settings: jobSettingsSchema.unknown(true).default({}),
  accepted: Joi.array()
    .items(
      Joi.object({
        rule: Joi.string().max(60).required(),
        pieces: Joi.array().items(id).max(20_000).required(),
        reason: Joi.string().min(1).max(500).required(),
      }),
    )
    .max(2000),
  guides: Joi.object({ level: guide, upright: guide }),
  floor: floorSchema,
  stage: Joi.string().valid(...JOB_STAGES),
  questions: questionsSchema,
  approval: approvalSchema,
  sewouts: sewoutsSchema.default([]),
  // What may be anything has no type of schema of its own.
  repeat: Joi.any().default(null) as never,
}).unknown(true);

/** Versions older than the present one, each with the step that lifts a record to the next. */
const MIGRATIONS: Readonly<Record<number, (job: Record<string, unknown>) => Record<string, unknown>>> = {};

/**
 * Reads a job record from parsed JSON: version, migration, validation. Unknown fields are kept.
 * @throws InputError with one sentence for people
 */
export function parseJob(data: unknown): Job {
  if (typeof data !== 'object' || data === null || !('cobble' in data)) {
    throw new InputError('bad-job', 'This file is not a Cobble job; choose a job.json or a .cobble bundle.');
  }
  let record = data as Record<string, unknown>;
  const version = Number(record['cobble']);
  if (version > JOB_VERSION) {
    throw new InputError('newer-version', `This job was made by a newer Cobble (format ${version}); update Cobble to open it.`);
  }
  for (let v = version; v < JOB_VERSION; v++) {
    const lift = MIGRATIONS[v];
    if (!lift) throw new InputError('bad-job', `This job has the unknown format ${version}; choose a job saved by Cobble.`);
    record = lift(record);
  }
  const result = jobSchema.validate(record, { abortEarly: true, convert: true });
  if (result.error)
    throw new InputError(
      'bad-job',
      `This job cannot be used: ${result.error.message.replaceAll('"', '‘')}. Correct it or choose another file.`,
    );
  const job = checkSewouts(checkBeside(checkReferences(result.value)));
  requireBounds(job.pieces);
  return job;
}

/** Jobs that lie beside this one are read like any; none lies beside them, and copies of what is not there are left out. */
function checkBeside(job: Job): Job {
  if (!job.floor) return job;
  const { beside, copies, ...floor } = job.floor;
  const read = beside?.map((b) => (b.job ? { ...b, job: without(parseJob(without(b.job, 'floor')), 'floor') } : b));
  const known = new Set(read?.map((b) => b.id));
  const kept = copies?.filter((c) => c.of === undefined || known.has(c.of));
  return { ...job, floor: { ...floor, ...(read ? { beside: read } : {}), ...(kept && kept.length > 0 ? { copies: kept } : {}) } };
}

/** What was sewn in a test is read like any job. */
function checkSewouts(job: Job): Job {
  if (job.sewouts.length === 0) return job;
  const sewouts = job.sewouts.map((s) => {
    const { brief, threads, pieces, settings } = parseJob(jobAsSewn(job, s));
    return { ...s, version: { ...s.version, brief, threads, pieces, settings } };
  });
  return { ...job, sewouts };
}

function checkReferences(job: Job): Job {
  const threads = new Set(job.threads.map((t) => t.id));
  const ids = new Set<string>();
  for (const p of job.pieces) {
    if (!threads.has(p.thread))
      throw new InputError('bad-job', `This job cannot be used: piece ${p.id} names the thread ${p.thread}, which is not in its list.`);
    for (const own of Object.values(p.lettering?.letters ?? {}))
      if (own.thread !== undefined && !threads.has(own.thread)) delete own.thread;
    if (ids.has(p.id)) throw new InputError('bad-job', `This job cannot be used: two pieces are called ${p.id}.`);
    ids.add(p.id);
    const { holds, needs } = PIECE_KINDS[p.kind];
    if (!holds(p)) throw new InputError('bad-job', `This job cannot be used: piece ${p.id} (${p.kind}) has no shape; it needs ${needs}.`);
  }
  return job;
}
