import type { Handler } from '../serve';
import { canvas } from './kept';

export const picture: Handler<'picture'> = (request) => {
  const pixels = canvas.picture(request).data.slice();
  return { output: { ...request, pixels }, transfer: [pixels.buffer] };
};
