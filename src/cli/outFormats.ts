import { InputError } from '../core/document/errors';
import { EXPORTS } from '../core/formats/registry';

/** What each file name says it is to be. */
export const formatsOf = (out: readonly string[]) =>
  out.map((path) => {
    const format = EXPORTS.find((f) => path.toLowerCase().endsWith(`.${f.extension}`));
    if (!format)
      throw new InputError('bad-usage', `Cobble cannot write ‘${path}’; use ${EXPORTS.map((f) => `.${f.extension}`).join(', ')}.`);
    return { path, format };
  });
