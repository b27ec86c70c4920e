import { areaOf, clean } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { BLUE, noisy, painted, RED, WHITE, type Rgba } from './fixtures';
import type { TraceOptions } from './options';
import type { Picture } from './picture';
import { trace, type TracedShape } from './trace';

const GREEN: Rgba = [40, 140, 70, 255];
const PINK: Rgba = [235, 120, 130, 255];
/** Ten pixels to the millimetre. */
const traced = (picture: Picture, options: Partial<TraceOptions> = {}) =>
  trace(picture, { widthMm: picture.width / 10, wholePage: true, ...options });
const areaMm2 = (shape: TracedShape): number => areaOf(clean(dataToRings(shape.data, 0.002), 'evenodd'));
const inDisc = (x: number, y: number, cx: number, cy: number, r: number): boolean => Math.hypot(x - cx, y - cy) < r;
const hexes = (shapes: readonly TracedShape[]): string[] => [...new Set(shapes.map((s) => s.hex))].sort();

/** A red ring on white, and a green disc beside it. */
const scene = painted(300, 160, (x, y) =>
  inDisc(x, y, 80, 80, 60) && !inDisc(x, y, 80, 80, 35) ? RED : inDisc(x, y, 220, 80, 50) ? GREEN : WHITE,
);

describe('what lies behind', () => {
  it('is dropped where it reaches the rim; within a ring by a click', () => {
    expect(hexes(traced(scene).shapes)).toEqual(['#288c46', '#c82832', '#ffffff']);
    const { shapes, colours } = traced(scene, { dropped: [[80 / 300, 0.5]] });
    expect(hexes(shapes)).toEqual(['#288c46', '#c82832']);
    expect(colours.map((c) => c.hex).sort()).toEqual(['#288c46', '#c82832']);
    expect(areaMm2(shapes.find((s) => s.hex === '#c82832')!)).toBeCloseTo((Math.PI * (60 ** 2 - 35 ** 2)) / 100, 0);
  });

  it('a click drops any other region too', () => {
    expect(hexes(traced(scene, { dropped: [[220 / 300, 0.5]] }).shapes)).toEqual(['#c82832', '#ffffff']);
  });

  it('is dropped where it reaches the rim when it is kept and clicked', () => {
    const shapes = (options: Partial<TraceOptions>) => traced(scene, { keepBackground: true, ...options }).shapes;
    expect(shapes({}).length - shapes({ dropped: [[0.01, 0.01]] }).length).toBe(1);
  });

  it('floods through shades as near as is told', () => {
    const paper = painted(200, 160, (x, y) =>
      inDisc(x, y, 100, 80, 30) ? BLUE : x < 60 ? WHITE : x < 130 ? [236, 234, 230, 255] : [222, 220, 214, 255],
    );
    expect(hexes(traced(paper).shapes).length).toBeGreaterThan(1);
    expect(hexes(traced(paper, { backgroundTolerance: 0.15 }).shapes)).toEqual(['#1e3ca0']);
  });
});

describe('specks', () => {
  const faint: Rgba = [230, 226, 222, 255];
  const specked = painted(200, 160, (x, y) =>
    inDisc(x, y, 60, 80, 2.5) ? faint : inDisc(x, y, 150, 80, 2) ? faint : x > 20 && x < 190 && y > 20 && y < 140 ? WHITE : BLUE,
  );

  it('are left out and listed with their place, size and colour', () => {
    const { droppedSpecks, specks, shapes } = traced(specked, { keepBackground: true });
    expect(droppedSpecks).toBe(2);
    expect(specks[0]!.at[0]).toBeCloseTo(60 / 200, 1);
    expect(specks[0]!.mm2).toBeCloseTo((Math.PI * 2.5 ** 2) / 100, 1);
    expect(hexes(shapes)).not.toContain('#e6e2de');
  });

  it('are kept by a click, and grown to what sews', () => {
    const { droppedSpecks, keptSpots, shapes } = traced(specked, { keepBackground: true, kept: [[60 / 200, 80 / 160]] });
    expect([droppedSpecks, keptSpots]).toEqual([1, 1]);
    const spot = shapes.filter((s) => s.hex !== '#1e3ca0' && s.hex !== '#ffffff');
    expect(spot).toHaveLength(1);
    expect(areaMm2(spot[0]!)).toBeGreaterThan(0.4);
    expect(areaMm2(spot[0]!)).toBeLessThan(1.2);
  });
});

