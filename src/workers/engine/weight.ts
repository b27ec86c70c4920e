import { laidOn } from '@/core/pieces/prepare/laidOn';
import { heatAreas, heatPixels, layersOf } from '@/core/render/heat';
import { WEIGHT_CELL_MM, weigh } from '@/core/stitches/weight';
import type { Handler } from '../serve';
import { planner } from './kept';
import { pngOf } from './png';

export const weight: Handler<'weight'> = ({ job }, { progress }) => {
  const weighed = weigh(planner.plan(job, progress), laidOn(job, planner.shape(job)));
  const layers = layersOf(weighed) as Float32Array<ArrayBuffer>;
  const { left, top, columns, rows } = weighed;
  const holes = weighed.holes as Uint16Array<ArrayBuffer>;
  const png = pngOf({ width: columns, height: rows, data: heatPixels(layers) });
  const output = { png, left, top, columns, rows, cellMm: WEIGHT_CELL_MM, layers, holes, areasMm2: heatAreas(layers) };
  return { output, transfer: [layers.buffer, holes.buffer] };
};
