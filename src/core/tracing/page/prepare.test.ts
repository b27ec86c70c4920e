import fc from 'fast-check';
import type { PicturePlace } from '../../document/types';
import { BLUE, inSquare, noisy, painted, RED, WHITE, type Rgba } from '../fixtures';
import { trace } from '../trace';
import { parsePath } from '../../geometry/path';
import { preparedPicture } from './prepare';

const colourAt = ({ data, width }: { data: ArrayLike<number>; width: number }, x: number, y: number): number[] =>
  [0, 1, 2].map((k) => data[(y * width + x) * 4 + k]!);

describe('a picture that is laid out', () => {
  it('is itself when nothing is asked', () => {
    const picture = painted(40, 30, () => RED);
    expect(preparedPicture(picture).picture).toBe(picture);
    expect(preparedPicture(picture, { levelDeg: 0, crop: [0, 0, 1, 1] }).picture).toBe(picture);
  });

  it('knows the way from each of its places to the source and back', () => {
    const share = fc.double({ min: 0.05, max: 0.4, noNaN: true });
    fc.assert(
      fc.property(fc.array(share, { minLength: 10, maxLength: 10 }), fc.integer({ min: -180, max: 180 }), (s, levelDeg) => {
        const corners: PicturePlace[] = [
          [s[0]!, s[1]!],
          [1 - s[2]!, s[3]!],
          [1 - s[4]!, 1 - s[5]!],
          [s[6]!, 1 - s[7]!],
        ];
        const page = preparedPicture(
          painted(60, 40, () => RED),
          { corners, levelDeg, crop: [0.1, 0.2, 0.8, 0.9] },
        );
        const [x, y] = page.placeOf(page.sourceOf([s[8]!, s[9]!]));
        expect(x).toBeCloseTo(s[8]!, 6);
        expect(y).toBeCloseTo(s[9]!, 6);
      }),
    );
  });

  it('stands upright when it is turned by as much as it leans', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.7, max: 0.7, noNaN: true }), (angle) => {
        const leaning = painted(260, 260, (x, y) => (inSquare(130, 130, 120, angle)(x, y) ? RED : WHITE));
        const { shapes } = trace(leaning, { widthMm: 12, prepared: { levelDeg: (-angle * 180) / Math.PI } });
        const nodes = parsePath(shapes[0]!.data)[0]!.segments.map((g) => g.to);
        expect(nodes).toHaveLength(4);
        for (const [i, p] of nodes.entries()) {
          const q = nodes[(i + 1) % 4]!;
          expect(Math.min(Math.abs(p.x - q.x), Math.abs(p.y - q.y))).toBeLessThan(0.03);
        }
      }),
      { numRuns: 5 },
    );
  });

  it('shows a sheet seen aslant as it is seen from before', () => {
    // A sheet whose far side is seen two thirds as wide as its near one, as a camera sees it: x = X/(1+Y/2) about the middle line.
    const quad: PicturePlace[] = [
      [0.2, 0.1],
      [0.8, 0.1],
      [0.95, 0.9],
      [0.05, 0.9],
    ];
    const [w, h] = [240, 200];
    // What the corners say of the places in between: the crossing of the sheet's diagonals is its middle.
    const middle = { x: 0.5, y: 0.1 + (0.8 * 0.6) / (0.6 + 0.9) };
    const dot = painted(w, h, (x, y) => (Math.hypot(x - middle.x * w, y - middle.y * h) < 4 ? BLUE : WHITE));
    const { picture } = preparedPicture(dot, { corners: quad });
    let [sx, sy, n] = [0, 0, 0];
    for (let y = 0; y < picture.height; y++)
      for (let x = 0; x < picture.width; x++) if (colourAt(picture, x, y)[0]! < 120) [sx, sy, n] = [sx + x + 0.5, sy + y + 0.5, n + 1];
    expect(n).toBeGreaterThan(20);
    expect(sx / n / picture.width).toBeCloseTo(0.5, 2);
    // Nearer parts are seen larger: the dot's own middle moves by a hair.
    expect(sy / n / picture.height).toBeCloseTo(0.5, 1);
  });

  it('leaves out what is cropped, and grey paper becomes white', () => {
    const grey = painted(100, 50, (x) => (x < 50 ? [190, 200, 180, 255] : [95, 20, 45, 255]));
    const { picture } = preparedPicture(grey, { crop: [0.25, 0, 0.75, 1], white: [0.1, 0.5] });
    expect([picture.width, picture.height]).toEqual([50, 50]);
    expect(colourAt(picture, 5, 5)).toEqual([255, 255, 255]);
    const [r, g, b] = colourAt(picture, 45, 5);
    for (const [v, wanted] of [
      [r, (95 * 255) / 190],
      [g, (20 * 255) / 200],
      [b, (45 * 255) / 180],
    ] as const)
      expect(Math.abs(v! - wanted)).toBeLessThan(2);
  });

  it('takes four places that are no corners of a sheet for none', () => {
    const picture = painted(30, 30, () => RED);
    const crossed: PicturePlace[] = [
      [0, 0],
      [1, 1],
      [1, 0],
      [0, 1],
    ];
    expect(preparedPicture(picture, { corners: crossed }).picture).toBe(picture);
  });
});

describe('a page that is all drawing', () => {
  it('keeps the faint colours that the whole sheet shows', () => {
    const paper: Rgba = [226, 221, 206, 255];
    const bone: Rgba = [220, 220, 220, 255];
    // Faint edges lie a few pixels off strong ones, as noise does: on the page everywhere, on the sheet here and there.
    const drawn = (x: number, y: number): Rgba => (y > 240 ? (x % 14 < 4 ? BLUE : x % 14 < 9 ? bone : paper) : x < 200 ? bone : paper);
    const sheet = noisy(
      painted(400, 1000, (x, y) => (y < 300 ? drawn(x, y) : x % 20 < 10 ? BLUE : WHITE)),
      2,
    );
    const options = { widthMm: 40, wholePage: true, keepBackground: true };
    const areas = trace(sheet, { ...options, prepared: { crop: [0, 0, 1, 0.3] } }).colours.map((c) => c.hex);
    expect(areas).toHaveLength(3);
  });
});
