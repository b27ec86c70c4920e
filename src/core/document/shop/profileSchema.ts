import Joi from 'joi';
import { InputError } from '../errors';
import type { Hoop } from '../types';
import { DEFAULT_PROFILE, type MachineProfile, type MachineWords } from './profile';

const word = Joi.string()
  .pattern(/^[A-Z]\d{1,5}(\.\d{1,2})?$/)
  .message('a word is a capital letter and a number, such as M101');
const side = Joi.number().min(10).max(2000).required();

export const profileSchema = Joi.object<MachineProfile, true>({
  name: Joi.string().min(1).max(80).default(DEFAULT_PROFILE.name),
  field: Joi.object<Hoop, true>({ width: side, height: side, shape: Joi.string().valid('rect', 'round').default('rect') }).default(
    DEFAULT_PROFILE.field,
  ),
  needles: Joi.number().integer().min(1).max(60).default(DEFAULT_PROFILE.needles),
  heads: Joi.number().integer().min(1).max(60).default(DEFAULT_PROFILE.heads),
  trimmer: Joi.boolean().default(true),
  trimJumps: Joi.number().integer().min(1).max(12).default(DEFAULT_PROFILE.trimJumps),
  longestStitch: Joi.number().min(2).max(30).default(DEFAULT_PROFILE.longestStitch),
  longestJump: Joi.number().min(2).max(1000).default(DEFAULT_PROFILE.longestJump),
  step: Joi.number().min(0.001).max(1).default(DEFAULT_PROFILE.step),
  speed: Joi.number().integer().min(50).max(3000).default(DEFAULT_PROFILE.speed),
  words: Joi.object<MachineWords, true>({
    needle: word.default(DEFAULT_PROFILE.words.needle),
    trim: word.default(DEFAULT_PROFILE.words.trim),
    stop: word.default(DEFAULT_PROFILE.words.stop),
  }).default(DEFAULT_PROFILE.words),
});

/**
 * Reads a machine's profile from a file of its own.
 * @throws InputError with one sentence for people
 */
export function parseProfile(data: unknown): MachineProfile {
  const result = profileSchema.validate(data, { abortEarly: true, convert: false });
  if (result.error)
    throw new InputError('bad-machine', `This machine profile cannot be used: ${result.error.message.replaceAll('"', '‘')}.`);
  return result.value;
}
