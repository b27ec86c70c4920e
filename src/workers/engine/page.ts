import type { Handler } from '../serve';
import { keptPage } from './keptPage';

export const page: Handler<'page'> = async ({ bytes, name, prepared, mostPx }) => {
  const { width, height, data } = await keptPage(new Uint8Array(bytes), name, prepared);
  const scale = Math.min(1, mostPx / Math.max(width, height));
  const pixels = new ImageData(new Uint8ClampedArray(data), width, height);
  const image = await createImageBitmap(pixels, {
    resizeWidth: Math.max(1, Math.round(width * scale)),
    resizeHeight: Math.max(1, Math.round(height * scale)),
    resizeQuality: 'high',
  });
  return { output: { image }, transfer: [image] };
};
