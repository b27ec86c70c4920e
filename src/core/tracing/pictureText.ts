import type { PictureKind } from './intake';

/** Pictures lie beside drawings, which are texts: as data addresses (RFC 2397). */
const START = /^data:image\/(png|jpeg|webp|gif|bmp);base64,/;

/** Characters that are made of bytes at a time: more are too many for one call. */
const CHUNK = 0x8000;

export function pictureText(bytes: Uint8Array, kind: PictureKind): string {
  let binary = '';
  for (let i = 0; i < bytes.length; i += CHUNK) binary += String.fromCharCode(...bytes.subarray(i, i + CHUNK));
  return `data:image/${kind === 'jpg' ? 'jpeg' : kind};base64,${btoa(binary)}`;
}

/** The bytes of a picture that is kept as text; null for what is none. */
export function pictureBytes(text: string): Uint8Array<ArrayBuffer> | null {
  const start = START.exec(text);
  if (!start) return null;
  try {
    return Uint8Array.from(atob(text.slice(start[0].length)), (c) => c.charCodeAt(0));
  } catch {
    return null;
  }
}
