import fc from 'fast-check';
import { colourDifference, nearestThreads, THREAD_CHART } from '../cloth/threads';
import { chooseThreads, costOfThreads, type Palette } from './chooseThreads';

const HEX = fc.integer({ min: 0, max: 0xffffff }).map((v) => `#${v.toString(16).padStart(6, '0')}`);
/** Colours of which some are near to each other, as in a drawing with light and shade. */
const COLOURS = (least: number, most: number) =>
  fc
    .array(fc.tuple(HEX, fc.integer({ min: -14, max: 14 })), { minLength: least, maxLength: most })
    .map((list) => [...new Set(list.flatMap(([hex, by]) => [hex, shaded(hex, by)]))].slice(0, most));
function shaded(hex: string, by: number): string {
  const part = (k: number): string =>
    Math.min(255, Math.max(0, parseInt(hex.slice(k, k + 2), 16) + by))
      .toString(16)
      .padStart(2, '0');
  return `#${part(1)}${part(3)}${part(5)}`;
}
const all = (n: number): [number, number][] =>
  Array.from({ length: n }, (_, i) => Array.from({ length: i }, (_, j): [number, number] => [i, j])).flat();

describe('threads chosen for all colours together', () => {
  it('cost no more than any other choice among the five nearest of each', () => {
    fc.assert(
      fc.property(COLOURS(1, 4), (colours) => {
        const palette: Palette = { colours, touching: all(colours.length) };
        const found = costOfThreads(palette, chooseThreads(palette));
        const offers = colours.map((hex) =>
          nearestThreads(hex)
            .slice(0, 5)
            .map((n) => n.thread),
        );
        const every = (i: number): (typeof offers)[0][] =>
          i === offers.length ? [[]] : offers[i]!.flatMap((t) => every(i + 1).map((rest) => [t, ...rest]));
        for (const choice of every(0)) expect(found).toBeLessThanOrEqual(costOfThreads(palette, choice) + 1e-9);
      }),
      { seed: 91, numRuns: 8 },
    );
  });

  it('are the nearest ones where nothing speaks against it', () => {
    const colours = ['#ffffff', '#d22f27', '#1e50a0', '#5c9e31', '#000000'];
    expect(chooseThreads({ colours, touching: [] })).toEqual(colours.map((hex) => nearestThreads(hex)[0]!.thread));
  });

  it('are all different, and keep light and shade of what touches', () => {
    fc.assert(
      fc.property(COLOURS(2, 9), (colours) => {
        fc.pre(colours.every((a, i) => colours.every((b, j) => j >= i || colourDifference(a, b) > 3)));
        const threads = chooseThreads({ colours, touching: all(colours.length) });
        expect(new Set(threads.map((t) => t.code)).size).toBe(colours.length);
        for (const [i, j] of all(colours.length)) {
          const drawn = lightness(colours[i]!) - lightness(colours[j]!);
          if (Math.abs(drawn) > 3) expect(Math.sign(lightness(threads[i]!.hex) - lightness(threads[j]!.hex))).toBe(Math.sign(drawn));
        }
      }),
      { seed: 92, numRuns: 40 },
    );
  });
});

/** L* of CIE 1976, from the definition. */
function lightness(hex: string): number {
  const linear = [1, 3, 5]
    .map((k) => parseInt(hex.slice(k, k + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  const y = 0.2126 * linear[0]! + 0.7152 * linear[1]! + 0.0722 * linear[2]!;
  return y > 216 / 24389 ? 116 * Math.cbrt(y) - 16 : (24389 / 27) * y;
}

describe('the chart', () => {
  it('covers every colour: most within 5, none farther than 10 (CIEDE2000)', () => {
    const steps = [0, 51, 102, 153, 204, 255];
    const part = (v: number): string => v.toString(16).padStart(2, '0');
    const off = steps.flatMap((r) =>
      steps.flatMap((g) => steps.map((b) => nearestThreads(`#${part(r)}${part(g)}${part(b)}`)[0]!.difference)),
    );
    off.sort((a, b) => a - b);
    expect(off[Math.floor(off.length / 2)]).toBeLessThan(5);
    expect(off[off.length - 1]).toBeLessThan(10);
  });

  it('has at least two hundred cones, no two of one name', () => {
    expect(THREAD_CHART.length).toBeGreaterThanOrEqual(200);
    expect(new Set(THREAD_CHART.map((t) => t.name)).size).toBe(THREAD_CHART.length);
  });
});
