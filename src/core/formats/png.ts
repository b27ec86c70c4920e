import { encode } from 'fast-png';
import type { Raster } from '../render/raster';

/** A picture as a PNG file. */
export function writePng(raster: Raster): Uint8Array {
  return encode({ width: raster.width, height: raster.height, data: new Uint8Array(raster.data.buffer), channels: 4, depth: 8 });
}
