import fc from 'fast-check';
import { areaOf, strokeArea, subtract, unite } from '../geometry/area';
import { lineLength } from '../geometry/line';
import { dataToRings } from '../geometry/path';
import type { Area, Point } from '../geometry/point';
import { findRegions } from './artRegions';
import { placeArt } from './place';
import { readSvg } from './readSvg';

type Drawn = readonly [d: string, hex: string, width?: number, cap?: 'butt' | 'round'];
/** Lines and areas drawn on a sheet of 100 by 100 mm, as regions: mm are those of the drawing. */
function regionsOf(...drawn: readonly Drawn[]) {
  const shapes = drawn.map(([d, hex, width, cap = 'round']) =>
    width === undefined
      ? `<path fill="${hex}" d="${d}"/>`
      : `<path fill="none" stroke="${hex}" stroke-width="${width}" stroke-linecap="${cap}" d="${d}"/>`,
  );
  // Two specks far out keep the scale and the middle.
  const frame = '<path fill="#abcdef" d="M-50,-50 h6 v6 h-6 Z M44,44 h6 v6 h-6 Z"/>';
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-50 -50 100 100">${frame}${shapes.join('')}</svg>`;
  return findRegions(placeArt(readSvg(svg), { width: 100 })).regions.filter((r) => r.hex !== '#abcdef');
}
type Region = ReturnType<typeof regionsOf>[number];
const linesOf = (r: Region): Point[][] => dataToRings(r.data);
const paintedBy = (r: Region): Area =>
  r.stroke ? strokeArea(linesOf(r), false, { ...r.stroke, miterLimit: 4 }) : r.area; // prettier-ignore
const painted = (regions: readonly Region[]): Area => unite(...regions.map(paintedBy));

const stroked = ([d, , width = 1, cap = 'round']: Drawn): Area => strokeArea(dataToRings(d), false, { widthMm: width, cap, join: 'miter', miterLimit: 4 }); // prettier-ignore
const lengthOf = (r: Region): number => linesOf(r).reduce((sum, l) => sum + lineLength(l), 0);
const width = fc.double({ min: 2, max: 4, noNaN: true });
const capped = fc.constantFrom('butt' as const, 'round' as const);
const BLACK = '#101010';

describe('lines of one colour that end in one another', () => {
  it('lap by little more than a millimetre, wherever they were drawn to end, and nothing is bare', () => {
    fc.assert(
      fc.property(
        width,
        fc.double({ min: -15, max: 15, noNaN: true }),
        fc.double({ min: 55, max: 125, noNaN: true }),
        capped,
        (w, x, deg, cap) => {
          const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
          const lines: Drawn[] = [['M-30,0 H30', BLACK, w, cap], [`M${x},0 l${25 * c},${25 * s}`, BLACK, w, cap]]; // prettier-ignore
          const regions = regionsOf(...lines);
          expect(regions).toHaveLength(2);
          expect(areaOf(subtract(unite(...lines.map(stroked)), painted(regions)))).toBeLessThan(0.15);
          const [through, branch] = regions as [Region, Region];
          expect(lengthOf(through)).toBeCloseTo(60, 1);
          // How far its tip reached into the other along its middle, and does now.
          const drawn = w / 2 / s + (cap === 'round' ? w / 2 : 0);
          const now = drawn - (25 - lengthOf(branch));
          if (drawn > 1.8 && Math.abs(deg - 90) < 12) expect(Math.abs(now - 1.2)).toBeLessThan(0.16);
          if (drawn > 2.6) expect(now).toBeLessThan(drawn - 0.5);
          if (drawn < 1.6) expect(now).toBeCloseTo(drawn, 2);
        },
      ),
      { numRuns: 30, seed: 6 },
    );
  });

  it('make a corner that is whole, when both end there', () => {
    fc.assert(
      fc.property(width, fc.integer({ min: 30, max: 150 }), capped, (w, deg, cap) => {
        const a = (deg * Math.PI) / 180;
        const lines: Drawn[] = [['M0,0 H30', BLACK, w, cap], [`M0,0 l${30 * Math.cos(a)},${30 * Math.sin(a)}`, BLACK, w, cap]]; // prettier-ignore
        expect(areaOf(subtract(unite(...lines.map(stroked)), painted(regionsOf(...lines))))).toBeLessThan(0.15);
      }),
      { numRuns: 20, seed: 7 },
    );
  });

  it('lap an area of their colour as well, and stay as drawn on one of another', () => {
    const bar = (hex: string): Drawn => ['M-20,-4 h40 v8 h-40 Z', hex];
    const stem: Drawn = ['M0,0 V30', BLACK, 3, 'butt'];
    expect(lengthOf(regionsOf(bar(BLACK), stem)[1]!)).toBeCloseTo(27.2, 1);
    expect(lengthOf(regionsOf(bar('#c02020'), stem)[1]!)).toBeCloseTo(30, 2);
  });

  it('keep what is seen of an end beside the other one', () => {
    // Broader than what it ends in: both of its corners are seen.
    const [, broad] = regionsOf(['M-30,0 H30', BLACK, 2, 'butt'], ['M0,-0.9 V30', BLACK, 4, 'round']);
    expect(lengthOf(broad!)).toBeCloseTo(30.9, 1);
    // As long as its joint: nothing would be left.
    expect(regionsOf(['M-30,0 H30', BLACK, 3, 'butt'], ['M0,0 V3', BLACK, 3, 'butt'])).toHaveLength(2);
  });
});

describe('a line that another hides', () => {
  it('is sewn where it is seen, and laps what hides it by a millimetre, however narrow', () => {
    fc.assert(
      fc.property(width, fc.integer({ min: -10, max: 10 }), fc.integer({ min: 9, max: 20 }), (w, x, half) => {
        const under: Drawn = ['M-40,0 H40', '#3070c0', w, 'butt'];
        const over: Drawn = [`M${x - half},0 H${x + half}`, BLACK, w, 'butt'];
        const regions = regionsOf(under, over);
        const seen = regions.filter((r) => r.hex === '#3070c0');
        expect(seen).toHaveLength(2);
        expect(seen.reduce((sum, r) => sum + lengthOf(r), 0)).toBeCloseTo(80 - 2 * half + 2, 0);
        expect(areaOf(subtract(unite(stroked(under), stroked(over)), painted(regions)))).toBeLessThan(0.15);
      }),
      { numRuns: 20, seed: 9 },
    );
  });

  it('is sewn through where it is only crossed, or not hidden over its whole width', () => {
    const line: Drawn = ['M-40,0 H40', '#3070c0', 3, 'butt'];
    expect(regionsOf(line, ['M0,-20 V20', BLACK, 4, 'butt']).filter((r) => r.hex === '#3070c0')).toHaveLength(1);
    expect(regionsOf(line, ['M-20,0 H20', BLACK, 1.6, 'butt']).filter((r) => r.hex === '#3070c0')).toHaveLength(1);
  });
});
