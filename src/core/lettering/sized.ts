import type { FaceOutlines, Lettering } from '../document/types';
import { FACES, faceOf, glyphOf, type Face } from './faces';
import { inkOf, type Glyph } from './glyph';
import { onceEach } from '../geometry/known';
import { kerningOf, wordKerning } from './kerning';
import { outlinedGlyph, signsIn } from './outline/outlined';
import { styleOf } from './styleOf';
import { THREAD_WIDTH_MM } from '../units/tolerances';

/**
 * Round letters are drawn so much beyond flat ones at each end, mm. Practitioners draw 0.2 (craft §4); here compensation at the ends
 * of the rows, which run along the height there, does that already: with more, the forecast has round letters taller than flat ones.
 */
export const OVERSHOOT_MM = 0.02;
/** Small letters are spread and thickened (craft §8). */
export const SMALL_BELOW_MM = 6;
const SPREAD = 1.3;
/** Strokes never get thinner than this as drawn, mm: with compensation the thinnest satin that sews. */
export const LEAST_STROKE_MM = 0.6;
/** Letters that do not join come no nearer than this, mm. */
const LEAST_APART_MM = 0.35;
/** Words stand apart by so much of what a font says, by the nearest places of their letters. */
const WORDS_APART = 1.1;
/** … but no more than this, heights of capitals: up to 12 mm the thread then need not be cut there. */
const MOST_APART = 0.36;
/** Words this far apart are joined by a run where threads are cut from 5 mm on, mm. */
const JOINED_MM = 4.2;
/** Where a font says nothing of small sizes, its letters are spread by so much of the height. */
const OUTLINE_SPREAD = 0.04;

/** A face at one height, as a text has it. Lengths in mm, but for the glyphs. */
export interface SizedFace {
  face: Face;
  strokeMm: number;
  /** What is written, in the face's signs. */
  signsIn(line: string): string[];
  draw(sign: string): Glyph | null;
}

/** How a text's letters are drawn and set. */
export interface TypeSetting {
  at(height: number): SizedFace;
  /** From the origin of a letter to that of the next; `words` are the spaces between. */
  step(first: SetLetter, second: SetLetter, words: number): number;
  /** Between the ends of a line that goes round. */
  gapMm: number;
}

export interface SetLetter {
  sign: string;
  glyph: Glyph;
  height: number;
}

/** The face of a text as columns, or as the outlines that it brings. An unknown one is the first. */
export function settingOf(text: Lettering): TypeSetting {
  const native = faceOf(text.face);
  return !native && text.outlines ? outlinedSetting(text, text.outlines) : nativeSetting(text, native ?? FACES[0]!);
}

/** A letter whose own height differs by less than this share is taller or lower for the pull, and its strokes are as wide as the others'. */
const CORRECTION = 0.2;
export const isCorrection = (height: number, text: Lettering): boolean => Math.abs(height / text.height - 1) < CORRECTION;

/** Whether a text is spread because its letters are small. */
const isSpread = ({ height, rules }: Lettering): boolean => height < SMALL_BELOW_MM && rules?.spread !== false;

function nativeSetting(text: Lettering, face: Face): TypeSetting {
  const isLine = styleOf(text) === 'line';
  const at = onceEach((height: number): SizedFace => {
    // A correction makes a letter taller or lower, not wider or narrower: a text keeps its length.
    const drawnFor = isCorrection(height, text) ? text.height : height;
    const least = text.rules?.thicken === false ? 0 : LEAST_STROKE_MM;
    // A line is as wide as its thread: drawn so, it reaches as high as it should.
    const strokeMm = isLine ? THREAD_WIDTH_MM : Math.max(least, face.proportions.w * drawnFor * (text.weight ?? 1));
    const proportions = { ...face.proportions, w: strokeMm / height, wide: face.proportions.wide * (text.wide ?? 1) * (drawnFor / height) };
    // Feet are as long as those of its columns.
    const serif = isLine ? (face.serif * face.proportions.w * drawnFor) / strokeMm : face.serif;
    const sized: Face = { ...face, proportions, serif };
    return { face: sized, strokeMm, signsIn: Array.from, draw: onceEach((sign) => glyphOf(sized, sign, OVERSHOOT_MM / height)) };
  });
  const usual = at(text.height);
  const kerning = kerningOf(usual.face, usual.draw, JOINED_MM / text.height);
  const wordApart = face.wordApart * (text.wordSpacing ?? 1);
  const ink = ({ glyph, height }: SetLetter): [number, number] => {
    const [left, right] = inkOf(glyph, at(height).face.proportions.w);
    return [left * height, right * height];
  };
  const apart = face.apart * text.height * (isSpread(text) ? SPREAD : 1) + ((text.spacing ?? 0) / 100) * text.height;
  const apartMm = Math.max(LEAST_APART_MM, apart);
  // Where it can still be read, words are so near that the thread need not be cut between them.
  const near = Math.max(MOST_APART, JOINED_MM / text.height) - apartMm / text.height;
  const wordGap = text.wordSpacing === undefined ? Math.min(wordApart, Math.max(0, near)) : wordApart;
  const step = (first: SetLetter, second: SetLetter, words: number): number => {
    // Letters of a script join where both have a join: the one ends where the other begins.
    if (words === 0 && first.glyph.joins && second.glyph.joins === 'both')
      return first.glyph.width * first.height + ((text.spacing ?? 0) / 100) * text.height;
    const between = words === 1 ? wordGap : words * wordApart;
    return ink(first)[1] - ink(second)[0] + apartMm + (between - kerning(first.sign, second.sign, between)) * text.height;
  };
  return { at, step, gapMm: apartMm + face.wordApart * text.height };
}

