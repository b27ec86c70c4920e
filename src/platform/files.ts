import { InputError } from '@/core/document/errors';
import { isPictureName } from '@/core/tracing/pictureName';
import { MAX_BUNDLE_BYTES, MAX_PICTURE_BYTES, MAX_SVG_BYTES } from '@/core/units/tolerances';

/** Hands a file to the browser's own way of saving. */
export function download(name: string, data: Blob): void {
  const url = URL.createObjectURL(data);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** File name made of a job's name: letters, digits and hyphens. */
export function fileStem(name: string): string {
  return (
    name
      .trim()
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'job'
  );
}

export const isBundle = (file: File): boolean => /\.(cobble|zip)$/i.test(file.name);

/** Whether a file is a picture of pixels, by its name or by what the clipboard says of it. */
export const isPicture = (file: File): boolean => isPictureName(file.name) || /^image\/(png|jpeg|webp|gif|bmp)$/.test(file.type);

/** Refuses files too large to read before they are loaded. */
export function checkSize(file: File): void {
  const limit = isBundle(file) ? MAX_BUNDLE_BYTES : isPicture(file) ? MAX_PICTURE_BYTES : MAX_SVG_BYTES;
  if (file.size > limit) {
    throw new InputError(
      'too-large',
      `‘${file.name}’ is ${(file.size / 1e6).toFixed(0)} MB; simplify it to less than ${limit / 1e6} MB and try again.`,
    );
  }
}
