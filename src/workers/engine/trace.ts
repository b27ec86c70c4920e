import { damagedPicture, keptSize, pictureHeader } from '@/core/tracing/intake';
import type { Picture } from '@/core/tracing/picture';
import { pictureText } from '@/core/tracing/pictureText';
import { shapesSvg } from '@/core/tracing/shapesSvg';
import { trace as traced } from '@/core/tracing/trace';
import { traceFigures } from '@/core/tracing/traceReport';
import type { Handler } from '../serve';

export const trace: Handler<'trace'> = async ({ bytes, name, options }, { progress }) => {
  const file = new Uint8Array(bytes);
  const header = pictureHeader(file, name);
  progress(0.01);
  const { picture, canvas, reduced } = await decoded(file, name, keptSize(header));
  const tracing = traced(picture, options, progress);
  if (reduced) tracing.notes.push('The picture was reduced to 4,000 pixels on its longer side; that copy is kept with the job.');
  const kept = reduced ? pictureText(await pngOf(canvas), 'png') : pictureText(file, header.kind);
  return { output: { svg: shapesSvg(tracing), picture: kept, figures: traceFigures(tracing) } };
};

interface Decoded {
  picture: Picture;
  canvas: OffscreenCanvas;
  reduced: boolean;
}

/** The browser decodes, and turns the picture as its camera says. */
async function decoded(
  file: Uint8Array<ArrayBuffer>,
  name: string,
  { width, height, reduced }: ReturnType<typeof keptSize>,
): Promise<Decoded> {
  try {
    const whole = await createImageBitmap(new Blob([file]), { premultiplyAlpha: 'none' });
    const scale = reduced ? Math.max(width, height) / Math.max(whole.width, whole.height) : 1;
    const canvas = new OffscreenCanvas(Math.max(1, Math.round(whole.width * scale)), Math.max(1, Math.round(whole.height * scale)));
    const context = canvas.getContext('2d', { willReadFrequently: true })!;
    context.imageSmoothingQuality = 'high';
    context.drawImage(whole, 0, 0, canvas.width, canvas.height);
    whole.close();
    const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
    return { picture: { width: canvas.width, height: canvas.height, data }, canvas, reduced };
  } catch {
    throw damagedPicture(name);
  }
}

const pngOf = async (canvas: OffscreenCanvas): Promise<Uint8Array> =>
  new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
