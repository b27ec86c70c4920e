import { writePng } from '@/core/formats/png';
import type { Raster } from '@/core/render/raster';

export const pngOf = (raster: Pick<Raster, 'width' | 'height' | 'data'>): Blob =>
  new Blob([writePng(raster as Raster) as Uint8Array<ArrayBuffer>], { type: 'image/png' });
