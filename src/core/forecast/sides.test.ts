import { piece } from '../pieces/fixtures';
import { dataToRings } from '../geometry/path';
import type { Area, Point } from '../geometry/point';
import { movedSides } from './sides';
import type { Wanted } from '../editing/extend';

const box = (left: number, top: number, right: number, bottom: number): Area => [
  [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ],
];
const column = piece('satin', { sides: ['M-3,-20 V20', 'M3,-20 V20'] });
const everywhere = box(-50, -50, 50, 50);
const right = (y: number, mm: number): Wanted => ({ place: { at: { x: 3, y }, out: { x: 1, y: 0 } }, mm });
const side = (sides: readonly string[] | undefined, k: 0 | 1): Point[] => dataToRings(sides![k]!)[0]!;
const at = (line: readonly Point[], y: number): number => line.reduce((a, b) => (Math.abs(b.y - y) < Math.abs(a.y - y) ? b : a)).x;

describe('sides moved out', () => {
  const bulge = [-2, -1, 0, 1, 2].map((y) => right(y, 1 - Math.abs(y) / 4));

  it('only where they gape, and only the side that does', () => {
    const { sides } = movedSides(column, everywhere, everywhere, bulge);
    const [l, r] = [side(sides, 0), side(sides, 1)];
    expect(Math.max(...r.map((p) => p.x))).toBeGreaterThan(3.8);
    expect(at(r, 15)).toBeCloseTo(3, 1);
    expect(at(r, -15)).toBeCloseTo(3, 1);
    l.forEach((p) => expect(p.x).toBeCloseTo(-3, 2));
  });

  it('no farther than what is sewn over it hides', () => {
    const { sides } = movedSides(column, box(-50, -50, 3.4, 50), everywhere, bulge);
    expect(Math.max(...side(sides, 1).map((p) => p.x))).toBeLessThan(3.42);
  });

  it('no farther from the drawing than is sensible', () => {
    const { sides } = movedSides(column, everywhere, box(-50, -50, 3.3, 50), bulge);
    expect(Math.max(...side(sides, 1).map((p) => p.x))).toBeLessThan(3.32);
  });

  it('an end that gapes runs longer', () => {
    const end = [-3, -2, -1, 0, 1, 2, 3].map((x): Wanted => ({ place: { at: { x, y: 20 }, out: { x: 0, y: 1 } }, mm: 0.8 }));
    const { sides } = movedSides(column, everywhere, everywhere, end);
    for (const k of [0, 1] as const) {
      const line = side(sides, k);
      expect(line[line.length - 1]!.y).toBeCloseTo(20.8, 1);
      expect(line[0]!.y).toBeCloseTo(-20, 2);
    }
  });

  it('stay as they are where nothing is wanted, or nothing would hide it', () => {
    expect(movedSides(column, everywhere, everywhere, [right(0, 0)])).toBe(column);
    expect(movedSides(column, box(-3, -20, 2.9, 20), everywhere, bulge)).toBe(column);
  });

  it('slants and settings stay with the piece', () => {
    const own = { ...column, slants: ['M-3,0 H3'], settings: { spacing: 0.5 } };
    expect(movedSides(own, everywhere, everywhere, bulge)).toMatchObject({ slants: ['M-3,0 H3'], settings: { spacing: 0.5 } });
  });
});
