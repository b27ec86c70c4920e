import { weighed } from '@/core/plan/weighed';
import { heatAreas, heatPixels, layersOf } from '@/core/render/heat';
import { WEIGHT_CELL_MM } from '@/core/stitches/weight';
import type { Handler } from '../serve';
import { planner } from './kept';
import { pngOf } from './png';

export const weight: Handler<'weight'> = ({ job }, { progress }) => {
  const found = weighed(job, planner, planner.plan(job, progress));
  const layers = layersOf(found) as Float32Array<ArrayBuffer>;
  const { left, top, columns, rows } = found;
  const holes = found.holes as Uint16Array<ArrayBuffer>;
  const png = pngOf({ width: columns, height: rows, data: heatPixels(layers) });
  const output = { png, left, top, columns, rows, cellMm: WEIGHT_CELL_MM, layers, holes, areasMm2: heatAreas(layers) };
  return { output, transfer: [layers.buffer, holes.buffer] };
};
