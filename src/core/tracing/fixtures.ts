import { cos, hypot, sin } from '../units/trig';
import type { Picture } from './picture';

export type Rgba = readonly [number, number, number, number];
export const WHITE: Rgba = [255, 255, 255, 255];
export const RED: Rgba = [200, 40, 50, 255];
export const BLUE: Rgba = [30, 60, 160, 255];
export const NOTHING: Rgba = [0, 0, 0, 0];

/** Parts of a pixel's side that are looked at. */
const PARTS = 8;

/** A picture with soft edges: the colour of each pixel is the mean of what is drawn within it. @param colourAt of places in pixels */
export function painted(width: number, height: number, colourAt: (x: number, y: number) => Rgba): Picture {
  const data = new Uint8Array(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const corners = [colourAt(x + 0.5, y + 0.5), colourAt(x, y), colourAt(x + 1, y), colourAt(x, y + 1), colourAt(x + 1, y + 1)];
      const sum = [0, 0, 0, 0];
      // Only pixels on an edge are looked at in parts.
      const parts = corners.every((c) => c === corners[0]) ? 1 : PARTS;
      for (let v = 0; v < parts; v++) {
        for (let u = 0; u < parts; u++) {
          const [r, g, b, a] = colourAt(x + (u + 0.5) / parts, y + (v + 0.5) / parts);
          for (const [k, c] of [r * a, g * a, b * a, a].entries()) sum[k]! += c;
        }
      }
      const alpha = sum[3]!;
      const o = (y * width + x) * 4;
      for (let k = 0; k < 3; k++) data[o + k] = alpha > 0 ? Math.round(sum[k]! / alpha) : 0;
      data[o + 3] = Math.round(alpha / (parts * parts));
    }
  }
  return { width, height, data };
}

/** The same with noise as a lossy picture has it near edges: up to so much, everywhere, by a fixed sequence. */
export function noisy({ width, height, data }: Picture, most: number): Picture {
  let seed = 12345;
  const next = (): number => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;
  return {
    width,
    height,
    data: data.map((v, i) => (i % 4 === 3 ? v : Math.max(0, Math.min(255, v + Math.round((2 * next() - 1) * most))))),
  };
}

/** Whether a place lies in a square of some side, turned about its middle by an angle, radians. */
export const inSquare =
  (cx: number, cy: number, side: number, angle: number) =>
  (x: number, y: number): boolean => {
    const [c, s] = [cos(angle), sin(angle)];
    const [u, v] = [(x - cx) * c + (y - cy) * s, (y - cy) * c - (x - cx) * s];
    return Math.abs(u) < side / 2 && Math.abs(v) < side / 2;
  };

export const distanceToSegment = (x: number, y: number, ax: number, ay: number, bx: number, by: number): number => {
  const [dx, dy] = [bx - ax, by - ay];
  const t = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy)));
  return hypot(x - ax - t * dx, y - ay - t * dy);
};
