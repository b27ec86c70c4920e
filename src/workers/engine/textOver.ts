import { textOverShapes } from '@/core/pieces/lettering/overShapes';
import type { Handler } from '../serve';

/** A text in the place of shapes that are its letters; null when it cannot be set. */
export const textOver: Handler<'textOver'> = ({ text, shapes }) => ({ output: textOverShapes(text, shapes) });
