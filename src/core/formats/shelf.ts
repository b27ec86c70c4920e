import { strFromU8, strToU8, zipSync } from 'fflate';
import Joi from 'joi';
import { EMPTY_LIBRARY, parseLibrary, type ShopLibrary } from '../cloth/library';
import { InputError } from '../document/errors';
import { writeBundle, type Bundle } from './bundle';
import { readBundle } from './readBundle';
import { unzipped } from './zip';

/** Everything that a shop keeps, as one file: its jobs and its library. */
export interface ShelfFile {
  jobs: (Bundle & { updated: number })[];
  library: ShopLibrary;
}

interface Contents {
  cobbleShelf: 1;
  jobs: { file: string; updated: number }[];
}

const CONTENTS = 'shelf.json';
const LIBRARY = 'library.json';
const LIMITS = { entries: 5000, bytes: 400_000_000 };
const EPOCH = new Date(1980, 0, 1, 12);

const contentsSchema = Joi.object<Contents, true>({
  cobbleShelf: Joi.number().valid(1).required(),
  jobs: Joi.array()
    .items(Joi.object({ file: Joi.string().max(200).required(), updated: Joi.number().min(0).required() }).unknown(true))
    .required(),
}).unknown(true);

/** Writes a zip of bundles, with what the shelf says of them and the library. */
export function writeShelf({ jobs, library }: ShelfFile): Uint8Array<ArrayBuffer> {
  const contents: Contents = { cobbleShelf: 1, jobs: jobs.map(({ updated }, i) => ({ file: `jobs/${i + 1}.cobble`, updated })) };
  const files: Record<string, Uint8Array> = {
    [CONTENTS]: strToU8(JSON.stringify(contents, null, 1)),
    [LIBRARY]: strToU8(JSON.stringify(library, null, 1)),
  };
  jobs.forEach((job, i) => (files[contents.jobs[i]!.file] = writeBundle(job)));
  return zipSync(files, { level: 0, mtime: EPOCH });
}

/** A shelf as far as it could be read, and how many of its jobs could not. */
export interface ReadShelf extends ShelfFile {
  damaged: number;
}

/**
 * Reads a whole shelf; null when the zip holds none. A damaged job does not keep the others away.
 * @throws InputError when it is no zip, or too large
 */
export function readShelf(bytes: Uint8Array): ReadShelf | null {
  const files = unzipped(bytes, LIMITS);
  const written = files.get(CONTENTS);
  if (!written) return null;
  const checked = contentsSchema.validate(parsed(written));
  if (checked.error) throw new InputError('bad-bundle', 'This file does not say what is in it as Cobble would; save the shelf again.');
  const jobs: ShelfFile['jobs'] = [];
  for (const { file, updated } of checked.value.jobs) {
    try {
      jobs.push({ ...readBundle(files.get(file) ?? new Uint8Array()), updated });
    } catch {
      // Counted below.
    }
  }
  return { jobs, library: libraryOf(files.get(LIBRARY)), damaged: checked.value.jobs.length - jobs.length };
}

function libraryOf(written: Uint8Array | undefined): ShopLibrary {
  try {
    return written ? parseLibrary(parsed(written)) : EMPTY_LIBRARY;
  } catch {
    return EMPTY_LIBRARY;
  }
}

function parsed(content: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(content));
  } catch {
    return null;
  }
}
