import fc from 'fast-check';
import type { Lettering } from '../document/types';
import type { Point } from '../geometry/point';
import { lettersApart } from './apart';
import { FACES, faceOf, glyphOf, signsOf } from './faces';
import { layOut } from './layout';
import { sewingOrder } from './order';
import { centred, extentOf, heightForWidth, jobOfText } from './textJob';

const text = (over: Partial<Lettering> = {}): Lettering => ({ text: 'Harbour', face: 'treadle', height: 10, ...over });
const feet = (t: Lettering): Point[] => layOut(t).letters.map((l) => l.place({ x: l.glyph.width / 2, y: 0 }));
const face = fc.constantFrom(...FACES.map((f) => f.key));
const words = fc.stringMatching(/^[A-Za-z0-9]{2,14}$/);

describe('a text laid out', () => {
  it('stands on its line from left to right, its capitals as high as asked', () => {
    fc.assert(
      fc.property(words, face, fc.double({ min: 4, max: 40, noNaN: true }), (word, key, height) => {
        const laid = layOut(text({ text: word, face: key, height }));
        expect(laid.letters.map((l) => l.char).join('')).toBe(word);
        const xs = laid.letters.map((l) => l.place({ x: 0, y: 0 }).x);
        expect(xs).toEqual(xs.slice().sort((a, b) => a - b));
        for (const l of laid.letters) {
          expect(l.place({ x: 0, y: 0 }).y).toBeCloseTo(0, 6);
          expect(l.place({ x: 0, y: 1 }).y).toBeCloseTo(-height, 6);
        }
      }),
    );
  });

  it('is moved, turned, spread and slanted as told', () => {
    const [plain, moved] = [feet(text()), feet(text({ at: [7, -3] }))];
    moved.forEach((p, i) => expect([p.x - plain[i]!.x, p.y - plain[i]!.y].map((v) => v.toFixed(6))).toEqual(['7.000000', '-3.000000']));
    const upright = feet(text({ turn: 90 }));
    upright.forEach((p, i) => expect([p.x, p.y]).toEqual([expect.closeTo(0, 6), expect.closeTo(-plain[i]!.x, 6)]));
    expect(layOut(text({ spacing: 20 })).lengthMm - layOut(text()).lengthMm).toBeCloseTo(6 * 2, 6);
    expect(layOut(text({ pairs: { 2: 3 } })).lengthMm - layOut(text()).lengthMm).toBeCloseTo(3, 6);
    const [first] = layOut(text({ slant: 45 })).letters;
    expect(first!.place({ x: 0, y: 1 }).x - first!.place({ x: 0, y: 0 }).x).toBeCloseTo(10, 6);
  });

  it('goes round a circle of the radius, outside above and inside below', () => {
    fc.assert(
      fc.property(fc.double({ min: 25, max: 90, noNaN: true }), fc.constantFrom('arc-up' as const, 'arc-down' as const), (radius, line) => {
        const middle = { x: 0, y: line === 'arc-up' ? radius : -radius };
        for (const { glyph, place } of layOut(text({ line, radius })).letters) {
          const away = (y: number): number =>
            Math.hypot(...(['x', 'y'] as const).map((k) => place({ x: glyph.width / 2, y })[k] - middle[k]));
          expect(away(0)).toBeCloseTo(radius, 6);
          expect(away(1)).toBeCloseTo(radius + (line === 'arc-up' ? 10 : -10), 6);
        }
      }),
    );
  });

  it('round a circle goes once round it, or as far as a radius lets it', () => {
    const turned = (over: Partial<Lettering>): number => {
      const { letters } = layOut(text({ text: 'HARBOUR LINE FERRIES', line: 'circle', ...over }));
      return letters[letters.length - 1]!.turn - letters[0]!.turn;
    };
    expect(turned({})).toBeGreaterThan(1.8 * Math.PI);
    expect(turned({})).toBeLessThan(2 * Math.PI);
    expect(turned({ radius: 200 })).toBeLessThan(1);
  });

  it('in several lines stands beneath itself, to either side or in the middle', () => {
    const of = (align: Lettering['align']): number[] => {
      const { letters } = layOut(text({ text: 'Wide line\nI', align: align! }));
      return [letters[0]!, letters[letters.length - 1]!].map((l) => l.place({ x: 0, y: 0 }).x);
    };
    const [left, right, middle] = (['left', 'right', 'centre'] as const).map(of);
    expect(left![1]! - left![0]!).toBeLessThan(0.5);
    expect(right![1]!).toBeGreaterThan(40 * 0.5);
    expect(middle![1]!).toBeCloseTo((left![1]! + right![1]!) / 2, 6);
    const ys = layOut(text({ text: 'A\nB' })).letters.map((l) => l.place({ x: 0, y: 0 }).y);
    expect(ys[1]! - ys[0]!).toBeCloseTo(16, 6);
  });

  it('letters that lean away from each other stand closer, upright ones do not', () => {
    const width = (pair: string): number => layOut(text({ text: pair })).lengthMm;
    const alone = (pair: string): number => [...pair].reduce((sum, c) => sum + width(c), 0) + 1.4;
    for (const pair of ['HH', 'NI', 'MM', 'll']) expect(width(pair)).toBeCloseTo(alone(pair), 6);
    for (const pair of ['AV', 'LT', 'Te', 'PA']) {
      expect(alone(pair) - width(pair)).toBeGreaterThan(0.5);
      expect(alone(pair) - width(pair)).toBeLessThanOrEqual(2.6 + 1e-9);
    }
  });

  it('below 6 mm is spread by nearly a third', () => {
    const between = (height: number): number => {
      const { letters } = layOut(text({ text: 'HH', height }));
      const [a, b] = letters.map((l) => l.place({ x: 0, y: 0 }).x);
      return b! - a! - letters[0]!.glyph.width * height;
    };
    expect(between(5.99) / 5.99 / (between(6) / 6)).toBeCloseTo(1.3, 2);
  });
});

