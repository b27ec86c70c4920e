import { strFromU8, strToU8, zipSync } from 'fflate';
import Joi from 'joi';
import { EMPTY_LIBRARY, parseLibrary, type ShopLibrary } from '../cloth/library';
import { InputError } from '../document/errors';
import { parseJob } from '../document/schema';
import type { Job } from '../document/types';
import { writeBundle, type Bundle } from './bundle';
import { readBundle } from './readBundle';
import { unzipped } from './zip';

/** A version of a job that was kept: when, milliseconds since 1970, and what it was called. */
export interface KeptVersion {
  job: Job;
  kept: number;
  name?: string;
  note?: string;
}

/** A job of the shelf with the versions of it that were kept. */
export interface ShelfJob extends Bundle {
  updated: number;
  versions?: KeptVersion[];
}

/** Everything that a shop keeps, as one file: its jobs and its library. */
export interface ShelfFile {
  jobs: ShelfJob[];
  library: ShopLibrary;
}

/** A job of the shelf as it lies in the file. */
export interface PackedJob {
  bundle: Uint8Array<ArrayBuffer>;
  versions: Uint8Array<ArrayBuffer> | null;
  updated: number;
}

interface Contents {
  cobbleShelf: 1;
  jobs: { file: string; updated: number; versions?: string }[];
}

const CONTENTS = 'shelf.json';
const LIBRARY = 'library.json';
const LIMITS = { entries: 5000, bytes: 1_000_000_000 };
const EPOCH = new Date(1980, 0, 1, 12);

const contentsSchema = Joi.object<Contents, true>({
  cobbleShelf: Joi.number().valid(1).required(),
  jobs: Joi.array()
    .items(
      Joi.object({
        file: Joi.string().max(200).required(),
        updated: Joi.number().min(0).required(),
        versions: Joi.string().max(200),
      }).unknown(true),
    )
    .required(),
}).unknown(true);

const versionsSchema = Joi.array()
  .items(
    Joi.object<KeptVersion, true>({
      job: Joi.object().unknown(true).required() as never,
      kept: Joi.number().min(0).required(),
      name: Joi.string().allow('').max(200),
      note: Joi.string().allow('').max(2000),
    }).unknown(true),
  )
  .max(2000);

/** Packs one job for the shelf's file, so that a large shelf can be packed job by job. */
export const packJob = ({ job, artwork, photos, updated, versions = [] }: ShelfJob): PackedJob => ({
  bundle: writeBundle({ job, artwork, ...(photos ? { photos } : {}) }),
  versions: versions.length > 0 ? strToU8(JSON.stringify(versions)) : null,
  updated,
});

/** Writes a zip of bundles, with what the shelf says of them and the library. */
export function writeShelf({ jobs, library }: ShelfFile): Uint8Array<ArrayBuffer> {
  return writePacked(jobs.map(packJob), library);
}

/** The same of jobs that are packed already. */
export function writePacked(jobs: readonly PackedJob[], library: ShopLibrary): Uint8Array<ArrayBuffer> {
  const contents: Contents = {
    cobbleShelf: 1,
    jobs: jobs.map(({ updated, versions }, i) => ({
      ...{ file: `jobs/${i + 1}.cobble`, updated },
      ...(versions ? { versions: `versions/${i + 1}.json` } : {}),
    })),
  };
  const files: Record<string, Uint8Array> = {
    [CONTENTS]: strToU8(JSON.stringify(contents, null, 1)),
    [LIBRARY]: strToU8(JSON.stringify(library, null, 1)),
  };
  jobs.forEach(({ bundle, versions }, i) => {
    const { file, versions: beside } = contents.jobs[i]!;
    files[file] = bundle;
    if (versions && beside) files[beside] = versions;
  });
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
  for (const { file, updated, versions } of checked.value.jobs) {
    try {
      const bundle = readBundle(files.get(file) ?? new Uint8Array());
      const kept = versions === undefined ? [] : versionsOf(files.get(versions));
      jobs.push({ ...bundle, updated, ...(kept.length > 0 ? { versions: kept } : {}) });
    } catch {
      // Counted below.
    }
  }
  return { jobs, library: libraryOf(files.get(LIBRARY)), damaged: checked.value.jobs.length - jobs.length };
}

/** Versions as far as they can be read: a damaged one keeps neither its job nor the others away. */
function versionsOf(written: Uint8Array | undefined): KeptVersion[] {
  const checked = versionsSchema.validate(written ? parsed(written) : []);
  if (checked.error) return [];
  return checked.value.flatMap((v: KeptVersion) => {
    try {
      return [{ ...v, job: parseJob(v.job) }];
    } catch {
      return [];
    }
  });
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
