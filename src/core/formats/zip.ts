import { Inflate } from 'fflate';
import { InputError } from '../document/errors';

/** What a zip may hold before it is refused. */
export interface ZipLimits {
  entries: number;
  /** All entries unpacked, bytes. */
  bytes: number;
  /** Entries whose names begin so count by themselves. */
  apart?: { start: string; bytes: number };
}

interface Entry {
  name: string;
  method: number;
  crc: number;
  packed: number;
  size: number;
  /** Of its local header. */
  at: number;
}

const BROKEN = 'This file is damaged or cut short; export it again and choose the new file.';
const LOCAL = 0x04034b50;
const DIRECTORY = 0x02014b50;
const END = 0x06054b50;
const END_BYTES = 22;
const STORED = 0;
const DEFLATED = 8;
const ENCRYPTED = 1;
/** Packed bytes handed on at once: deflate can grow a thousandfold, and what comes out is checked after each piece. */
const PIECE_BYTES = 4096;

const broken = (): InputError => new InputError('bad-bundle', BROKEN);

/**
 * Unpacks a zip (APPNOTE 6.3, without encryption and 64-bit sizes). Entries are counted, their names compared and their unpacked
 * sizes added up before anything is unpacked; unpacking stops at the size that the directory gives, and checksums are compared.
 * @throws InputError 'bad-bundle' when it is no zip, damaged, holds two entries of one name, or more than the limits
 */
export function unzipped(bytes: Uint8Array, limits: ZipLimits): Map<string, Uint8Array> {
  const entries = directoryOf(bytes, limits);
  const out = new Map<string, Uint8Array>();
  for (const entry of entries) out.set(entry.name, contentOf(bytes, entry));
  return out;
}

function directoryOf(bytes: Uint8Array, limits: ZipLimits): Entry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = endOf(bytes, view);
  const count = view.getUint16(end + 10, true);
  if (count > limits.entries) throw new InputError('bad-bundle', 'This file holds too many files; choose one that Cobble exported.');
  const entries: Entry[] = [];
  const names = new Set<string>();
  let [total, apart] = [0, 0];
  let at = view.getUint32(end + 16, true);
  for (let i = 0; i < count; i++) {
    if (at + 46 > bytes.length || view.getUint32(at, true) !== DIRECTORY) throw broken();
    if (view.getUint16(at + 8, true) & ENCRYPTED) throw broken();
    const [nameLength, extra, comment] = [28, 30, 32].map((o) => view.getUint16(at + o, true)) as [number, number, number];
    if (at + 46 + nameLength > bytes.length) throw broken();
    const entry = {
      name: new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + nameLength)),
      method: view.getUint16(at + 10, true),
      crc: view.getUint32(at + 16, true),
      packed: view.getUint32(at + 20, true),
      size: view.getUint32(at + 24, true),
      at: view.getUint32(at + 42, true),
    };
    if (limits.apart && entry.name.startsWith(limits.apart.start)) apart += entry.size;
    else total += entry.size;
    if (total > limits.bytes || apart > (limits.apart?.bytes ?? 0))
      throw new InputError(
        'bad-bundle',
        `This file unpacks to more than ${Math.round(limits.bytes / 1e6)} MB; choose one that Cobble exported.`,
      );
    if (names.has(entry.name)) throw broken();
    names.add(entry.name);
    entries.push(entry);
    at += 46 + nameLength + extra + comment;
  }
  return entries;
}

/** The end-of-directory record stands within the last 64 kB of every whole zip. */
function endOf(bytes: Uint8Array, view: DataView): number {
  for (let i = bytes.length - END_BYTES; i >= Math.max(0, bytes.length - END_BYTES - 65535); i--) {
    if (view.getUint32(i, true) === END) return i;
  }
  throw broken();
}

function contentOf(bytes: Uint8Array, { at, method, packed, size, crc }: Entry): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (at + 30 > bytes.length || view.getUint32(at, true) !== LOCAL) throw broken();
  const from = at + 30 + view.getUint16(at + 26, true) + view.getUint16(at + 28, true);
  if (from + packed > bytes.length) throw broken();
  const data = bytes.subarray(from, from + packed);
  if (method !== STORED && method !== DEFLATED) throw broken();
  const content = method === STORED ? data : inflated(data, size);
  if (content.length !== size || crc32(content) !== crc) throw broken();
  return content;
}

function inflated(data: Uint8Array, size: number): Uint8Array {
  const out = new Uint8Array(size);
  let length = 0;
  const inflate = new Inflate((chunk) => {
    if (length + chunk.length > size) throw broken();
    out.set(chunk, length);
    length += chunk.length;
  });
  try {
    for (let at = 0; at < data.length; at += PIECE_BYTES)
      inflate.push(data.subarray(at, at + PIECE_BYTES), at + PIECE_BYTES >= data.length);
  } catch {
    throw broken();
  }
  return out.subarray(0, length);
}

const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c;
});

/** Checksum of ISO 3309, as zips have it. */
function crc32(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (let i = 0; i < bytes.length; i++) c = CRC_TABLE[(c ^ bytes[i]!) & 255]! ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}
