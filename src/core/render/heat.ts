import { THREAD_WIDTH_MM } from '../units/tolerances';
import { WEIGHT_CELL_MM, type Weight } from '../stitches/weight';
import type { Rgb } from './raster';

/** Steps of the heat map: layers of thread from which each colour holds (whole layers lie in the middle of a step). Light to dark, and different in brightness, not hue alone. */
export const HEAT_STEPS: readonly { from: number; rgb: Rgb }[] = [
  { from: 0.25, rgb: { r: 226, g: 238, b: 236 } },
  { from: 1.5, rgb: { r: 168, g: 205, b: 203 } },
  { from: 2.5, rgb: { r: 96, g: 160, b: 166 } },
  { from: 3.5, rgb: { r: 242, g: 194, b: 48 } },
  { from: 4.5, rgb: { r: 214, g: 122, b: 26 } },
  { from: 5.5, rgb: { r: 163, g: 21, b: 46 } },
];

/** The step that a number of layers belongs to; -1 for next to nothing. */
function stepOf(layers: number): number {
  let step = -1;
  while (step + 1 < HEAT_STEPS.length && layers >= HEAT_STEPS[step + 1]!.from) step++;
  return step;
}

/** Squares over which layers are averaged, cells: two millimetres, so that single threads and the beat of rows with cells do not show. */
const SIDE = 8;

/** Layers of thread at every cell, averaged over two millimetres about it. */
export function layersOf({ thread, columns, rows }: Weight): Float32Array {
  const across = new Float32Array(columns * rows);
  const out = new Float32Array(columns * rows);
  const factor = THREAD_WIDTH_MM / (SIDE * SIDE * WEIGHT_CELL_MM * WEIGHT_CELL_MM);
  const half = SIDE / 2;
  for (let r = 0; r < rows; r++) {
    let sum = 0;
    for (let c = -half; c < columns; c++) {
      if (c + half < columns) sum += thread[r * columns + c + half]!;
      if (c - half >= 0) sum -= thread[r * columns + c - half]!;
      if (c >= 0) across[r * columns + c] = sum;
    }
  }
  for (let c = 0; c < columns; c++) {
    let sum = 0;
    for (let r = -half; r < rows; r++) {
      if (r + half < rows) sum += across[(r + half) * columns + c]!;
      if (r - half >= 0) sum -= across[(r - half) * columns + c]!;
      if (r >= 0) out[r * columns + c] = sum * factor;
    }
  }
  return out;
}

/** The heat map, one pixel per cell, RGBA. */
export function heatPixels(layers: Float32Array): Uint8ClampedArray<ArrayBuffer> {
  const data = new Uint8ClampedArray(layers.length * 4);
  layers.forEach((v, i) => {
    const step = stepOf(v);
    if (step < 0) return;
    const { r, g, b } = HEAT_STEPS[step]!.rgb;
    data.set([r, g, b, 235], i * 4);
  });
  return data;
}

/** Area at each step of the heat map, mm². */
export function heatAreas(layers: Float32Array): number[] {
  const areas = HEAT_STEPS.map(() => 0);
  for (const v of layers) {
    const step = stepOf(v);
    if (step >= 0) areas[step]! += WEIGHT_CELL_MM * WEIGHT_CELL_MM;
  }
  return areas;
}
