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
  /** Pixels beyond it are left as they are. */
  readonly clip?: PixelBox;
  /** Where threads are little more than pixels: what share of each pixel the layer that lies on top covers so far. */
  readonly covered?: Covered;
}

/** For every pixel the number of the layer on top, and what share of the pixel it covers, 255 for all of it. */
export interface Covered {
  readonly layer: Uint16Array;
  readonly share: Uint8Array;
}

/** From this enlargement on each thread is several pixels wide and its edges need no keeping of shares, pixels per mm. */
const WIDE_FROM = 16;

/** From `left` and `top` up to, but without, `right` and `bottom`; pixels. */
export interface PixelBox {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Where a raster may be drawn on. */
export const drawable = ({ clip, width, height }: Raster): PixelBox => clip ?? { left: 0, top: 0, right: width, bottom: height };

/**
 * Tells which stitches of a plan lie wholly beyond what may be drawn on, by the number of their last event.
 * @param besideMm how far beside its line a stitch may be seen
 */
export function beyond({ x, y }: { x: Float32Array; y: Float32Array }, raster: Raster, besideMm: number): (i: number) => boolean {
  const { left, top, right, bottom } = drawable(raster);
  const [minX, maxX] = [raster.left + left / raster.scale - besideMm, raster.left + right / raster.scale + besideMm];
  const [minY, maxY] = [raster.top + top / raster.scale - besideMm, raster.top + bottom / raster.scale + besideMm];
  return (i) => {
    const [x0, x1, y0, y1] = [x[i - 1]!, x[i]!, y[i - 1]!, y[i]!];
    return (x0 < minX && x1 < minX) || (x0 > maxX && x1 > maxX) || (y0 < minY && y1 < minY) || (y0 > maxY && y1 > maxY);
  };
}

/** Makes the pixels of a box empty. */
export function clearBox({ data, width, covered }: Raster, { left, top, right, bottom }: PixelBox): void {
  for (let row = top; row < bottom; row++) {
    data.fill(0, (row * width + left) * 4, (row * width + right) * 4);
    covered?.share.fill(0, row * width + left, row * width + right);
  }
}

export function makeRaster(width: number, height: number, scale: number, left: number, top: number): Raster {
  const pixels = width * height;
  const covered = scale < WIDE_FROM ? { layer: new Uint16Array(pixels), share: new Uint8Array(pixels) } : undefined;
  return { width, height, data: new Uint8ClampedArray(pixels * 4), scale, left, top, ...(covered ? { covered } : {}) };
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

/** Where black and white are equally far from a colour: the nearer side has a contrast of 4.5 and more (WCAG 2, relative luminance). */
const BETWEEN_BLACK_AND_WHITE = 0.179;

/** Whether black is read better on a colour than white. */
export function isPale(hex: string): boolean {
  const { r, g, b } = hexToRgb(hex);
  const linear = (v: number): number => (v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4);
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b) > BETWEEN_BLACK_AND_WHITE;
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
  if (data[at + 3] === 255) {
    const under = 1 - alpha;
    data[at] = r * alpha + data[at]! * under;
    data[at + 1] = g * alpha + data[at + 1]! * under;
    data[at + 2] = b * alpha + data[at + 2]! * under;
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

/** A thread where it covers a share of a pixel. */
export interface ThreadPixel extends Rgb {
  /** The thread's colour in the mean, which is taken for threads of its layer that lie there already. */
  mean: Rgb;
  /** Number of its layer. */
  layer: number;
  /** Whether the pixel lies beyond an end of the stitch: ends lie over each other, not side by side. */
  atEnd: boolean;
}

/**
 * Lays a thread that covers a share of a pixel over what is there. Threads of one layer lie side by side: what two of them cover adds
 * up, so that nothing of what lies beneath shines through between them, and both count for what they cover.
 */
export function layBeside(raster: Raster, pixel: number, thread: ThreadPixel, share: number): void {
  const { data, covered } = raster;
  const { r, g, b, layer, mean } = thread;
  const at = pixel * 4;
  if (!covered || share >= 0.996) {
    if (covered) [covered.layer[pixel], covered.share[pixel]] = [layer, 255];
    blend(data, at, r, g, b, share);
    return;
  }
  const before = covered.layer[pixel] === layer ? covered.share[pixel]! / 255 : 0;
  const after = thread.atEnd ? before + (1 - before) * share : Math.min(1, before + share);
  covered.layer[pixel] = layer;
  covered.share[pixel] = 255 * after;
  if (before === 0 || thread.atEnd) return blend(data, at, r, g, b, share);
  const own = share / (before + share);
  const rest = 1 - own;
  if (data[at + 3] === 255) {
    if (after < 1) blend(data, at, r, g, b, share / (1 - before));
    else blend(data, at, r * own + mean.r * rest, g * own + mean.g * rest, b * own + mean.b * rest, 1);
    return;
  }
  data[at] = r * own + data[at]! * rest;
  data[at + 1] = g * own + data[at + 1]! * rest;
  data[at + 2] = b * own + data[at + 2]! * rest;
  data[at + 3] = Math.min(255, data[at + 3]! + 255 * share);
}
