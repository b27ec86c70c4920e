import type { PlanColumns } from './buffer';
import { emptyBounds, growBounds } from '../geometry/point';
import type { Area } from '../geometry/point';
import { spotsOf } from '../geometry/spots';
import { scanArea } from '../geometry/scan';
import { Command } from './roles';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import { hypot } from '../units/trig';

/** Something other than thread that is sewn over and makes the work stiffer. */
export interface LaidOn {
  area: Area;
  /** As stiff as so many layers of thread. */
  layers: number;
}

export const WEIGHT_CELL_MM = 0.25;

/** Thread and holes over the whole job on cells of a quarter millimetre, row by row from the upper left. */
export interface Weight {
  left: number;
  top: number;
  columns: number;
  rows: number;
  /** Thread length in each cell, mm; what is laid on counts as the thread that would be as thick. */
  thread: Float32Array;
  /** Penetrations in each cell. */
  holes: Uint16Array;
}

/** Lays every stitch and every hole of a plan on the grid, and what lies under them beside thread. */
export function weigh(plan: Pick<PlanColumns, 'x' | 'y' | 'command'>, laid: readonly LaidOn[] = []): Weight {
  const { x, y, command } = plan;
  const box = emptyBounds();
  for (let i = 0; i < x.length; i++) if (command[i] === Command.stitch) growBounds(box, x[i]!, y[i]!);
  const empty = !Number.isFinite(box.minX);
  const [left, top] = empty ? [0, 0] : [box.minX - WEIGHT_CELL_MM, box.minY - WEIGHT_CELL_MM];
  const columns = empty ? 1 : Math.ceil((box.maxX - left) / WEIGHT_CELL_MM) + 2;
  const rows = empty ? 1 : Math.ceil((box.maxY - top) / WEIGHT_CELL_MM) + 2;
  const thread = new Float32Array(columns * rows);
  const holes = new Uint16Array(columns * rows);
  for (let i = 0; i < x.length; i++) {
    if (command[i] !== Command.stitch) continue;
    const cell = Math.floor((y[i]! - top) / WEIGHT_CELL_MM) * columns + Math.floor((x[i]! - left) / WEIGHT_CELL_MM);
    holes[cell]!++;
    if (i === 0 || command[i - 1] !== Command.stitch) continue;
    const [dx, dy] = [x[i]! - x[i - 1]!, y[i]! - y[i - 1]!];
    const length = hypot(dx, dy);
    const steps = Math.max(1, Math.ceil(length / WEIGHT_CELL_MM));
    const each = length / steps;
    const [right, down] = [dx / steps / WEIGHT_CELL_MM, dy / steps / WEIGHT_CELL_MM];
    let column = (x[i - 1]! - left) / WEIGHT_CELL_MM + right / 2;
    let row = (y[i - 1]! - top) / WEIGHT_CELL_MM + down / 2;
    for (let k = 0; k < steps; k++) {
      // Neither is ever below 0, so cutting the fraction off is rounding down.
      thread[(row | 0) * columns + (column | 0)]! += each;
      column += right;
      row += down;
    }
  }
  const weight = { left, top, columns, rows, thread, holes };
  for (const one of laid) lay(weight, one);
  return weight;
}

/** Thread length that makes one layer in a cell, mm. */
const LAYER_MM = (WEIGHT_CELL_MM * WEIGHT_CELL_MM) / THREAD_WIDTH_MM;

function lay({ left, top, columns, rows, thread }: Weight, { area, layers }: LaidOn): void {
  scanArea(area, { cellMm: WEIGHT_CELL_MM, left, top, firstRow: 0, lastRow: rows - 1 }, (row, from, to) => {
    const last = Math.min(columns - 1, to);
    for (let c = Math.max(0, from); c <= last; c++) thread[row * columns + c]! += layers * LAYER_MM;
  });
}

/** The heaviest square of `sideMm`, its middle, and how much of the job lies above a limit, mm². */
export interface Peak {
  value: number;
  at: { x: number; y: number };
  areaAboveMm2: number;
}

/** A quantity summed over the square of `sideMm` at every cell, which is the square's upper left one. */
function overSquares({ columns, rows }: Weight, values: Float32Array | Uint16Array, sideMm: number): Float64Array {
  const side = Math.round(sideMm / WEIGHT_CELL_MM);
  const sums = new Float64Array(columns * rows);
  // Sums down each column over the rows of the square; from row to row one is added and one taken away.
  const down = new Float64Array(columns);
  for (let r = -side + 1; r < rows; r++) {
    const entering = r + side - 1 < rows ? (r + side - 1) * columns : -1;
    const leaving = r > 0 ? (r - 1) * columns : -1;
    if (entering >= 0) for (let c = 0; c < columns; c++) down[c]! += values[entering + c]!;
    if (leaving >= 0) for (let c = 0; c < columns; c++) down[c]! -= values[leaving + c]!;
    if (r < 0) continue;
    let across = 0;
    for (let c = 0; c < side && c < columns; c++) across += down[c]!;
    for (let c = 0; c < columns; c++) {
      sums[r * columns + c] = across;
      across += (c + side < columns ? down[c + side]! : 0) - down[c]!;
    }
  }
  return sums;
}

