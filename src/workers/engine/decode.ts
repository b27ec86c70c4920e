import { damagedPicture, keptSize, pictureHeader } from '@/core/tracing/intake';
import type { Picture } from '@/core/tracing/picture';

export interface Decoded {
  picture: Picture;
  canvas: OffscreenCanvas;
  kind: ReturnType<typeof pictureHeader>['kind'];
  reduced: boolean;
}

/**
 * Decodes a picture's file. The browser turns it as its camera says.
 * @throws InputError for what is no picture, damaged, or too large
 */
export async function decoded(file: Uint8Array<ArrayBuffer>, name: string): Promise<Decoded> {
  const header = pictureHeader(file, name);
  const { width, height, reduced } = keptSize(header);
  try {
    const whole = await createImageBitmap(new Blob([file]), { premultiplyAlpha: 'none' });
    const scale = reduced ? Math.max(width, height) / Math.max(whole.width, whole.height) : 1;
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(whole.width * scale)), Math.max(1, Math.round(whole.height * scale)));
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    context.imageSmoothingQuality = 'high';
    context.drawImage(whole, 0, 0, canvas.width, canvas.height);
    whole.close();
    const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
    return { picture: { width: canvas.width, height: canvas.height, data }, canvas, kind: header.kind, reduced };
  } catch {
    throw damagedPicture(name);
  }
}
