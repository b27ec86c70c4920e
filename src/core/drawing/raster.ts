/** A picture in straight-alpha RGBA bytes, and how mm map onto it. */
export interface Raster {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray<ArrayBuffer>;
  /** Pixels per mm. */
  readonly scale: number;
  /** Place of the picture's upper left corner, mm. */
  readonly left: number;
  readonly top: number;
}

export function makeRaster(width: number, height: number, scale: number, left: number, top: number): Raster {
  return { width, height, data: new Uint8ClampedArray(width * height * 4), scale, left, top };
}

export interface Rgb {
  r: number;
  g: number;
  b: number;
}

/** "#rrggbb" as bytes. */
export function hexToRgb(hex: string): Rgb {
  const n = Number.parseInt(hex.slice(1), 16);
  return { r: (n >> 16) & 255, g: (n >> 8) & 255, b: n & 255 };
}

/** Whether dark letters read better than light ones on a colour (relative luminance above 0.3). */
export function isPale(hex: string): boolean {
  const { r, g, b } = hexToRgb(hex);
  return 0.2126 * (r / 255) ** 2.2 + 0.7152 * (g / 255) ** 2.2 + 0.0722 * (b / 255) ** 2.2 > 0.3;
}

/** Lays one colour over a pixel with the given opacity, 0 to 1. */
export function blend(data: Uint8ClampedArray, at: number, r: number, g: number, b: number, alpha: number): void {
  if (alpha >= 0.996) {
    data[at] = r;
    data[at + 1] = g;
    data[at + 2] = b;
    data[at + 3] = 255;
    return;
  }
  const below = (data[at + 3]! / 255) * (1 - alpha);
  const total = alpha + below;
  if (total <= 0) return;
  data[at] = (r * alpha + data[at]! * below) / total;
  data[at + 1] = (g * alpha + data[at + 1]! * below) / total;
  data[at + 2] = (b * alpha + data[at + 2]! * below) / total;
  data[at + 3] = total * 255;
}
