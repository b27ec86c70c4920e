import { decode } from 'fast-bmp';
import type { Picture } from '../core/tracing/picture';

/** Decodes a bitmap's file. @throws Error for what is damaged, or of a kind that is not known */
export function decodedBitmap(bytes: Uint8Array): Picture {
  const { width, height, channels, bitsPerPixel, data: decoded } = decode(bytes);
  const data = decoded as Uint8Array;
  if (bitsPerPixel !== 8 * channels && bitsPerPixel !== 1) throw new Error(`bitmaps of ${bitsPerPixel} bits are not read`);
  const out = new Uint8Array(width * height * 4).fill(255);
  for (let i = 0; i < width * height; i++) {
    if (bitsPerPixel === 1) out.fill(data[i]! > 0 ? 255 : 0, i * 4, i * 4 + 3);
    else if (channels === 1) out.fill(data[i]!, i * 4, i * 4 + 3);
    else for (let k = 0; k < channels; k++) out[i * 4 + k] = data[i * channels + k]!;
  }
  return { width, height, data: out };
}
