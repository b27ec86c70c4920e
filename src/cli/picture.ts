import { createRequire } from 'node:module';
import { basename, join } from 'node:path';
import type Sharp from 'sharp';
import type { Sharp as Image } from 'sharp';
import { damagedPicture, keptSize, pictureHeader } from '../core/tracing/intake';
import type { Picture } from '../core/tracing/picture';
import { decodedBitmap } from './bitmap';

/**
 * Decodes a picture file, turned as its camera says, its colours those of the screen, reduced where it is larger than can be traced.
 * @throws InputError for what is no picture, damaged, or too large
 */
export async function decodedPicture(bytes: Uint8Array, path: string): Promise<{ picture: Picture; reduced: boolean }> {
  const name = basename(path);
  const header = pictureHeader(bytes, name);
  const size = keptSize(header);
  // Loaded only here: it is large, and most commands read no picture.
  const sharp = createRequire(join(__dirname, 'picture.cjs'))('sharp') as typeof Sharp;
  try {
    const image = (header.kind === 'bmp' ? ofBitmap(sharp, bytes) : sharp(bytes, { limitInputPixels: 60_000_000, failOn: 'truncated' }))
      .autoOrient()
      .toColourspace('srgb');
    const sized = size.reduced
      ? image.resize({ width: Math.max(size.width, size.height), height: Math.max(size.width, size.height), fit: 'inside' })
      : image;
    const { data, info } = await sized.ensureAlpha().raw({ depth: 'uchar' }).toBuffer({ resolveWithObject: true });
    return { picture: { width: info.width, height: info.height, data }, reduced: size.reduced };
  } catch {
    throw damagedPicture(name);
  }
}

/** The library that decodes all others reads no bitmaps. */
function ofBitmap(sharp: typeof Sharp, bytes: Uint8Array): Image {
  const { width, height, data } = decodedBitmap(bytes);
  return sharp(data, { raw: { width, height, channels: 4 } });
}
