import fc from 'fast-check';
import { Stretches } from './cut';
import type { CellGrid } from './sheetGrid';
import { BEFORE, KEPT, CellStiffness, WANTED } from './cellStiffness';

const GRID: CellGrid = { columns: 10, rows: 8, left: -20, top: -16, cellMm: 4 };
const inside = { x: fc.double({ min: -19.9, max: 19.9, noNaN: true }), y: fc.double({ min: -15.9, max: 15.9, noNaN: true }) };

describe('a stitch cut at grid lines', () => {
  it('keeps its length, its direction, and each stretch lies in its cell', () => {
    fc.assert(
      fc.property(fc.record(inside), fc.record(inside), (a, b) => {
        const length = Math.hypot(b.x - a.x, b.y - a.y);
        fc.pre(length > 0.1);
        const stretches = new Stretches();
        stretches.cut(GRID, a.x, a.y, b.x, b.y, 40);
        let gone = 0;
        for (let i = 0; i < stretches.count; i++) {
          const one = stretches.resists[i]! / 40;
          // The middle of the stretch tells which cell it lies in.
          const x = a.x + ((gone + one / 2) / length) * (b.x - a.x);
          const y = a.y + ((gone + one / 2) / length) * (b.y - a.y);
          const [column, row] = [stretches.cell[i]! % 10, Math.floor(stretches.cell[i]! / 10)];
          if (one > 1e-6) {
            expect(x).toBeGreaterThan(-20 + 4 * column - 1e-6);
            expect(x).toBeLessThan(-16 + 4 * column + 1e-6);
            expect(y).toBeGreaterThan(-16 + 4 * row - 1e-6);
            expect(y).toBeLessThan(-12 + 4 * row + 1e-6);
          }
          expect(stretches.dx[i]).toBeCloseTo((b.x - a.x) / length, 9);
          expect(stretches.dy[i]).toBeCloseTo((b.y - a.y) / length, 9);
          gone += one;
        }
        expect(gone).toBeCloseTo(length, 5);
      }),
      { seed: 3, numRuns: 300 },
    );
  });

  it('along a grid line lies in cells of one side', () => {
    const stretches = new Stretches();
    stretches.cut(GRID, -20, 0, 20, 0, 1);
    const rows = new Set([...stretches.cell.slice(0, stretches.count)].map((c) => Math.floor(c / 10)));
    expect(rows.size).toBe(1);
    expect([...stretches.resists.slice(0, stretches.count)].reduce((a, b) => a + b, 0)).toBeCloseTo(40, 6);
  });

  it('leaves out knots and what lies off the grid', () => {
    const stretches = new Stretches();
    stretches.cut(GRID, 0, 0, 0.03, 0, 40);
    stretches.cut(GRID, 100, 100, 110, 100, 40);
    expect(stretches.count).toBe(0);
    stretches.cut(GRID, 18, 1, 30, 1, 1);
    expect([...stretches.resists.slice(0, stretches.count)].reduce((a, b) => a + b, 0)).toBeCloseTo(2, 6);
  });

  it('goes on beyond its first room', () => {
    const stretches = new Stretches();
    for (let i = 0; i < 200; i++) stretches.cut(GRID, -19, 1, 19, 1, 1);
    let sum = 0;
    for (let i = 0; i < stretches.count; i++) sum += stretches.resists[i]!;
    expect(sum).toBeCloseTo(200 * 38, 3);
    stretches.clear();
    expect(stretches.count).toBe(0);
  });
});

describe('what is laid into cells', () => {
  it('is the energy of each term, whichever cell it is in', () => {
    const laid = new CellStiffness(500);
    for (let cell = 0; cell < 300; cell++) laid.addTerm(laid.of(cell), 1, 0.5, -0.25, cell, 0.02);
    expect(laid.count).toBe(300);
    for (const cell of [0, 7, 299]) {
      const at = laid.of(cell);
      const strain = [0.3, -0.2, 0.7];
      const [a, b, c, d, e, f] = laid.kept.slice(at, at + 6) as unknown as [number, number, number, number, number, number];
      const twice =
        a * strain[0]! ** 2 +
        d * strain[1]! ** 2 +
        f * strain[2]! ** 2 +
        2 * (b * strain[0]! * strain[1]! + c * strain[0]! * strain[2]! + e * strain[1]! * strain[2]!);
      const along = strain[0]! + 0.5 * strain[1]! - 0.25 * strain[2]!;
      expect(twice).toBeCloseTo(cell * along * along, 9);
      expect(laid.kept[at + WANTED + 1]).toBeCloseTo(0.5 * cell * 0.02, 9);
    }
  });

  it('is forgotten when cleared', () => {
    const laid = new CellStiffness(20);
    laid.addTerm(laid.of(4), 1, 1, 1, 5, 1);
    laid.kept[laid.of(4) + BEFORE] = 9;
    expect(laid.has(4)).toBe(true);
    laid.clear();
    expect(laid.has(4)).toBe(false);
    expect([...laid.kept.slice(laid.of(4), laid.of(4) + KEPT)]).toEqual(Array(KEPT).fill(0));
  });
});
