import { hexToRgb, type Raster } from './raster';

/** Fills a picture with cloth: its colour and a quiet weave at true size (about 0.5 mm per yarn). */
export function drawCloth(raster: Raster, hex: string): void {
  const { r, g, b } = hexToRgb(hex);
  const { width, height, data, scale } = raster;
  const yarn = 0.5 * scale;
  const strength = yarn < 2 ? 0 : 0.045;
  for (let y = 0; y < height; y++) {
    const v = (y + raster.top * scale) / yarn;
    for (let x = 0; x < width; x++) {
      const u = (x + raster.left * scale) / yarn;
      const over = (Math.floor(u) + Math.floor(v)) & 1;
      const fu = u - Math.floor(u) - 0.5;
      const fv = v - Math.floor(v) - 0.5;
      const light = 1 + strength * (over === 1 ? 1 - 6 * fu * fu : 0.4 - 6 * fv * fv);
      const at = (y * width + x) * 4;
      data[at] = r * light;
      data[at + 1] = g * light;
      data[at + 2] = b * light;
      data[at + 3] = 255;
    }
  }
}
