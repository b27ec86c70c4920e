import { FACES, glyphOf } from '../faces';
import { curve, inkBox } from '../glyph';
import { layOut } from '../layout';

describe('a script', () => {
  const skein = FACES.find((f) => f.script)!;
  const small = [...'abcdefghijklmnopqrstuvwxyzæœßøłđı'];
  const capitals = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZÆŒŁ'];
  const tips = (sign: string) => glyphOf(skein, sign, 0)!.strokes.flatMap((s) => [s.middle[0]!, s.middle[s.middle.length - 1]!]);

  it('has small letters that begin and end at one height', () => {
    const { lean } = skein.script!;
    const high = 0.42 * skein.proportions.x;
    for (const sign of small) {
      const { width, joins } = glyphOf(skein, sign, 0)!;
      expect([sign, joins]).toEqual([sign, 'both']);
      for (const x of [0, width]) {
        const near = tips(sign).some((p) => Math.abs(p.x - x - lean * high) < 1e-6 && Math.abs(p.y - high) < 1e-6);
        expect([sign, x, near]).toEqual([sign, x, true]);
      }
    }
  });

  it('sets them so that each ends where the next begins, at any size and spread', () => {
    for (const height of [4, 10, 40]) {
      const { letters } = layOut({ text: 'quickest', face: skein.key, height });
      letters.slice(1).forEach((letter, i) => {
        const before = letters[i]!;
        const [end, begin] = [before.place({ x: before.glyph.width, y: 0 }), letter.place({ x: 0, y: 0 })];
        expect(begin.x - end.x).toBeCloseTo(0, 6);
      });
    }
  });

  it('has capitals that lead on to the letter after them, and others that stand alone', () => {
    const { lean } = skein.script!;
    const high = 0.42 * skein.proportions.x;
    const leading = capitals.filter((sign) => glyphOf(skein, sign, 0)!.joins === 'after');
    expect(leading.join('')).toBe('ACEGHIKLMQRUXZÆŒŁ');
    for (const sign of leading) {
      const { width } = glyphOf(skein, sign, 0)!;
      const near = tips(sign).some((p) => Math.abs(p.x - width - lean * high) < 1e-6 && Math.abs(p.y - high) < 1e-6);
      expect([sign, near]).toEqual([sign, true]);
      const [first, second] = layOut({ text: `${sign}n`, face: skein.key, height: 10 }).letters;
      expect(second!.place({ x: 0, y: 0 }).x - first!.place({ x: width, y: 0 }).x).toBeCloseTo(0, 6);
    }
    for (const sign of capitals.filter((c) => !leading.includes(c)))
      expect([sign, glyphOf(skein, sign, 0)!.joins]).toEqual([sign, undefined]);
  });

  it('has capitals as tall as its figures', () => {
    const { w } = skein.proportions;
    for (const sign of capitals.filter((c) => !'JYŁ'.includes(c))) {
      const { maxY, minY } = inkBox(glyphOf(skein, sign, 0)!, w);
      expect([sign, Math.abs(maxY - 1) < 0.04, Math.abs(minY) < 0.04]).toEqual([sign, true, true]);
    }
  });

  it('leaves other capitals, figures and words apart', () => {
    const { letters } = layOut({ text: 'On 8', face: skein.key, height: 10 });
    const [a, n] = letters;
    const right = Math.max(...a!.glyph.strokes.flatMap((s) => s.middle.map((p) => a!.place(p).x)));
    const left = Math.min(...n!.glyph.strokes.flatMap((s) => s.middle.map((p) => n!.place(p).x)));
    expect(left).toBeGreaterThan(right);
  });
});

describe('a curve', () => {
  it('goes through its points, and straight where they lie in a line', () => {
    const points = [
      [0, 0],
      [0.1, 0.4],
      [0.3, 0.5],
      [0.6, 0.2],
    ] as const;
    const { middle } = curve(...points);
    for (const [x, y] of points) expect(middle.some((p) => Math.abs(p.x - x) < 1e-9 && Math.abs(p.y - y) < 1e-9)).toBe(true);
    expect(curve([0, 0], [1, 1], [4, 4]).middle.every((p) => Math.abs(p.x - p.y) < 1e-9)).toBe(true);
  });
});
