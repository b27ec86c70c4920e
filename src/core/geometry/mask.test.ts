import fc from 'fast-check';
import { contains } from './area';
import { makeMask, paintArea, paintThread, type Mask } from './mask';
import { boundsOf, type Area, type Point } from './point';
import { scanArea } from './scan';

const coordinate = fc.double({ min: -10, max: 10, noNaN: true });
const point = fc.record({ x: coordinate, y: coordinate });
const BOX = { minX: -10, maxX: 10, minY: -10, maxY: 10 };
const centre = (m: Mask, cell: number): Point => ({
  x: m.minX + ((cell % m.columns) + 0.5) * m.cellMm,
  y: m.minY + (Math.floor(cell / m.columns) + 0.5) * m.cellMm,
});
/** Distance from a segment, as one would measure it: the least of many places along it. */
const away = (a: Point, b: Point, p: Point): number => {
  const t = Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / ((b.x - a.x) ** 2 + (b.y - a.y) ** 2 || 1)));
  return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
};

test('cells of an area are those whose centre lies in it', () => {
  fc.assert(
    fc.property(fc.array(point, { minLength: 3, maxLength: 7 }), fc.array(point, { minLength: 3, maxLength: 4 }), (one, other) => {
      const area: Area = [one, other];
      const mask = makeMask(BOX, 0.5, 1);
      paintArea(mask, area, 4);
      const wrong = Array.from(mask.data, (cell, i) => (cell === 4) !== contains(area, centre(mask, i))).filter(Boolean);
      expect(wrong).toHaveLength(0);
    }),
    { seed: 21, numRuns: 60 },
  );
});

test('cells of a thread are those whose centre lies within its half width', () => {
  fc.assert(
    fc.property(point, point, fc.double({ min: 0.1, max: 2, noNaN: true }), (a, b, radius) => {
      const mask = makeMask(BOX, 0.4, 2.5);
      paintThread(mask, a, b, radius, 2);
      const wrong = Array.from(mask.data, (cell, i) => {
        const d = away(a, b, centre(mask, i));
        // Right on the rim rounding decides.
        return Math.abs(d - radius) > 1e-6 && (cell === 2) !== d < radius;
      });
      expect(wrong.filter(Boolean)).toHaveLength(0);
    }),
    { seed: 22, numRuns: 60 },
  );
});

test('several bits live side by side, and what lies outside is no matter', () => {
  const mask = makeMask(BOX, 1, 0);
  const square: Area = [[{ x: -50, y: -50 }, { x: 50, y: -50 }, { x: 50, y: 50 }, { x: -50, y: 50 }]]; // prettier-ignore
  paintArea(mask, square, 1);
  paintThread(mask, { x: -99, y: 0 }, { x: 99, y: 0 }, 1.2, 2);
  expect(new Set(mask.data)).toEqual(new Set([1, 3]));
});

test('a scan tells runs from left to right, each row once crossed in pairs', () => {
  const ring: Area = [
    [{ x: 0, y: 0 }, { x: 6, y: 0 }, { x: 6, y: 6 }, { x: 0, y: 6 }],
    [{ x: 2, y: 2 }, { x: 4, y: 2 }, { x: 4, y: 4 }, { x: 2, y: 4 }],
  ]; // prettier-ignore
  const runs: string[] = [];
  scanArea(ring, { cellMm: 1, left: 0, top: 0, firstRow: 1, lastRow: 2 }, (row, from, to) => runs.push(`${row}: ${from}-${to}`));
  expect(runs).toEqual(['1: 0-5', '2: 0-1', '2: 4-5']);
});

test('the box of no points is empty', () => {
  expect(boundsOf([])).toEqual({ minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity });
});
