import fc from 'fast-check';
import { dataToRings } from '../geometry/path';
import { heavySpots, histogramOf, holePeak, layerPeak, layersIn, mostLayers, weigh, WEIGHT_CELL_MM, type Weight } from './weight';

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

  it('lies where it is sewn: each stitch on the cells of its line, each hole in its own', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: -6, max: 9, noNaN: true }), fc.double({ min: 40, max: 52, noNaN: true })), {
          minLength: 2,
          maxLength: 8,
        }),
        (points) => {
          const plan = sewn(points);
          const w = weigh(plan);
          const cell = (x: number, y: number): number =>
            Math.floor((y - w.top) / WEIGHT_CELL_MM) * w.columns + Math.floor((x - w.left) / WEIGHT_CELL_MM);
          const holes = new Uint16Array(w.holes.length);
          const thread = new Float64Array(w.thread.length);
          for (let i = 0; i < points.length; i++) {
            holes[cell(plan.x[i]!, plan.y[i]!)]!++;
            if (i === 0) continue;
            const [dx, dy] = [plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!];
            for (let k = 0; k < 2000; k++)
              thread[cell(plan.x[i - 1]! + (dx * (k + 0.5)) / 2000, plan.y[i - 1]! + (dy * (k + 0.5)) / 2000)]! +=
                Math.hypot(dx, dy) / 2000;
          }
          expect(w.holes).toEqual(holes);
          // Laid in steps of up to a cell, a stitch is right to a step at each cell.
          const astray = w.thread.filter((v, i) => {
            let around = 0;
            for (const r of [-1, 0, 1]) for (const c of [-1, 0, 1]) around += thread[i + r * w.columns + c] ?? 0;
            return v > around + 1e-3;
          });
          expect([...astray]).toEqual([]);
          // The middle of what was laid is the middle of the stitches.
          const middle = (of: ArrayLike<number>): number[] => {
            let [sum, mx, my] = [0, 0, 0];
            for (let i = 0; i < of.length; i++) {
              sum += of[i]!;
              mx += of[i]! * ((i % w.columns) + 0.5);
              my += of[i]! * (Math.floor(i / w.columns) + 0.5);
            }
            return sum === 0 ? [0, 0] : [(mx / sum) * WEIGHT_CELL_MM, (my / sum) * WEIGHT_CELL_MM];
          };
          const [got, wanted] = [middle(w.thread), middle(thread)];
          expect(Math.abs(got[0]! - wanted[0]!)).toBeLessThan(0.13);
          expect(Math.abs(got[1]! - wanted[1]!)).toBeLessThan(0.13);
        },
      ),
      { seed: 14, numRuns: 60, endOnFailure: true },
    );
  });

  it('only stitches make the work as wide as it is', () => {
    const w = weigh(sewn([[0, 0], [1, 0], [1, 0, 2], [90, 90, 1], [1, 1, 1], [2, 1]])); // prettier-ignore
    expect(w.columns * WEIGHT_CELL_MM).toBeLessThan(3);
    expect(w.left).toBeCloseTo(-0.25, 9);
    expect(weigh(sewn([]))).toMatchObject({ left: 0, top: 0, columns: 1, rows: 1 });
  });

  it('what lies under it counts as the layers that it is as thick as', () => {
    const corners = sewn([[0, 0], [10, 0], [10, 8], [0, 8]]); // prettier-ignore
    const area = dataToRings('M2,2 h6 v4 h-6 Z');
    const [bare, laid] = [weigh(corners), weigh(corners, [{ area, layers: 1.5 }])];
    const layers = (total(laid) - total(bare)) * 0.4;
    expect(layers).toBeCloseTo(1.5 * 6 * 4, 0);
    expect(layerPeak(laid, 9).value).toBeCloseTo(1.5, 2);
    expect(layerPeak(laid, 9).at.x).toBeGreaterThan(2.9);
    // What reaches beyond the work is cut off at its edges.
    const beyond = weigh(corners, [{ area: dataToRings('M-50,-50 h100 v100 h-100 Z'), layers: 1 }]);
    expect((total(beyond) - total(bare)) * 0.4).toBeCloseTo(beyond.columns * beyond.rows * WEIGHT_CELL_MM ** 2, 1);
  });
});

test('the thickest place of nothing is 0, of rows what lies there', () => {
  expect(mostLayers(weigh({ x: new Float32Array(), y: new Float32Array(), command: new Uint8Array() }))).toBe(0);
  expect(mostLayers(weightOf(Array.from({ length: 180 }, () => 2)))).toBeCloseTo((64 * 0.25 * 0.4) / 4, 6);
});

