import { strFromU8 } from 'fflate';
import { InputError } from '../document/errors';
import { parseJob } from '../document/schema';
import { pictureKind } from '../tracing/intake';
import { isPictureName } from '../tracing/pictureName';
import { pictureText } from '../tracing/pictureText';
import { FOLDER, NAMES, PHOTOS, RECORD, type Bundle } from './bundle';
import { unzipped } from './zip';

const LIMITS = { entries: 400, bytes: 80_000_000, apart: { start: PHOTOS, bytes: 200_000_000 } };
const ARTWORK_ENTRY = /^artwork\/[^/\\]{1,120}$/;
const PHOTO_ENTRY = /^photos\/[^/\\]{1,120}$/;

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
    if (typeof name === 'string' && name !== '') artwork.push([name, artworkText(name, content)]);
  }
  const photos = [...files]
    .filter(([entry, content]) => PHOTO_ENTRY.test(entry) && !entry.includes('..') && pictureKind(content) !== null)
    .map(([entry, content]) => [entry.slice(PHOTOS.length), new Uint8Array(content)] as const);
  return {
    job: parseJob(json(record)),
    artwork: Object.fromEntries(artwork),
    ...(photos.length > 0 ? { photos: Object.fromEntries(photos) } : {}),
  };
}

/** A drawing as its text, a picture as a data address. */
function artworkText(name: string, content: Uint8Array): string {
  const kind = isPictureName(name) ? pictureKind(content) : null;
  return kind ? pictureText(content, kind) : strFromU8(content);
}

function json(content: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(content));
  } catch {
    throw new InputError('bad-bundle', 'This bundle is damaged: what it says about its job cannot be read. Export it again.');
  }
}
