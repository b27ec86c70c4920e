import { pictureText } from '@/core/tracing/pictureText';
import { shapesSvg } from '@/core/tracing/shapesSvg';
import { trace as traced } from '@/core/tracing/trace';
import type { Handler } from '../serve';
import { decoded } from './decode';

export const trace: Handler<'trace'> = async ({ bytes, name, options }, { progress }) => {
  const file = new Uint8Array(bytes);
  progress(0.01);
  const { picture, canvas, kind, reduced } = await decoded(file, name);
  const tracing = traced(picture, options, progress);
  const { colours, droppedSpecks, specks, keptSpots, smallNear, squared, areas, notes } = tracing;
  if (reduced) notes.push('The picture was reduced to 4,000 pixels on its longer side; that copy is kept with the job.');
  const kept = reduced ? pictureText(await pngOf(canvas), 'png') : pictureText(file, kind);
  return {
    output: {
      svg: shapesSvg(tracing),
      picture: kept,
      found: { colours, droppedSpecks, specks, keptSpots, smallNear, squared, areas, notes },
    },
  };
};

const pngOf = async (canvas: OffscreenCanvas): Promise<Uint8Array> =>
  new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
