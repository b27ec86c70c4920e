import { CoverGrid, TOUCHING_MM } from './coverGrid';
import type { RouteItem } from './item';
import { at, box, item } from './itemFixtures';

/** An upright bar of a letter, 2 mm wide and 10 high unless said otherwise, its foot at y = 10. */
const stem = (
  x: number,
  { w = 2, h = 10, foot = 10, widthMm = w }: { w?: number; h?: number; foot?: number; widthMm?: number } = {},
): RouteItem => item(box(x, foot - h, w, h), { column: true, widthMm });

function straight(a: RouteItem, b: RouteItem, y: number, letterGapMm: number, clean: boolean): boolean {
  const ground = new CoverGrid([a, b]);
  ground.lay([0, 1]);
  return ground.goesStraight(at(a.box.maxX, y), at(b.box.minX, y), 1, { clean, letterGapMm });
}
/** Whether a stitch may show between two pieces at a height. */
const joins = (a: RouteItem, b: RouteItem, y: number, letterGapMm = 6): boolean => straight(a, b, y, letterGapMm, false);
/** The second letter, so far to the right of the first. */
const after = (gap: number, over: Parameters<typeof stem>[1] = {}): RouteItem => stem(2 + gap, over);

describe('a stitch between letters', () => {
  it('may show along their feet as far as is allowed between letters, higher up three millimetres', () => {
    expect(joins(stem(0), after(5.5), 9.5)).toBe(true);
    expect(joins(stem(0), after(6.5), 9.5)).toBe(false);
    expect(joins(stem(0), after(2.9), 5)).toBe(true);
    expect(joins(stem(0), after(3.6), 5)).toBe(false);
    // The foot is the lowest quarter.
    expect(joins(stem(0), after(5), 7.6)).toBe(true);
    expect(joins(stem(0), after(5), 7.4)).toBe(false);
    // What the shop allows counts there as well.
    expect(joins(stem(0), after(2.5), 5, 2.2)).toBe(false);
    expect(joins(stem(0), after(2.5), 9.5, 2.2)).toBe(false);
    expect(joins(stem(0), after(2.0), 9.5, 2.2)).toBe(true);
  });

  it('never shows where gaps are to be clean', () => {
    expect(straight(stem(0), after(2), 9.5, 6, true)).toBe(false);
    expect(straight(stem(0), after(TOUCHING_MM - 0.1), 9.5, 6, true)).toBe(true);
  });

  it('shows two millimetres at most between columns that are no letters of one line', () => {
    const notLetters: [string, RouteItem, (gap: number) => RouteItem][] = [
      ['feet and heads at other heights', stem(0), (g) => after(g, { foot: 12 })],
      ['much shorter', stem(0), (g) => after(g, { h: 6.5 })],
      ['higher than letters are', stem(0, { h: 61, w: 10 }), (g) => stem(10 + g, { h: 61, w: 10 })],
      ['squares, not bars', stem(0, { w: 5, h: 10 }), (g) => stem(5 + g, { w: 5, h: 10 })],
      ['bars of other widths', stem(0), (g) => after(g, { widthMm: 2.8 })],
    ];
    for (const [, a, b] of notLetters) {
      expect(joins(a, b(1.9), 9.5)).toBe(true);
      expect(joins(a, b(2.6), 9.5)).toBe(false);
    }
    // A hair within each of these limits they are letters.
    const letters: [RouteItem, (gap: number) => RouteItem][] = [
      [stem(0), (g) => after(g, { foot: 11.1, h: 11.1 })],
      [stem(0), (g) => after(g, { h: 7.2 })],
      [stem(0, { h: 59, w: 10 }), (g) => stem(10 + g, { h: 59, w: 10 })],
      [stem(0, { w: 3.9 }), (g) => stem(3.9 + g, { w: 3.9 })],
      [stem(0), (g) => after(g, { widthMm: 2.6 })],
    ];
    for (const [a, b] of letters) expect(joins(a, b(2.6), 9.5)).toBe(true);
  });

  it('shows no more than eight tenths of their height', () => {
    const small = (x: number) => stem(x, { w: 0.8, h: 3, foot: 3 });
    expect(joins(small(0), small(0.8 + 2.3), 2.8)).toBe(true);
    expect(joins(small(0), small(0.8 + 2.6), 2.8)).toBe(false);
  });
});
