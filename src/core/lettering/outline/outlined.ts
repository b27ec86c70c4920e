import type { FaceOutlines } from '../../document/types';
import { dataToRings } from '../../geometry/path';
import type { Glyph } from '../glyph';

/** Curves of an outline are followed so nearly, hundredths of the height of capitals. */
const NEAR = 0.12;

/** Letters of a face by their outlines; each is read once. */
const read = new WeakMap<FaceOutlines['glyphs'][string], Glyph>();

/** A letter of a face by its outline, in heights of capitals; null when the face does not have it. */
export function outlinedGlyph({ glyphs }: FaceOutlines, sign: string): Glyph | null {
  const own = Object.hasOwn(glyphs, sign) ? glyphs[sign]! : null;
  if (!own) return null;
  const known = read.get(own);
  if (known) return known;
  const outline = own.d === '' ? [] : dataToRings(own.d, NEAR).map((ring) => ring.map((p) => ({ x: p.x / 100, y: -p.y / 100 })));
  const glyph: Glyph = { width: own.advance / 100, strokes: [], outline };
  read.set(own, glyph);
  return glyph;
}

/** What is written as the signs of a face, the longest that it has at each place; those that it has not stand alone. */
export function signsIn({ glyphs }: FaceOutlines, line: string): string[] {
  const longest = Math.max(1, ...Object.keys(glyphs).map((k) => Array.from(k).length));
  const chars = Array.from(line);
  const out: string[] = [];
  for (let i = 0; i < chars.length; ) {
    let n = Math.min(longest, chars.length - i);
    while (n > 1 && !Object.hasOwn(glyphs, chars.slice(i, i + n).join(''))) n--;
    out.push(chars.slice(i, i + n).join(''));
    i += n;
  }
  return out;
}
