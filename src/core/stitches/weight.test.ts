import fc from 'fast-check';
import { holePeak, layerPeak, weigh, WEIGHT_CELL_MM, type Weight } from './weight';

const CELLS = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 12 * 15, maxLength: 12 * 15 });
const weightOf = (values: readonly number[]): Weight => ({
  left: -3,
  top: 5,
  columns: 15,
  rows: 12,
  thread: Float32Array.from(values, (v) => v / 8),
  holes: Uint16Array.from(values),
});

/** The sum over every square, added up cell by cell. */
function squares(w: Weight, values: ArrayLike<number>, side: number): { sum: number; r: number; c: number }[] {
  const out = [];
  for (let r = 0; r < w.rows; r++) {
    for (let c = 0; c < w.columns; c++) {
      let sum = 0;
      for (let y = r; y < Math.min(w.rows, r + side); y++)
        for (let x = c; x < Math.min(w.columns, c + side); x++) sum += values[y * w.columns + x]!;
      out.push({ sum, r, c });
    }
  }
  return out;
}

test('the heaviest square and the area above a limit are those of adding up every square', () => {
  fc.assert(
    fc.property(CELLS, fc.integer({ min: 1, max: 100 }), (values, limit) => {
      const weight = weightOf(values);
      const holes = squares(weight, weight.holes, 4);
      const most = Math.max(...holes.map((s) => s.sum));
      const found = holePeak(weight, limit);
      expect(found.value).toBe(most);
      const [first] = holes.filter((s) => s.sum === most);
      expect(found.at.x).toBeCloseTo(-3 + first!.c * WEIGHT_CELL_MM + 0.5, 9);
      expect(found.at.y).toBeCloseTo(5 + first!.r * WEIGHT_CELL_MM + 0.5, 9);
      expect(found.areaAboveMm2).toBeCloseTo(holes.filter((s) => s.sum > limit).length * WEIGHT_CELL_MM ** 2, 9);

      const thread = squares(weight, weight.thread, 8);
      // Thread of 0.4 mm over squares of 2 mm: layers are length times width by area.
      expect(layerPeak(weight, 3).value).toBeCloseTo((Math.max(...thread.map((s) => s.sum)) * 0.4) / 4, 6);
    }),
    { seed: 12, numRuns: 40 },
  );
});

describe('thread laid on cells', () => {
  const sewn = (points: readonly [number, number, number?][]) => ({
    x: Float32Array.from(points, (p) => p[0]),
    y: Float32Array.from(points, (p) => p[1]),
    command: Uint8Array.from(points, (p) => p[2] ?? 0),
  });
  const total = (w: Weight): number => w.thread.reduce((a, b) => a + b, 0);

  it('is as long as the stitches, and every hole is counted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: -20, max: 20, noNaN: true }), fc.double({ min: -20, max: 20, noNaN: true })), {
          minLength: 2,
          maxLength: 30,
        }),
        (points) => {
          const plan = sewn(points);
          const w = weigh(plan);
          let length = 0;
          for (let i = 1; i < points.length; i++) length += Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
          expect(total(w)).toBeCloseTo(length, 2);
          expect(w.holes.reduce((a, b) => a + b, 0)).toBe(points.length);
        },
      ),
      { seed: 13, numRuns: 60 },
    );
  });

  it('jumps and trims lay none', () => {
    const w = weigh(sewn([[0, 0], [5, 0], [5, 0, 2], [30, 0, 1], [33, 0]])); // prettier-ignore
    expect(total(w)).toBeCloseTo(5, 3);
  });

  it('a job without stitches weighs nothing', () => {
    const w = weigh(sewn([]));
    expect(total(w)).toBe(0);
    expect(holePeak(w, 1).value).toBe(0);
  });
});