const middleOf = ({ left, top, columns }: Weight, cell: number, sideMm: number): { x: number; y: number } => ({
  x: left + (cell % columns) * WEIGHT_CELL_MM + sideMm / 2,
  y: top + Math.floor(cell / columns) * WEIGHT_CELL_MM + sideMm / 2,
});

/** @param factor what the sum over a square is multiplied by */
function peakOf(weight: Weight, values: Float32Array | Uint16Array, sideMm: number, factor: number, limit: number): Peak {
  const sums = overSquares(weight, values, sideMm);
  const most = limit / factor;
  let [best, above] = [0, 0];
  for (let i = 0; i < sums.length; i++) {
    if (sums[i]! > sums[best]!) best = i;
    if (sums[i]! > most) above++;
  }
  return { value: sums[best]! * factor, at: middleOf(weight, best, sideMm), areaAboveMm2: above * WEIGHT_CELL_MM * WEIGHT_CELL_MM };
}

const LAYER_SIDE_MM = 2;
const HOLE_SIDE_MM = 1;

/** Layers of thread: length times width per area, over squares of 2 mm or `sideMm`. A fill at 0.40 is one layer, a satin at 0.40 two. */
export function layerPeak(weight: Weight, limit: number, sideMm = LAYER_SIDE_MM): Peak {
  return peakOf(weight, weight.thread, sideMm, THREAD_WIDTH_MM / (sideMm * sideMm), limit);
}

/** A spot thicker than a limit: its thickest square, and how large it is. */
export interface HeavySpot extends Peak {
  /** Its cells, which are the upper left ones of the squares of 2 mm. */
  cells: readonly number[];
}

/** Where thread lies thicker than a limit, spot by spot, the largest first. */
export function heavySpots(weight: Weight, limit: number): HeavySpot[] {
  const { columns, thread } = weight;
  const factor = THREAD_WIDTH_MM / (LAYER_SIDE_MM * LAYER_SIDE_MM);
  const layers = overSquares(weight, thread, LAYER_SIDE_MM);
  const out = spotsOf(layers.length, columns, (cell) => layers[cell]! * factor > limit).map((cells): HeavySpot => {
    const best = cells.reduce((a, b) => (layers[b]! > layers[a]! ? b : a));
    const areaAboveMm2 = cells.length * WEIGHT_CELL_MM * WEIGHT_CELL_MM;
    return { value: layers[best]! * factor, at: middleOf(weight, best, LAYER_SIDE_MM), areaAboveMm2, cells };
  });
  return out.sort((a, b) => b.areaAboveMm2 - a.areaAboveMm2);
}

/** Layers of thread at the thickest place; 0 for a plan that sews nothing. */
export const mostLayers = (weight: Weight): number => Math.max(0, layerPeak(weight, Infinity).value);

/** Layers of thread on average where anything is sewn, how large that is, and its middle. */
export function layersIn({ thread, columns, left, top }: Weight): { meanLayers: number; areaMm2: number; at: { x: number; y: number } } {
  let [length, cells, x, y] = [0, 0, 0, 0];
  thread.forEach((mm, i) => {
    if (mm === 0) return;
    length += mm;
    cells++;
    x += i % columns;
    y += Math.floor(i / columns);
  });
  const areaMm2 = cells * WEIGHT_CELL_MM * WEIGHT_CELL_MM;
  const at = cells === 0 ? { x: 0, y: 0 } : { x: left + (x / cells) * WEIGHT_CELL_MM, y: top + (y / cells) * WEIGHT_CELL_MM };
  return { meanLayers: cells === 0 ? 0 : (length * THREAD_WIDTH_MM) / areaMm2, areaMm2, at };
}

/** Holes per mm², over squares of 1 mm. */
export function holePeak(weight: Weight, limit: number): Peak {
  return peakOf(weight, weight.holes, HOLE_SIDE_MM, 1 / (HOLE_SIDE_MM * HOLE_SIDE_MM), limit);
}

/** Area of the work by layers of thread. */
export interface Histogram {
  /** Layers from one bar to the next. */
  stepLayers: number;
  /** Area of each bar, mm²; the first holds what lies under nearly nothing and is left at 0. */
  areasMm2: number[];
}

const STEP_LAYERS = 0.5;
const MOST_BARS = 18;

/** @param layers layers of thread at every cell */
export function histogramOf(layers: Float32Array): Histogram {
  const areasMm2: number[] = [];
  for (const v of layers) {
    const bar = Math.min(MOST_BARS - 1, Math.floor(v / STEP_LAYERS));
    if (bar < 1) continue;
    while (areasMm2.length <= bar) areasMm2.push(0);
    areasMm2[bar]! += WEIGHT_CELL_MM * WEIGHT_CELL_MM;
  }
  return { stepLayers: STEP_LAYERS, areasMm2 };
}
