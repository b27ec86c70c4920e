import { strFromU8, strToU8, Unzip, UnzipInflate, zipSync } from 'fflate';
import { InputError } from '../document/errors';
import { parseJob } from '../document/schema';
import type { Job } from '../document/types';

/** A job with its artwork files, as a zip holds them. */
export interface Bundle {
  job: Job;
  /** File name to SVG text. */
  artwork: Record<string, string>;
}

const MOST_ENTRIES = 200;
const MOST_BYTES = 80_000_000;
const FOLDER = 'artwork/';
const BROKEN = 'This bundle is damaged or cut short; export it again and choose the new file.';

/** Writes `job.json` and the artwork into one zip. The same bundle gives the same bytes. */
export function writeBundle({ job, artwork }: Bundle): Uint8Array<ArrayBuffer> {
  const files: Record<string, Uint8Array> = { 'job.json': strToU8(JSON.stringify(job, null, 1)) };
  for (const [name, text] of Object.entries(artwork)) files[FOLDER + name] = strToU8(text);
  return zipSync(files, { level: 6, mtime: new Date(1980, 0, 1, 12) });
}

/**
 * Reads a bundle. Names, number and unpacked size of the entries are checked while unpacking.
 * @throws InputError when it is no zip, cut short, too large, or its job is not valid
 */
export function readBundle(bytes: Uint8Array): Bundle {
  const files = unpack(bytes);
  const record = files.get('job.json');
  if (!record) throw new InputError('bad-bundle', 'This zip holds no job.json; choose a bundle that Cobble exported.');
  let data: unknown;
  try {
    data = JSON.parse(strFromU8(record));
  } catch {
    throw new InputError('bad-bundle', BROKEN);
  }
  const artwork: Record<string, string> = {};
  for (const [name, content] of files) if (name.startsWith(FOLDER)) artwork[name.slice(FOLDER.length)] = strFromU8(content);
  return { job: parseJob(data), artwork };
}

function unpack(bytes: Uint8Array): Map<string, Uint8Array> {
  if (bytes.length < 22 || bytes[0] !== 0x50 || bytes[1] !== 0x4b || !hasDirectory(bytes)) throw new InputError('bad-bundle', BROKEN);
  const files = new Map<string, Uint8Array>();
  let total = 0;
  let entries = 0;
  let problem: Error | null = null;
  const unzip = new Unzip((file) => {
    if (++entries > MOST_ENTRIES) throw new InputError('bad-bundle', 'This bundle holds too many files; choose one that Cobble exported.');
    if (!safeName(file.name)) return;
    const chunks: Uint8Array[] = [];
    file.ondata = (error, chunk, final) => {
      if (error) problem = error;
      if (!chunk) return;
      total += chunk.length;
      if (total > MOST_BYTES)
        throw new InputError('bad-bundle', 'This bundle unpacks to more than 80 MB; choose one that Cobble exported.');
      chunks.push(chunk);
      if (final) files.set(file.name, joinChunks(chunks));
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length; at += 65536) unzip.push(bytes.subarray(at, at + 65536), at + 65536 >= bytes.length);
  } catch (error) {
    throw error instanceof InputError ? error : new InputError('bad-bundle', BROKEN);
  }
  if (problem) throw new InputError('bad-bundle', BROKEN);
  return files;
}

/** The end-of-directory record stands within the last 64 kB of every whole zip. */
function hasDirectory(bytes: Uint8Array): boolean {
  for (let i = bytes.length - 22; i >= Math.max(0, bytes.length - 65557); i--) {
    if (bytes[i] === 0x50 && bytes[i + 1] === 0x4b && bytes[i + 2] === 5 && bytes[i + 3] === 6) return true;
  }
  return false;
}

const safeName = (name: string): boolean => name === 'job.json' || (/^artwork\/[^/\\]{1,120}$/.test(name) && !name.includes('..'));

function joinChunks(chunks: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(chunks.reduce((n, c) => n + c.length, 0));
  let at = 0;
  for (const c of chunks) {
    out.set(c, at);
    at += c.length;
  }
  return out;
}
