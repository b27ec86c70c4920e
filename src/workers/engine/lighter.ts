import { lighterDrawing } from '@/core/artwork/lighter';
import { drawingOf } from '@/core/artwork/readSvg';
import type { Handler } from '../serve';

export const lighter: Handler<'lighter'> = ({ svg, way, guessMm }, { progress }) => ({
  output: lighterDrawing(drawingOf(svg), way, guessMm, progress),
});