describe('colours by hand', () => {
  const four = painted(320, 160, (x, y) =>
    y < 20 || y > 140 || x < 20 || x > 300 ? WHITE : x < 90 ? RED : x < 160 ? PINK : x < 230 ? BLUE : GREEN,
  );

  it('one becomes another, and neighbours of one colour are one area', () => {
    const { shapes } = traced(four, { merged: [['#eb7882', '#c82832']] });
    expect(hexes(shapes)).toEqual(['#1e3ca0', '#288c46', '#c82832']);
    expect(areaMm2(shapes.find((s) => s.hex === '#c82832')!)).toBeCloseTo(14 * 12, 0);
  });

  it('merges follow each other, and those of colours that are not there change nothing', () => {
    const merged: [string, string][] = [
      ['#eb7882', '#c82832'],
      ['#c82832', '#1e3ca0'],
      ['#ffff00', '#00ff00'],
    ];
    expect(hexes(traced(four, { merged }).shapes)).toEqual(['#1e3ca0', '#288c46']);
  });

  it('a colour is shown as its cone', () => {
    const { shapes, colours } = traced(four, { cones: [['#1e3ca0', '#112233']] });
    expect(hexes(shapes)).toContain('#112233');
    expect(hexes(shapes)).not.toContain('#1e3ca0');
    expect(colours.find((c) => c.hex === '#1e3ca0')!.as).toBe('#112233');
  });

  it('what two shades became is split again', () => {
    const few = traced(four, { colours: 3 });
    expect(few.colours).toHaveLength(3);
    const both = few.colours.map((c) => c.hex).find((h) => !['#1e3ca0', '#288c46', '#c82832'].includes(h))!;
    const split = traced(four, { colours: 3, split: [both] });
    expect(split.colours).toHaveLength(4);
  });

  it('a picked colour is found where few pixels have it', () => {
    const soft = noisy(
      painted(200, 160, (x, y) => (inDisc(x, y, 60, 80, 12) ? [214, 52, 60, 255] : x > 20 && x < 180 && y > 20 && y < 140 ? RED : WHITE)),
      5,
    );
    expect(traced(soft, { colours: 1 }).colours).toHaveLength(1);
    expect(traced(soft, { colours: 2, picked: ['#d6343c'] }).colours).toHaveLength(2);
  });

  it('fewer jumps leave small regions of near colours to what is about them, the colours all there', () => {
    const near: Rgba = [222, 70, 84, 255];
    const spotted = painted(300, 160, (x, y) => {
      if (x < 20 || x > 280 || y < 20 || y > 140) return WHITE;
      if (x > 160) return inDisc(x, y, 220, 80, 40) ? near : GREEN;
      return [50, 80, 110].some((cy) => inDisc(x, y, 80, cy, 8)) ? near : RED;
    });
    const [plain, calm] = [traced(spotted), traced(spotted, { fewerJumps: true })];
    expect(plain.shapes.length - calm.shapes.length).toBe(3);
    expect(hexes(calm.shapes)).toEqual(hexes(plain.shapes));
  });
});

describe('uneven light', () => {
  it('on paper makes no second colour of it; a pale area with an edge stays one', () => {
    // From 250 to 232 over the sheet, with noise as a camera has it.
    const lit = (x: number): Rgba => [250 - x / 18, 250 - x / 18, 246 - x / 18, 255];
    const sheet = (x: number, y: number): Rgba =>
      inDisc(x, y, 100, 80, 30) ? RED : inDisc(x, y, 230, 80, 30) ? [222, 222, 216, 255] : lit(x);
    const { shapes } = traced(noisy(painted(330, 160, sheet), 5));
    expect(shapes).toHaveLength(2);
    expect(shapes.some((s) => areaMm2(s) > 25 && areaMm2(s) < 32 && s.hex !== '#c82832')).toBe(true);
  });
});
