import { InputError } from '../core/document/errors';
import { parseJob } from '../core/document/schema';
import type { Bundle } from '../core/formats/bundle';
import { readBundle } from '../core/formats/readBundle';

/** A job out of its record or its bundle. */
export const readJobFile = (bytes: Uint8Array, kind: '.json' | '.cobble'): Bundle =>
  kind === '.json' ? { job: parseJob(parseJson(bytes)), artwork: {} } : readBundle(bytes);

function parseJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new InputError('bad-job', 'This file is not readable JSON; choose a job.json that Cobble exported.');
  }
}
