import fc from 'fast-check';
import { gridOver, RING_MM } from './sheetGrid';

const hoopSide = fc.integer({ min: 40, max: 500 });
const beyond = ({ columns, rows, cellMm }: ReturnType<typeof gridOver>['grid'], width: number, height: number): [number, number] => [
  (columns * cellMm - width) / 2 - RING_MM,
  (rows * cellMm - height) / 2 - RING_MM,
];

describe('cells over a hoop', () => {
  it('reach the ring, and can be halved as often as said', () => {
    fc.assert(
      fc.property(hoopSide, hoopSide, fc.constantFrom(1, 2, 4), (width, height, largest) => {
        const { grid, depth } = gridOver({ width, height }, largest);
        expect(grid.cellMm).toBeLessThanOrEqual(largest + 1e-9);
        expect(grid.cellMm).toBeGreaterThan(0.74 * largest);
        for (const side of beyond(grid, width, height)) expect(side).toBeGreaterThan(-1e-6);
        expect(grid.columns % 2 ** depth).toBe(0);
        expect(grid.rows % 2 ** depth).toBe(0);
        expect(grid.left).toBeCloseTo((-grid.columns * grid.cellMm) / 2);
      }),
      { seed: 3, numRuns: 300 },
    );
  });

  it.each([
    [100, 100],
    [120, 120],
    [300, 300],
    [130, 180],
    [200, 300],
    [400, 600],
  ])('hold the cloth within 4 mm of the ring of a hoop of %d x %d, on all grids alike', (width, height) => {
    const sides = [4, 2, 1].map((largest) => beyond(gridOver({ width, height }, largest).grid, width, height));
    for (const side of sides.flat()) expect(side).toBeLessThan(4);
    for (const [x, y] of sides) {
      expect(Math.abs(x - sides[0]![0])).toBeLessThan(1.5);
      expect(Math.abs(y - sides[0]![1])).toBeLessThan(1.5);
    }
  });
});