function outlinedSetting(text: Lettering, outlines: FaceOutlines): TypeSetting {
  const { wide = 1, weight = 1 } = text;
  const face: Face = { ...FACES[0]!, key: text.face, name: outlines.name, says: '', ends: 'flat', serif: 0 };
  const draw = onceEach((sign: string): Glyph | null => {
    const glyph = outlinedGlyph(outlines, sign);
    return glyph && wide !== 1 ? widened(glyph, wide) : glyph;
  });
  const at = onceEach((height: number): SizedFace => {
    const strokeMm = strokeOfFace(outlines) * height * weight;
    const wider = isCorrection(height, text) ? text.height / height : 1;
    const drawAt = wider === 1 ? draw : onceEach((sign: string): Glyph | null => widenedOrNone(draw(sign), wider));
    return { face, strokeMm, signsIn: (line) => signsIn(outlines, line), draw: drawAt };
  });
  const added = ((text.spacing ?? 0) / 100 + (isSpread(text) ? OUTLINE_SPREAD : 0)) * text.height;
  const nearer = wordKerning(draw, JOINED_MM / text.height);
  const space = (outlines.space / 100) * wide * (text.wordSpacing ?? 1);
  const step = (first: SetLetter, second: SetLetter, words: number): number => {
    const kern = words > 0 ? 0 : ((outlines.kern[`${first.sign}\n${second.sign}`] ?? 0) / 100) * wide;
    const advance = first.glyph.width * first.height + added + (words * space + kern) * text.height;
    if (words === 0) return advance;
    return (
      advance - nearer(first.sign, second.sign, advance / text.height, Math.min(MOST_APART, WORDS_APART * space) * words) * text.height
    );
  };
  return { at, step, gapMm: added + space * text.height };
}

const widenedOrNone = (glyph: Glyph | null, wide: number): Glyph | null => glyph && widened(glyph, wide);

const widened = ({ width, strokes, outline = [] }: Glyph, wide: number): Glyph => ({
  width: width * wide,
  strokes,
  outline: outline.map((ring) => ring.map((p) => ({ x: p.x * wide, y: p.y }))),
});

/** Letters whose strokes tell how wide those of a face are. */
const TELLING = ['l', 'I', 'i', 'H', 'n', 'e', 'a', 'o'];

/** The usual width of a stroke of an outline face, heights of capitals: area over half the way round, of a telling letter in use. */
function strokeOfFace(outlines: FaceOutlines): number {
  const sign = TELLING.find((s) => Object.hasOwn(outlines.glyphs, s)) ?? Object.keys(outlines.glyphs)[0];
  const rings = (sign && outlinedGlyph(outlines, sign)?.outline) || [];
  let [area, around] = [0, 0];
  for (const ring of rings) {
    ring.forEach((p, i) => {
      const q = ring[(i + 1) % ring.length]!;
      area += (p.x * q.y - q.x * p.y) / 2;
      around += Math.sqrt((p.x - q.x) ** 2 + (p.y - q.y) ** 2);
    });
  }
  return around > 0 ? (2 * Math.abs(area)) / around : 0.1;
}