test('a square that is heavier than the limit by a hair counts, one at the limit does not', () => {
  const one = weightOf([9, ...Array.from({ length: 179 }, () => 0)]);
  expect(holePeak(one, 9).areaAboveMm2).toBe(0);
  expect(holePeak(one, 8.9).areaAboveMm2).toBeCloseTo(WEIGHT_CELL_MM ** 2, 9);
  expect(layerPeak(one, (9 / 8) * 0.1).areaAboveMm2).toBe(0);
  expect(layerPeak(one, (9 / 8) * 0.1 - 1e-6).areaAboveMm2).toBeCloseTo(WEIGHT_CELL_MM ** 2, 9);
});

test('the histogram sorts area by half layers; nearly nothing is left out, the most in the last bar', () => {
  const cell = WEIGHT_CELL_MM ** 2;
  expect(histogramOf(Float32Array.of(0, 0.49, 0.5, 0.99, 1, 2.2, 2.4))).toEqual({
    stepLayers: 0.5,
    areasMm2: [0, 2 * cell, cell, 0, 2 * cell],
  });
  const { areasMm2 } = histogramOf(Float32Array.of(8.5, 50));
  expect(areasMm2).toHaveLength(18);
  expect(areasMm2[17]).toBeCloseTo(2 * cell, 9);
  expect(histogramOf(new Float32Array()).areasMm2).toEqual([]);
});

describe('spots of too much thread', () => {
  /** A grid of 10 by 8 mm with blocks of so many layers. */
  const gridOf = (blocks: readonly { x: number; y: number; w: number; h: number; layers: number }[]): Weight => {
    const [columns, rows] = [40, 32];
    const thread = new Float32Array(columns * rows);
    for (const b of blocks)
      for (let r = b.y / WEIGHT_CELL_MM; r < (b.y + b.h) / WEIGHT_CELL_MM; r++)
        for (let c = b.x / WEIGHT_CELL_MM; c < (b.x + b.w) / WEIGHT_CELL_MM; c++)
          thread[r * columns + c]! += (b.layers * WEIGHT_CELL_MM * WEIGHT_CELL_MM) / 0.4;
    return { left: 0, top: 0, columns, rows, thread, holes: new Uint16Array(columns * rows) };
  };

  it('are told one by one, the largest first, and together they are what lies above the limit', () => {
    const weight = gridOf([
      { x: 0, y: 0, w: 3, h: 3, layers: 6 },
      { x: 5, y: 4, w: 5, h: 4, layers: 8 },
    ]);
    const spots = heavySpots(weight, 4);
    expect(spots).toHaveLength(2);
    expect(spots[0]!.areaAboveMm2).toBeGreaterThan(spots[1]!.areaAboveMm2);
    expect(spots[0]!.value).toBeCloseTo(8, 4);
    expect(spots[1]!.value).toBeCloseTo(6, 4);
    expect(spots[0]!.at.x).toBeGreaterThan(5);
    expect(spots[1]!.at).toEqual({ x: 1, y: 1 });
    const all = layerPeak(weight, 4);
    expect(spots.reduce((sum, s) => sum + s.areaAboveMm2, 0)).toBeCloseTo(all.areaAboveMm2, 9);
    expect(Math.max(...spots.map((s) => s.value))).toBe(all.value);
    expect(new Set(spots.flatMap((s) => s.cells)).size).toBe(spots.reduce((n, s) => n + s.cells.length, 0));
  });

  it('are none where nothing is thicker than the limit, and one where they touch', () => {
    expect(heavySpots(gridOf([{ x: 2, y: 2, w: 4, h: 4, layers: 4 }]), 4.001)).toEqual([]);
    const joined = gridOf([
      { x: 1, y: 1, w: 3, h: 3, layers: 6 },
      { x: 4, y: 1, w: 3, h: 3, layers: 7 },
    ]);
    expect(heavySpots(joined, 4)).toHaveLength(1);
  });

  it('all thread over the area that it lies on is the mean', () => {
    const { meanLayers, areaMm2, at } = layersIn(
      gridOf([
        { x: 2, y: 2, w: 2, h: 4, layers: 2 },
        { x: 4, y: 2, w: 2, h: 4, layers: 4 },
      ]),
    );
    expect(meanLayers).toBeCloseTo(3, 4);
    expect(areaMm2).toBeCloseTo(16, 9);
    expect(Math.abs(at.x - 4)).toBeLessThan(0.2);
    expect(layersIn(gridOf([]))).toEqual({ meanLayers: 0, areaMm2: 0, at: { x: 0, y: 0 } });
  });
});
