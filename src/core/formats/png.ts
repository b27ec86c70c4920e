import { encode } from 'fast-png';
import type { Raster } from '../render/raster';

/** A picture as a PNG file. */
export function writePng(raster: Raster): Uint8Array {
  return encode({ width: raster.width, height: raster.height, data: new Uint8Array(raster.data.buffer), channels: 4, depth: 8 });
}

/** A picture whose every pixel is opaque, as a smaller PNG file. */
export function writeOpaquePng({ width, height, data }: Pick<Raster, 'width' | 'height' | 'data'>): Uint8Array {
  const rgb = new Uint8Array(width * height * 3);
  for (let i = 0, k = 0; k < rgb.length; i += 4) {
    rgb[k++] = data[i]!;
    rgb[k++] = data[i + 1]!;
    rgb[k++] = data[i + 2]!;
  }
  return encode({ width, height, data: rgb, channels: 3, depth: 8 });
}
