import type { Handler } from '../serve';
import { canvas } from './kept';

export const hide: Handler<'hide'> = ({ hidden }) => {
  canvas.hide(hidden);
  return { output: null };
};
