import { basename, join } from 'node:path';
import { InputError } from '../core/document/errors';
import type { FaceOutlines, Lettering } from '../core/document/types';
import { faceOf } from '../core/lettering/faces';
import { faceKeys } from '../core/lettering/textJob';
import { shippedFace, type ShippedFace } from '../core/lettering/outline/catalogue';
import { readBytes } from './files';

/** Beside the bundled program, where the build puts them. */
const FACES_DIR = 'faces';

/** Where a shipped face's font lies. */
export const fileOfFace = ({ file }: Pick<ShippedFace, 'file'>): string => join(__dirname, FACES_DIR, file);

/** How a face that is asked for draws a text: what the text's record needs of it. */
export interface AskedFace {
  key: string;
  /** The face's letters that a text uses; undefined for a face that is drawn as columns. */
  outlinesFor(text: string): FaceOutlines | undefined;
}

/**
 * A face by its name, or by a font file.
 * @throws InputError for names that are none, and files that are no font
 */
export async function faceAsked(name: string): Promise<AskedFace> {
  const native = faceOf(name);
  if (native) return { key: native.key, outlinesFor: () => undefined };
  const shipped = shippedFace(name);
  if (!shipped && !/\.(otf|ttf|woff2?|ttc)$/i.test(name))
    throw new InputError('bad-usage', `There is no face ‘${name}’; choose one of ${faceKeys()}, or name an OTF, TTF or WOFF file.`);
  const file = shipped ? fileOfFace(shipped) : name;
  // Read only where it is needed: few texts are set in a font.
  const { readFont } = await import('../core/lettering/outline/readFont');
  const font = readFont(readBytes(file), basename(file));
  return { key: shipped?.key ?? font.name, outlinesFor: font.outlinesFor };
}

/** A text in a face. */
export function inFace(text: Lettering, face: AskedFace): Lettering {
  const outlines = face.outlinesFor(text.text);
  return { ...text, face: face.key, ...(outlines ? { outlines } : {}) };
}
