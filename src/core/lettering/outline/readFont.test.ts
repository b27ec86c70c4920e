import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { InputError } from '../../document/errors';
import { letteringSchema } from '../../document/schema';
import { layOut } from '../layout';
import { SHIPPED_FACES, shippedFace } from './catalogue';
import { signsIn } from './outlined';
import { readFont } from './readFont';

const bytesOf = (file: string): Uint8Array => new Uint8Array(readFileSync(join('public/faces', file)));
const fontOf = (key: string) => readFont(bytesOf(shippedFace(key)!.file), key);
const LATIN = 'ÀÄÅÆÇÉÈÊËÍÎÏÑÓÔÖØÚÜßàäåæçéèêëíîïñóôöøúüÿĄąĆćČčĎďĐđĘęĚěĞğİıŁłŃńŇňŐőŒœŘřŚśŞşŠšŤťŮůŰűŹźŻżŽž';
const PLAIN = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,:;!?-()/&@#+=€%*';

describe('shipped faces', () => {
  it.each(SHIPPED_FACES.map((f) => [f.key, f] as const))('%s has the letters of Europe, and its licence beside it', (key, face) => {
    const { glyphs } = fontOf(key).outlinesFor([...PLAIN, ...LATIN].join(' '));
    expect([...PLAIN, ...LATIN].filter((c) => !glyphs[c])).toEqual([]);
    expect(readFileSync(join('public/faces', face.file.replace('.ttf', '.LICENCE.txt')), 'utf8')).toMatch(/SIL OPEN FONT LICENSE/i);
  });

  it('stand as high as asked: capitals from the base line to the height', () => {
    for (const { key } of SHIPPED_FACES) {
      const text = { text: 'H', face: key, height: 12, outlines: fontOf(key).outlinesFor('H') };
      const ys = layOut(text).letters.flatMap((l) => l.glyph.outline!.flat().map((p) => l.place(p).y));
      expect([key, Math.min(...ys)]).toEqual([key, expect.closeTo(-12, 1)]);
      // A brush, and round ends, run a little below the line.
      expect(Math.max(...ys)).toBeLessThan(key === 'hand' ? 1.8 : 0.35);
    }
  });

  it('set what the font kerns nearer, and join what it joins', () => {
    const font = fontOf('narrow');
    const width = (t: string): number => layOut({ text: t, face: 'narrow', height: 10, outlines: font.outlinesFor(t) }).lengthMm;
    expect(width('AV')).toBeLessThan(width('AA') - width('A') + width('V'));
    const { glyphs } = font.outlinesFor('office');
    expect(Object.keys(glyphs)).toContain('ffi');
    expect(signsIn(font.outlinesFor('office fi'), 'office')).toEqual(['o', 'ffi', 'c', 'e']);
  });

  it('fit into a job’s record', () => {
    for (const { key } of SHIPPED_FACES) {
      const text = { text: 'Quay & Öl fi', face: key, height: 12, outlines: fontOf(key).outlinesFor('Quay & Öl fi') };
      expect(letteringSchema.validate(text).error).toBeUndefined();
    }
  });

  it('leave out signs that a font does not have, which are told', () => {
    const outlines = fontOf('soft').outlinesFor('A漢B');
    expect(Object.keys(outlines.glyphs)).toEqual(['A', 'B']);
    expect(layOut({ text: 'A漢B', face: 'soft', height: 10, outlines }).missing).toEqual(['漢']);
  });
});

describe('files that are no font', () => {
  const whole = bytesOf('poster.ttf');

  it.each([
    ['an empty file', new Uint8Array(0), /cannot be read as a font/],
    ['a text', new TextEncoder().encode('This is no font at all, only words.'), /cannot be read as a font/],
    ['a WOFF2', new TextEncoder().encode('wOF2 and then some'), /WOFF2.*reads single OTF, TTF and WOFF/],
    ['a collection', new TextEncoder().encode('ttcf and then some'), /collection of fonts/],
  ])('%s is refused in a sentence that names it', (_, bytes, why) => {
    expect(() => readFont(bytes, 'crew.ttf')).toThrow(InputError);
    expect(() => readFont(bytes, 'crew.ttf')).toThrow(/‘crew.ttf’/);
    expect(() => readFont(bytes, 'crew.ttf')).toThrow(why);
  });

  it('cut off or damaged anywhere it is read or refused, and nothing else happens', () => {
    const outcome = (bytes: Uint8Array): void => {
      try {
        readFont(bytes, 'x.ttf').outlinesFor('Hamburg');
      } catch (error) {
        expect(error).toBeInstanceOf(InputError);
      }
    };
    for (let tenth = 1; tenth < 10; tenth++) outcome(whole.slice(0, (whole.length * tenth) / 10));
    fc.assert(
      fc.property(fc.nat(4000), fc.nat(255), fc.nat(3), (at, byte, more) => {
        const broken = whole.slice();
        for (let k = 0; k <= more; k++) broken[at + 7 * k] = byte;
        outcome(broken);
      }),
      { numRuns: 60 },
    );
  });
});
