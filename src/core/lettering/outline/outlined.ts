import type { FaceOutlines } from '../../document/types';
import { dataToRings } from '../../geometry/path';
import { dot, sub, type Point } from '../../geometry/point';
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
  const outline =
    own.d === '' ? [] : dataToRings(own.d, NEAR).map((ring) => withoutBarbs(ring).map((p) => ({ x: p.x / 100, y: -p.y / 100 })));
  const glyph: Glyph = { width: own.advance / 100, strokes: [], outline };
  read.set(own, glyph);
  return glyph;
}

/** What is written as the signs of a face, the longest that it has at each place; those that it has not stand alone. */
export function signsIn({ glyphs }: FaceOutlines, line: string): string[] {
  const longest = Math.max(1, ...Object.keys(glyphs).map((k) => Array.from(k).length));
  const chars = Array.from(line);
  const out: string[] = [];
  for (let i = 0; i < chars.length;) {
    let n = Math.min(longest, chars.length - i);
    while (n > 1 && !Object.hasOwn(glyphs, chars.slice(i, i + n).join(''))) n--;
    out.push(chars.slice(i, i + n).join(''));
    i += n;
  }
  return out;
}

/** A line that turns back on itself more sharply than this, as a cosine, before it has gone so far, hundredths of a height, is a slip of the pen. */
const TURNED_BACK = -0.9;
const BARB = 3;

/** A ring without places where it goes out and back: they have no width to sew, and columns would be sought in them. */
function withoutBarbs(ring: readonly Point[]): readonly Point[] {
  const n = ring.length;
  const kept = ring.filter((p, i) => {
    const [a, b] = [sub(p, ring[(i + n - 1) % n]!), sub(ring[(i + 1) % n]!, p)];
    const [la, lb] = [Math.sqrt(dot(a, a)), Math.sqrt(dot(b, b))];
    return la === 0 || lb === 0 || dot(a, b) / (la * lb) > TURNED_BACK || Math.min(la, lb) > BARB;
  });
  return kept.length === n || kept.length < 3 ? kept : withoutBarbs(kept);
}