describe('faces', () => {
  const LATIN =
    'ÀÁÂÃÄÅÆÇÈÉÊËÌÍÎÏÐÑÒÓÔÕÖØÙÚÛÜÝÞßàáâãäåæçèéêëìíîïñòóôõöøùúûüýÿĀāĂăĄąĆćČčĎĐđĒēĖėĘęĚěĞğĢĪīĮįİıĶĻĽŁłŃńŅŇňŌōŐőŒœŔŕŘřŚśŞşŠšŢŤŪūŮůŰűŲųŹźŻżŽž';

  it('have capitals, small letters, figures and signs, and letters with marks for Western and Central Europe and Turkish', () => {
    const plain = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,:;!?-\'"()/&@#+=€%*';
    for (const f of FACES) {
      const lacking = [...plain, ...LATIN].filter((c) => !glyphOf(f, c, 0.02));
      // Thorn and eth are Iceland's.
      expect(lacking.filter((c) => !'ÐÞ'.includes(c))).toEqual([]);
    }
    expect(new Set(signsOf()).size).toBe(signsOf().length);
  });

  it('say what they do not have', () => {
    expect(layOut(text({ text: 'a漢b漢' }))).toMatchObject({ missing: ['漢'], letters: [{ char: 'a' }, { char: 'b' }] });
    expect(faceOf('no such face')).toBeUndefined();
  });
});

describe('a job of a text', () => {
  it('fits a width by its height', () => {
    fc.assert(
      fc.property(words, face, fc.double({ min: 40, max: 200, noNaN: true }), (word, key, width) => {
        const t = text({ text: word, face: key });
        const b = extentOf({ ...t, height: heightForWidth(t, width) })!;
        expect(b.maxX - b.minX).toBeCloseTo(width, 0);
      }),
      { numRuns: 14 },
    );
    expect(() => heightForWidth(text(), 0.5)).toThrow(/another width/);
  });

  it('lies in the middle of the smallest hoop that holds it', () => {
    const job = jobOfText({ id: 'x', name: 'x', text: text({ text: 'Quay' }) });
    const b = extentOf(job.pieces[0]!.lettering!)!;
    expect([b.minX + b.maxX, b.minY + b.maxY].map(Math.abs).every((v) => v < 0.01)).toBe(true);
    expect(job.brief.hoop).toMatchObject({ width: 60, height: 60 });
    expect(extentOf(centred(text(), [5, 6]))!.minX).toBeGreaterThan(extentOf(centred(text()))!.minX + 4.9);
  });

  it.each([
    ['漢', /has no ‘漢’/],
    [' ', /nothing to sew/],
    ['W'.repeat(80), /larger than the hoop/],
  ])('of %s is refused in a sentence', (word, why) => {
    expect(() => jobOfText({ id: 'x', name: 'x', text: text({ text: word }) })).toThrow(why);
  });
});

test('letters are sewn to the right, to the left, or from the middle out and the lowest line first', () => {
  const order = (direction: Lettering['direction']): string =>
    sewingOrder(layOut(text({ text: 'abcd\nxyz' })).letters, direction)
      .map((l) => l.char)
      .join('');
  expect(order(undefined)).toBe('abcdxyz');
  expect(order('right-to-left')).toBe('dcbazyx');
  expect(['yxzbacd', 'xyzbacd']).toContain(order('centre-out'));
});

test('letters apart stand where they stood', () => {
  fc.assert(
    fc.property(
      words,
      face,
      fc.constantFrom('straight' as const, 'arc-up' as const, 'arc-down' as const),
      fc.integer({ min: -180, max: 180 }),
      (word, key, line, turn) => {
        const whole = text({ text: word, face: key, line, turn, radius: 60, at: [3, 4] });
        const apart = lettersApart(whole).map((t) => layOut(t).letters[0]!);
        layOut(whole).letters.forEach(({ char, place, glyph }, i) => {
          expect(apart[i]!.char).toBe(char);
          for (const p of [
            { x: 0, y: 0 },
            { x: glyph.width, y: 1 },
          ]) {
            const [a, b] = [place(p), apart[i]!.place(p)];
            expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThan(0.01);
          }
        });
      },
    ),
    { numRuns: 40 },
  );
});
