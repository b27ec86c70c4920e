import type { Handler } from '../serve';
import { canvas } from './kept';

export const growPlan: Handler<'growPlan'> = ({ part, looks, hidden }) => {
  canvas.grow(part, looks, hidden);
  return { output: null };
};
