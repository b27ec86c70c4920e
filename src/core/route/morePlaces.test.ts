import { at, box, item } from './itemFixtures';
import { LONGEST_SHOWN_MM } from './choices';
import type { RouteItem } from './item';
import { withMorePlaces } from './morePlaces';
import type { Point } from '../geometry/point';

const pair = (a: Point, b: Point) => [
  { start: a, end: b },
  { start: b, end: a },
];
/** A square with places in the middles of its left and right sides. */
const square = (x: number, y: number, mm: number, over: Partial<RouteItem> = {}): RouteItem =>
  item(box(x, y, mm), { rim: box(x, y, mm), candidates: pair(at(x, y + mm / 2), at(x + mm, y + mm / 2)), ...over });
const line = (points: Point[], over: Partial<RouteItem> = {}): RouteItem =>
  item([], {
    lines: [points],
    candidates: pair(points[0]!, points.at(-1)!),
    box: {
      minX: Math.min(...points.map((p) => p.x)),
      maxX: Math.max(...points.map((p) => p.x)),
      minY: Math.min(...points.map((p) => p.y)),
      maxY: Math.max(...points.map((p) => p.y)),
    },
    ...over,
  });

const words = (p: Point): string => `${p.x.toFixed(2)},${p.y.toFixed(2)}`;
const startsOf = (o: RouteItem): string[] => [...new Set(o.candidates.map((c) => words(c.start)))].sort();
const gained = (before: RouteItem, after: RouteItem): string[] => startsOf(after).filter((p) => !startsOf(before).includes(p));

describe('more places to begin and end', () => {
  it('lie where lines that are sewn later cross an area’s rim', () => {
    const area = square(0, 0, 10);
    const later = line([at(3, -5), at(3, 15)], { thread: 'other' });
    const [made] = withMorePlaces([area, later]);
    expect(gained(area, made!)).toEqual(['3.00,0.00', '3.00,10.00']);
    // Earlier lines hide nothing, and lines far off do not cross.
    expect(withMorePlaces([later, area])[1]).toBe(area);
    expect(withMorePlaces([area, line([at(30, -5), at(30, 15)], { thread: 'other' })])[0]).toBe(area);
  });

  it('are six crossings at most', () => {
    const comb = Array.from({ length: 9 }, (_, i) => [at(i + 1, -1), at(i + 1, 11)]).flatMap((l, i) => (i % 2 ? l.reverse() : l));
    const area = square(0, 0, 10);
    const [made] = withMorePlaces([area, line(comb, { thread: 'other' })]);
    expect(gained(area, made!)).toHaveLength(6);
  });

  it('lie where two pieces of a thread come nearest: both ends of the stretch', () => {
    const [a, b] = [square(0, 0, 10), square(12, 4, 10)];
    const made = withMorePlaces([a, b]);
    expect(gained(a, made[0]!)).toEqual(['10.00,10.00', '10.00,4.00']);
    expect(gained(b, made[1]!)).toEqual(['12.00,10.00', '12.00,4.00']);
  });

  it('are one where the stretch is short', () => {
    const [a, b] = [square(0, 0, 10), square(12, 9, 10)];
    expect(gained(a, withMorePlaces([a, b])[0]!)).toHaveLength(1);
  });

  it('do not lie towards other threads or what is too far away', () => {
    const a = square(0, 0, 10);
    expect(withMorePlaces([a, square(12, 0, 10, { thread: 'other' })])[0]).toBe(a);
    const gapAt = (mm: number) => withMorePlaces([a, square(10 + mm, 0, 10)])[0];
    expect(gapAt(LONGEST_SHOWN_MM + 0.01)).toBe(a);
    expect(gapAt(LONGEST_SHOWN_MM)).not.toBe(a);
    // Boxes may be near where the pieces are not.
    const diagonal = square(10 + LONGEST_SHOWN_MM * 0.8, 10 + LONGEST_SHOWN_MM * 0.8, 10);
    expect(withMorePlaces([a, diagonal])[0]).toBe(a);
  });

  it('face the six nearest pieces, three in large work', () => {
    const middle = square(0, 0, 10);
    const around = Array.from({ length: 9 }, (_, i) => square(1.2 * i - 1, 10.1 + 0.05 * i, 1));
    const faced = (more: RouteItem[]): number => gained(middle, withMorePlaces([middle, ...around, ...more])[0]!).length;
    const far = Array.from({ length: 31 }, (_, i) => square(1000 + 40 * i, 0, 10, { thread: 'other' }));
    const [few, many] = [faced([]), faced(far)];
    expect(few).toBeGreaterThanOrEqual(6);
    expect(few).toBeLessThanOrEqual(12);
    expect(many).toBeGreaterThanOrEqual(3);
    expect(many).toBeLessThanOrEqual(6);
    expect(faced(far.slice(0, 30))).toBe(few);
  });

  it('lie at the feet of neighbouring letters as well', () => {
    const stem = (x: number): RouteItem => {
      const rim = [[at(x, 0), at(x + 2, 0), at(x + 2, 20), at(x + 1, 20), at(x + 1, 5), at(x, 5)]];
      return item(rim, { rim, column: true, candidates: pair(at(x, 0), at(x + 2, 20)) });
    };
    const [a, b] = [stem(0), stem(3)];
    const [made] = withMorePlaces([a, b]);
    // Nearest at the heads, 1 mm apart; the feet are 2 mm apart.
    expect(gained(a, made!)).toContain('2.00,0.00');
    expect(startsOf(made!).some((p) => Number(p.split(',')[1]) >= 15)).toBe(true);
    // A column may begin and end at one place; its own ways from end to end stay as they were.
    expect(made!.candidates.slice(0, 2)).toEqual(a.candidates);
    expect(made!.candidates.some((c) => c.start === c.end)).toBe(true);
    expect(withMorePlaces([square(0, 0, 10), square(11, 0, 10)])[0]!.candidates.some((c) => c.start === c.end)).toBe(false);
  });

  it('are the same objects as long as nothing has changed', () => {
    const [a, b] = [square(0, 0, 10), square(12, 4, 10)];
    const [first, again] = [withMorePlaces([a, b])[0], withMorePlaces([a, b])[0]];
    expect(again).toBe(first);
    const moved = withMorePlaces([a, square(12, 6, 10)])[0];
    expect(moved).not.toBe(first);
    expect(withMorePlaces([{ ...a, rim: null }, b])[0]!.candidates).toBe(a.candidates);
  });
});
