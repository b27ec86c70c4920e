import Joi from 'joi';
import { FIELD_MM } from './recordBounds';
import {
  FIBRES,
  HOOPINGS,
  HOOP_KINDS,
  LAYING_WAYS,
  MARK_KINDS,
  SEWOUT_VERSION,
  STABILIZER_KINDS,
  TENSIONS,
  type FaultOutcome,
  type Laying,
  type SeenMark,
  type SewnVersion,
  type Sewout,
  type SewoutLogLine,
  type SewoutPhoto,
  type SewoutSetup,
} from './sewoutTypes';
import { hoopSchema } from './floorSchema';

const id = Joi.string().min(1).max(80);
const coordinate = Joi.number().min(-FIELD_MM).max(FIELD_MM).required();
const point = Joi.array().ordered(coordinate, coordinate);
const words = Joi.string().allow('').max(200);
const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .message('a day is written as year-month-day');

/** What is seen, without the id that a file need not give. */
const markFields = {
  kind: Joi.string()
    .valid(...MARK_KINDS)
    .required(),
  piece: id,
  against: id,
  at: point,
  to: point,
  mm: Joi.number().min(-50).max(1000),
  axis: Joi.string().valid('x', 'y'),
  letter: Joi.number().integer().min(0).max(5000),
  found: Joi.boolean(),
  note: Joi.string().allow('').max(1000),
  cause: Joi.string().max(60),
};
const mark = Joi.object<SeenMark, true>({ id: id.required(), ...markFields }).unknown(true);

export const setupSchema = Joi.object<SewoutSetup, true>({
  stabilizer: Joi.string().valid(...STABILIZER_KINDS),
  layers: Joi.number().integer().min(0).max(5),
  backingGsm: Joi.number().min(5).max(500),
  topping: Joi.boolean(),
  clothGsm: Joi.number().min(5).max(2000),
  hoop: hoopSchema,
  hoopKind: Joi.string().valid(...HOOP_KINDS),
  hooping: Joi.string().valid(...HOOPINGS),
  needle: words,
  fibre: Joi.string().valid(...FIBRES),
  testThread: Joi.boolean(),
  tension: Joi.string().valid(...TENSIONS),
  speed: Joi.number().integer().min(50).max(2000),
});

const laying = Joi.object<Laying, true>({
  matrix: Joi.array().length(9).items(Joi.number().min(-1e6).max(1e6)).required(),
  bend: Joi.number().min(-2).max(2).required(),
  errorMm: Joi.number().min(0).max(100),
  by: Joi.string()
    .valid(...LAYING_WAYS)
    .required(),
});

const photo = Joi.object<SewoutPhoto, true>({
  id: id.required(),
  file: Joi.string()
    .pattern(/^[^/\\]{1,120}$/)
    .required(),
  width: Joi.number().integer().min(1).max(20_000).required(),
  height: Joi.number().integer().min(1).max(20_000).required(),
  laying,
  note: Joi.string().allow('').max(1000),
}).unknown(true);

/** What was sewn is read like any job, once the record that holds it is. */
const version = Joi.object<SewnVersion, true>({
  number: Joi.number().integer().min(1).max(10_000).required(),
  of: Joi.string().max(40).required(),
  brief: Joi.object().unknown(true).required() as never,
  threads: Joi.array().required(),
  pieces: Joi.array().required(),
  settings: Joi.object().unknown(true).required() as never,
  note: Joi.string().allow('').max(5000),
}).unknown(true);

const sewout = Joi.object<Sewout, true>({
  sewout: Joi.number().valid(SEWOUT_VERSION).required(),
  id: id.required(),
  on: day.required(),
  time: Joi.string().max(20),
  by: Joi.string().allow('').max(120).required(),
  version: version.required(),
  setup: setupSchema.required(),
  photos: Joi.array().items(photo).max(200).required(),
  marks: Joi.array().items(mark).max(2000).required(),
  notes: Joi.string().allow('').max(20_000).required(),
  log: Joi.array()
    .items(
      Joi.object<SewoutLogLine, true>({ s: Joi.number().min(0).max(1e7).required(), what: Joi.string().allow('').max(500).required() }),
    )
    .max(5000),
  outcomes: Joi.array()
    .items(
      Joi.object<FaultOutcome, true>({
        fault: Joi.string().max(60).required(),
        remedy: Joi.string().max(200).required(),
        helped: Joi.boolean().required(),
      }),
    )
    .max(200),
  corrections: Joi.array().items(Joi.string().max(400)).max(200),
  signed: Joi.object({ on: day.required(), by: Joi.string().allow('').max(120).required() }),
}).unknown(true);

export const sewoutsSchema = Joi.array().items(sewout).max(100);

/** A file of marks: the marks alone, or with how the test was sewn. */
export interface MarksFile {
  setup?: SewoutSetup;
  marks: Omit<SeenMark, 'id'>[];
}

const marks = Joi.array().items(Joi.object(markFields).unknown(true)).min(1).max(2000);

export const marksFileSchema = Joi.alternatives<MarksFile | MarksFile['marks']>(
  marks,
  Joi.object({ setup: setupSchema, marks: marks.required() }).unknown(true),
);
