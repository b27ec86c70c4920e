import Joi from 'joi';
import { InputError } from '../document/errors';
import type { SewoutLogLine } from '../document/sewoutTypes';

/** One entry of a machine's log as its file has it. */
export interface LoggedEntry {
  what: string;
  /** Milliseconds of machine time. */
  t: number;
}

const MOST = 5000;

const logSchema = Joi.object<{ entries: LoggedEntry[] }>({
  entries: Joi.array()
    .items(Joi.object({ what: Joi.string().max(60).required(), t: Joi.number().min(0).max(1e10).required() }).unknown(true))
    .max(200_000)
    .required(),
}).unknown(true);

/**
 * Takes a machine's log in: when what happened, without the stitches themselves.
 * @param inWords what an entry is called
 * @throws InputError when it is none
 */
export function readMachineLog<E extends LoggedEntry>(data: unknown, inWords: (entry: E) => string): SewoutLogLine[] {
  const checked = logSchema.validate(data);
  if (checked.error) throw new InputError('bad-machine', 'This is not a machine’s log; take one away on the Floor, at the machine.');
  const told = checked.value.entries.filter((e) => e.what !== 'sewn');
  const from = told[0]?.t ?? 0;
  return told.slice(0, MOST).map((e) => ({ s: Math.max(0, Math.round((e.t - from) / 1000)), what: inWords(e as E).slice(0, 500) }));
}
