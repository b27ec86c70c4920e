import { create, type Font, type FontCollection } from 'fontkit';
import { InputError } from '../../document/errors';
import type { FaceOutlines } from '../../document/types';
import { toThousandths } from '../../units/rounded';

/** A face read from a font file. */
export interface OutlineFont {
  name: string;
  /** How many signs it has. */
  count: number;
  /** Letters that a text uses, with what the font says of their distances. What is there already is kept. */
  outlinesFor(text: string): FaceOutlines;
}

/** More than any text face. */
const LARGEST_BYTES = 20_000_000;
const KINDS: readonly (readonly [signature: string, what: string])[] = [
  ['wOF2', 'a WOFF2 font'],
  ['ttcf', 'a collection of fonts'],
];

/**
 * Reads a font: OTF, TTF or WOFF.
 * @throws InputError `bad-font`, in a sentence that names the file
 */
export function readFont(bytes: Uint8Array, file: string): OutlineFont {
  const refuse = (why: string): InputError => new InputError('bad-font', `‘${file}’ ${why}`);
  if (bytes.length > LARGEST_BYTES) throw refuse('is too large for a font; take one of up to 20 MB.');
  const signature = String.fromCharCode(...bytes.subarray(0, 4));
  const other = KINDS.find(([s]) => s === signature);
  if (other) throw refuse(`is ${other[1]}; Cobble reads single OTF, TTF and WOFF files.`);
  let font: Font;
  try {
    const made: Font | FontCollection = create(bytes as never);
    if (!('unitsPerEm' in made)) throw new Error('no single font');
    font = made;
    // Damage often shows only where a letter is drawn.
    if (!(font.unitsPerEm > 0) || font.numGlyphs < 2) throw new Error('empty');
    outlineOf(font, 'H');
    font.layout('Ha');
  } catch {
    throw refuse('cannot be read as a font: it is damaged, or no OTF, TTF or WOFF file. Take it anew from where it came from.');
  }
  const unit = 100 / capitalsOf(font);
  const name = font.familyName || file.replace(/\.[^.]*$/, '');
  return { name, count: font.characterSet.length, outlinesFor: (text) => outlinesFor(font, name, unit, text) };
}

/** Height of capitals in the font's units: as its H says, for tables are often empty or wrong. */
function capitalsOf(font: Font): number {
  const box = font.glyphForCodePoint('H'.codePointAt(0)!).bbox;
  const drawn = box.maxY - box.minY;
  if (font.hasGlyphForCodePoint(72) && drawn > 0) return box.maxY;
  return font.capHeight > 0 ? font.capHeight : 0.7 * font.unitsPerEm;
}

function outlineOf(font: Font, char: string): string {
  return font.glyphForCodePoint(char.codePointAt(0)!).path.toSVG();
}

/** Contextual forms depend on neighbours that are yet to be typed: letters keep one form. */
const FEATURES = { kern: true, liga: true, calt: false };

function outlinesFor(font: Font, name: string, unit: number, text: string): FaceOutlines {
  const made: FaceOutlines = { name, glyphs: {}, kern: {}, space: 0 };
  const words = text.normalize('NFC').split(/[ \n]/);
  try {
    made.space = toThousandths(font.glyphForCodePoint(32).advanceWidth * unit);
    for (const word of words) if (word !== '') addWord(made, font, unit, word);
  } catch {
    throw new InputError('bad-font', `‘${name}’ cannot set ‘${text}’: the font is damaged there. Take another face.`);
  }
  return made;
}

function addWord({ glyphs, kern }: FaceOutlines, font: Font, unit: number, word: string): void {
  const run = font.layout(word, FEATURES);
  let at = 0;
  const signs = run.glyphs.map((g) => {
    // What a glyph says it stands for may be what it was first met as: only what is written here counts.
    const says = String.fromCodePoint(...g.codePoints);
    const sign = says !== '' && word.startsWith(says, at) ? says : (Array.from(word.slice(at))[0] ?? '');
    at += sign.length;
    return sign;
  });
  run.glyphs.forEach((glyph, i) => {
    const sign = signs[i]!;
    if (glyph.id === 0 || sign === '') return;
    glyphs[sign] ??= { d: scaled(glyph.path, unit), advance: toThousandths(glyph.advanceWidth * unit) };
    const next = signs[i + 1];
    const closer = run.positions[i]!.xAdvance - glyph.advanceWidth;
    if (next !== undefined && Math.abs(closer) > 0) kern[`${sign}\n${next}`] = toThousandths(closer * unit);
  });
}

/** Path data of a glyph, y downward. */
function scaled(path: Font['getGlyph'] extends (...args: never[]) => { path: infer P } ? P : never, unit: number): string {
  return path.scale(unit, -unit).toSVG();
}
