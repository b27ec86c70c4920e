import { imageSize } from 'image-size';
import { InputError } from '../document/errors';
import { MAX_PICTURE_BYTES, MAX_PICTURE_PIXELS, PICTURE_SIDE_PX } from '../units/tolerances';

/** Kinds of pictures that are taken in, as their files say themselves. */
const KINDS = ['png', 'jpg', 'webp', 'gif', 'bmp'] as const;
export type PictureKind = (typeof KINDS)[number];

export interface PictureHeader {
  kind: PictureKind;
  width: number;
  height: number;
}

/** What a picture that cannot be read is called; a sentence fit for people. */
export const damagedPicture = (name: string): InputError =>
  new InputError(
    'bad-picture',
    `‘${name}’ is damaged or not the picture that its name says; save it again as PNG or JPEG and try once more.`,
  );

/**
 * Reads what a picture says of itself before anything is decoded.
 * @throws InputError when it is no picture, or larger than can be worked with
 */
export function pictureHeader(bytes: Uint8Array, name: string): PictureHeader {
  if (bytes.length > MAX_PICTURE_BYTES)
    throw new InputError(
      'too-large',
      `‘${name}’ is ${(bytes.length / 1e6).toFixed(0)} MB; save it smaller than ${MAX_PICTURE_BYTES / 1e6} MB.`,
    );
  const said = headerOf(bytes);
  const kind = pictureKind(bytes);
  if (!said || !kind || !(said.width > 0 && said.height > 0)) throw damagedPicture(name);
  const { width, height } = said;
  if (width * height > MAX_PICTURE_PIXELS)
    throw new InputError(
      'too-large',
      `‘${name}’ has ${(width * height) / 1e6 < 1000 ? `${Math.round((width * height) / 1e6)} megapixels` : 'far too many pixels'}; up to ${MAX_PICTURE_PIXELS / 1e6} can be traced. Make it smaller and try again.`,
    );
  return { kind, width, height };
}

/** What a file is by its first bytes; null for what is no picture. */
export function pictureKind(bytes: Uint8Array): PictureKind | null {
  const type = headerOf(bytes)?.type;
  return KINDS.find((k) => k === type) ?? null;
}

function headerOf(bytes: Uint8Array): { type?: string; width: number; height: number } | null {
  try {
    return imageSize(bytes);
  } catch {
    return null;
  }
}

/** Size at which a picture is kept and traced, pixels: as it is, or so that its longer side is not too long. */
export function keptSize({ width, height }: Pick<PictureHeader, 'width' | 'height'>): { width: number; height: number; reduced: boolean } {
  const scale = Math.min(1, PICTURE_SIDE_PX / Math.max(width, height));
  const side = (v: number): number => Math.max(1, Math.round(v * scale));
  return { width: side(width), height: side(height), reduced: scale < 1 };
}
