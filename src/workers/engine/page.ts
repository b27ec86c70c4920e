import { preparedPicture } from '@/core/tracing/page/prepare';
import type { Handler } from '../serve';
import { decoded } from './decode';

export const page: Handler<'page'> = async ({ bytes, name, prepared, mostPx }) => {
  const { picture } = await decoded(new Uint8Array(bytes), name);
  const { width, height, data } = preparedPicture(picture, prepared).picture;
  const scale = Math.min(1, mostPx / Math.max(width, height));
  const pixels = new ImageData(new Uint8ClampedArray(data), width, height);
  const image = await createImageBitmap(pixels, {
    resizeWidth: Math.max(1, Math.round(width * scale)),
    resizeHeight: Math.max(1, Math.round(height * scale)),
    resizeQuality: 'high',
  });
  return { output: { image }, transfer: [image] };
};
