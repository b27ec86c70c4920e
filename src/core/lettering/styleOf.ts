import type { Lettering } from '../document/types';
import { faceOf } from './faces';

/** Whether a text is so small that its face draws each of its strokes as one line; a rule that can be switched off. */
export const isLinesBySize = ({ face, height, rules }: Lettering): boolean =>
  rules?.line !== false && height < (faceOf(face)?.linesBelow ?? 0);

/** What the letters of a text are sewn as: what it says, or single lines where they are too small for columns; columns where absent. */
export const styleOf = (text: Lettering): Lettering['style'] => text.style ?? (isLinesBySize(text) ? 'line' : undefined);
