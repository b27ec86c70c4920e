import { strFromU8, strToU8, zipSync } from 'fflate';
import { InputError } from '../document/errors';
import { parseJob } from '../document/schema';
import type { Job } from '../document/types';
import { unzipped } from './zip';

/** A job with its artwork files, as a zip holds them. */
export interface Bundle {
  job: Job;
  /** File name to SVG text. */
  artwork: Record<string, string>;
}

const LIMITS = { entries: 200, bytes: 80_000_000 };
const FOLDER = 'artwork/';
const RECORD = 'job.json';
/** Which entry holds the artwork of which name, for names that are not fit to be names of entries. */
const NAMES = 'names.json';
const ARTWORK_ENTRY = /^artwork\/[^/\\]{1,120}$/;
const PLAIN_NAME = /^[\p{L}\p{N}_ ()+,'’-][\p{L}\p{N}_ ().+,'’-]{0,99}$/u;
const isPlain = (name: string): boolean => PLAIN_NAME.test(name) && !name.includes('..') && name !== '__proto__';
const EPOCH = new Date(1980, 0, 1, 12);

/** Writes `job.json` and the artwork into one zip. The same bundle gives the same bytes. */
export function writeBundle({ job, artwork }: Bundle): Uint8Array<ArrayBuffer> {
  const files: Record<string, Uint8Array> = { [RECORD]: strToU8(JSON.stringify(job, null, 1)) };
  const names: Record<string, string> = {};
  for (const [name, text] of Object.entries(artwork)) {
    const entry = isPlain(name) ? name : `file-${Object.keys(names).length + 1}.svg`;
    const free = FOLDER + (FOLDER + entry in files ? `${Object.keys(files).length} ${entry}` : entry);
    if (free !== FOLDER + name) names[free] = name;
    files[free] = strToU8(text);
  }
  if (Object.keys(names).length > 0) files[NAMES] = strToU8(JSON.stringify(names));
  return zipSync(files, { level: 6, mtime: EPOCH });
}

/**
 * Reads a bundle. Number, names and unpacked size of the entries are checked before they are unpacked.
 * @throws InputError when it is no zip, cut short, too large, or its job is not valid
 */
export function readBundle(bytes: Uint8Array): Bundle {
  const files = unzipped(bytes, LIMITS);
  const record = files.get(RECORD);
  if (!record) throw new InputError('bad-bundle', 'This zip holds no job.json; choose a bundle that Cobble exported.');
  const names = new Map(Object.entries(files.has(NAMES) ? (json(files.get(NAMES)!) as Record<string, unknown>) : {}));
  const artwork: [string, string][] = [];
  for (const [entry, content] of files) {
    if (!ARTWORK_ENTRY.test(entry) || entry.includes('..')) continue;
    const name = names.get(entry) ?? entry.slice(FOLDER.length);
    if (typeof name === 'string' && name !== '') artwork.push([name, strFromU8(content)]);
  }
  return { job: parseJob(json(record)), artwork: Object.fromEntries(artwork) };
}

function json(content: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(content));
  } catch {
    throw new InputError('bad-bundle', 'This bundle is damaged: what it says about its job cannot be read. Export it again.');
  }
}
