import Joi from 'joi';
import { LETTER_HEIGHTS } from './ranges';
import { FIELD_MM } from './recordBounds';
import {
  SHEET_ORDERS,
  type Approval,
  type Beside,
  type CopyPlace,
  type Hoop,
  type JobFloor,
  type NameInText,
  type Question,
} from './types';

const id = Joi.string().min(1).max(80);
const coordinate = Joi.number().min(-FIELD_MM).max(FIELD_MM).required();
const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/)
  .message('a day is written as year-month-day');

export const hoopSchema = Joi.object<Hoop, true>({
  width: Joi.number().min(10).max(1000).required(),
  height: Joi.number().min(10).max(1000).required(),
  shape: Joi.string().valid('rect', 'round').default('rect'),
}).unknown(true);

const copy = Joi.object<CopyPlace, true>({
  x: coordinate,
  y: coordinate,
  turn: Joi.number().min(-360).max(360).required(),
  mirror: Joi.boolean(),
  of: id,
});

const beside = Joi.object<Beside, true>({
  id: id.required(),
  name: Joi.string().min(1).max(200).required(),
  // Read like any job, once the record that holds it is.
  job: Joi.object().unknown(true) as never,
  from: id,
  text: Joi.object<NameInText, true>({
    piece: id.required(),
    words: Joi.string().min(1).max(2000).required(),
    fit: Joi.string().valid('height', 'width').required(),
    height: Joi.number().min(LETTER_HEIGHTS.min).max(LETTER_HEIGHTS.max),
    hex: Joi.string().pattern(/^#[0-9a-fA-F]{6}$/),
  }),
})
  .xor('job', 'text')
  .unknown(true);

/** What is chosen on the Floor. */
export const floorSchema = Joi.object<JobFloor, true>({
  copies: Joi.array().items(copy).min(1).max(200),
  beside: Joi.array().items(beside).max(200),
  hoop: hoopSchema,
  order: Joi.string().valid(...SHEET_ORDERS),
  gap: Joi.number().min(0).max(200),
  rush: Joi.boolean(),
  withGarments: Joi.boolean(),
  repeat: Joi.boolean(),
});

export const questionsSchema = Joi.array()
  .items(
    Joi.object<Question, true>({
      id: id.required(),
      text: Joi.string().allow('').max(2000).required(),
      asked: day,
      answer: Joi.string().allow('').max(5000),
    }),
  )
  .max(200);

export const approvalSchema = Joi.object<Approval, true>({
  on: day.required(),
  by: Joi.string().allow('').max(120).required(),
  note: Joi.string().allow('').max(2000),
  of: Joi.string().max(40).required(),
});
