import Joi from 'joi';

const hex = Joi.string()
  .pattern(/^#[0-9a-f]{6}$/)
  .required();
/** A place may lie a little outside: where a click met the rim. */
const share = Joi.number().min(-0.5).max(1.5).required();
const place = Joi.array().ordered(share, share);
const places = Joi.array().items(place).max(500);
const pairs = Joi.array().items(Joi.array().ordered(hex, hex)).max(250);
const count = Joi.number().integer().min(0).max(1e8).required();

const prepared = Joi.object({
  corners: Joi.array().items(place).length(4),
  levelDeg: Joi.number().min(-180).max(180),
  crop: Joi.array()
    .ordered(share, share, share, share)
    .custom(([left, top, right, bottom]: number[], helpers) =>
      right! - left! >= LEAST_SIDE && bottom! - top! >= LEAST_SIDE ? [left, top, right, bottom] : helpers.error('any.invalid'),
    ),
  white: place,
});
/** No crop is narrower than this share of a picture. */
const LEAST_SIDE = 0.01;

const found = Joi.object({
  colours: Joi.array()
    .items(Joi.object({ hex, as: hex, share: Joi.number().min(0).max(1).required() }))
    .max(250)
    .required(),
  droppedSpecks: count,
  specks: Joi.array()
    .items(Joi.object({ at: place.required(), mm2: Joi.number().min(0).max(1e6).required(), hex }))
    .max(500)
    .required(),
  keptSpots: count,
  smallNear: count,
  squared: count.optional(),
  areas: count.optional(),
  notes: Joi.array().items(Joi.string().max(500)).max(20).required(),
});

/** The picture of which a drawing was traced, and what was decided of it. */
export const pictureSchema = Joi.object({
  file: Joi.string()
    .pattern(/^[^/\\]{1,120}$/)
    .required(),
  prepared,
  colours: Joi.number().integer().min(1).max(250),
  toleranceMm: Joi.number().min(0.01).max(2),
  keepBackground: Joi.boolean(),
  backgroundTolerance: Joi.number().min(0).max(1),
  dropped: places,
  kept: places,
  merged: pairs,
  picked: Joi.array().items(hex).max(100),
  split: Joi.array().items(hex).max(100),
  cones: pairs,
  fewerJumps: Joi.boolean(),
  square: Joi.boolean(),
  found,
});
