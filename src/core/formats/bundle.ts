import { strToU8, zipSync, type Zippable } from 'fflate';
import type { Job } from '../document/types';
import { pictureBytes } from '../tracing/pictureText';

/** A job with its artwork files, as a zip holds them. */
export interface Bundle {
  job: Job;
  /** File name to SVG text, or to a picture as a data address. */
  artwork: Record<string, string>;
  /** Photos of its sew-outs by file name. */
  photos?: Record<string, Uint8Array<ArrayBuffer>>;
}

/** Where a bundle has what. */
export const FOLDER = 'artwork/';
export const PHOTOS = 'photos/';
export const RECORD = 'job.json';
/** Which entry holds the artwork of which name, for names that are not fit to be names of entries. */
export const NAMES = 'names.json';
const PLAIN_NAME = /^[\p{L}\p{N}_ ()+,'’-][\p{L}\p{N}_ ().+,'’-]{0,99}$/u;
const isPlain = (name: string): boolean => PLAIN_NAME.test(name) && !name.includes('..') && name !== '__proto__';
const endOf = (name: string): string => /\.(\w{1,5})$/.exec(name)?.[1] ?? 'png';
const EPOCH = new Date(1980, 0, 1, 12);

/** Writes `job.json` and the artwork into one zip. The same bundle gives the same bytes. */
export function writeBundle({ job, artwork, photos = {} }: Bundle): Uint8Array<ArrayBuffer> {
  const files: Zippable = { [RECORD]: strToU8(JSON.stringify(job, null, 1)) };
  const names: Record<string, string> = {};
  for (const [name, text] of Object.entries(artwork)) {
    const picture = pictureBytes(text);
    const entry = isPlain(name) ? name : `file-${Object.keys(names).length + 1}.${picture ? endOf(name) : 'svg'}`;
    const free = FOLDER + (FOLDER + entry in files ? `${Object.keys(files).length} ${entry}` : entry);
    if (free !== FOLDER + name) names[free] = name;
    files[free] = picture ?? strToU8(text);
  }
  // Photos are packed as they are.
  for (const [name, bytes] of Object.entries(photos)) if (isPlain(name)) files[PHOTOS + name] = [bytes, { level: 0 }];
  if (Object.keys(names).length > 0) files[NAMES] = strToU8(JSON.stringify(names));
  return zipSync(files, { level: 6, mtime: EPOCH });
}
