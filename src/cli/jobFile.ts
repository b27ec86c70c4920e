import { InputError } from '../core/document/errors';
import { parseJob } from '../core/document/schema';
import type { Bundle } from '../core/formats/bundle';
import type { MachineProfile } from '../core/document/shop/profile';
import { parseProfile } from '../core/document/shop/profileSchema';
import { readBundle } from '../core/formats/readBundle';

/** A job out of its record or its bundle. */
export const readJobFile = (bytes: Uint8Array, kind: '.json' | '.cobble'): Bundle =>
  kind === '.json' ? { job: parseJob(parseJson(bytes)), artwork: {} } : readBundle(bytes);

/** A machine's profile out of its file. */
export function readProfile(bytes: Uint8Array, path: string): MachineProfile {
  try {
    return parseProfile(JSON.parse(new TextDecoder().decode(bytes)));
  } catch (error) {
    throw error instanceof InputError
      ? error
      : new InputError('bad-machine', `‘${path}’ is not JSON; see docs/machine.md for what a profile is.`);
  }
}

function parseJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new InputError('bad-job', 'This file is not readable JSON; choose a job.json that Cobble exported.');
  }
}
