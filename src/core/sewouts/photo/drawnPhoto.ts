import type { Job } from '../../document/types';
import type { PlanColumns } from '../../stitches/buffer';
import type { Picture } from '../../tracing/picture';
import { PI, cos, exp, sin } from '../../units/trig';
import { random } from '../../units/random';
import { clothColour, looksOf } from '../../render/picture';
import { drawCloth } from '../../render/cloth';
import { makeRaster, type Raster } from '../../render/raster';
import { drawThreads } from '../../render/thread';
import { inHoop, type Camera, type PhotoShape } from './camera';

/** How a photo is taken. Angles in degrees, lengths in mm. */
export interface Shot {
  /** Pixels of the photo, and pixels per mm in its middle. */
  width: number;
  height: number;
  pxPerMm: number;
  /** The hoop's middle is seen so far off the photo's middle, mm. */
  offMm: [number, number];
  turn: number;
  /** How far the camera looks from the side, about the level and the upright axis. */
  pitch: number;
  yaw: number;
  bend: number;
  /** Change of light from side to side and from top to bottom, as shares, and darker corners. */
  light: [number, number];
  corners: number;
  blurPx: number;
  /** Standard deviation of each channel, of 255. */
  noise: number;
  /** Strength of the cloth's own texture, of 255. */
  texture: number;
  seed: number;
}

export const USUAL_SHOT: Shot = {
  width: 880,
  height: 880,
  pxPerMm: 8,
  offMm: [0, 0],
  turn: 0,
  pitch: 0,
  yaw: 0,
  bend: 0,
  light: [0, 0],
  corners: 0,
  blurPx: 0,
  noise: 0,
  texture: 0,
  seed: 1,
};

/** The camera stands so far away, in widths of the photo's view: what makes things nearer look larger. */
const AWAY = 1.6;

/** The camera of a shot: a turned plane seen from a point. */
export function cameraOfShot({ width, height, pxPerMm, offMm, turn, pitch, yaw, bend }: Shot): Camera {
  const rad = (deg: number): number => (deg * PI) / 180;
  const [ct, st] = [cos(rad(turn)), sin(rad(turn))];
  const [cp, sp] = [cos(rad(pitch)), sin(rad(pitch))];
  const [cy, sy] = [cos(rad(yaw)), sin(rad(yaw))];
  // Columns of the turned plane's axes: first turned in itself, then about the upright axis, then about the level one.
  const axis = (x: number, y: number): [number, number, number] => {
    const [u, v] = [ct * x - st * y, st * x + ct * y];
    const [a, depth] = [cy * u, sy * u];
    return [a, cp * v - sp * depth, sp * v + cp * depth];
  };
  const [ex, ey] = [axis(1, 0), axis(0, 1)];
  const focal = (AWAY * width) / pxPerMm;
  const [ox, oy] = offMm;
  const away = focal;
  const rows = [
    [focal * ex[0], focal * ey[0], focal * ox],
    [focal * ex[1], focal * ey[1], focal * oy],
    [ex[2], ey[2], away],
  ];
  const share = pxPerMm / width;
  const tall = height / width;
  const matrix = [
    ...[0, 1, 2].map((k) => share * rows[0]![k]! + 0.5 * rows[2]![k]!),
    ...[0, 1, 2].map((k) => share * rows[1]![k]! + (tall / 2) * rows[2]![k]!),
    ...rows[2]!,
  ];
  return { matrix: matrix.map((v) => v / matrix[8]!), bend };
}

/** Takes a photo of a sewn plan: the picture that a camera would make of it on its cloth, with uneven light, blur and noise. */
export function drawnPhoto(job: Job, sewn: PlanColumns, shot: Shot): Picture {
  const camera = cameraOfShot(shot);
  const shape = { tall: shot.height / shot.width };
  const flat = flatPicture(job, sewn, shot, camera, shape);
  const { width, height } = shot;
  const r = random(shot.seed);
  const out = new Float32Array(width * height * 3);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const p = inHoop(camera, shape, { x: (x + 0.5) / width, y: (y + 0.5) / width });
      const [u, v] = [(2 * x) / width - 1, (2 * y) / height - 1];
      const light = (1 + (shot.light[0] * u + shot.light[1] * v) / 2) * (1 - (shot.corners * (u * u + v * v)) / 2);
      const cloth = shot.texture * (r() - 0.5);
      for (let c = 0; c < 3; c++) out[(y * width + x) * 3 + c] = light * (sampled(flat, p.x, p.y, c) + cloth);
    }
  }
  return asTaken(blurred(out, width, height, shot.blurPx), shot, r);
}

/** The sewn plan seen straight from above, over all that the photo shows. */
function flatPicture(job: Job, sewn: PlanColumns, shot: Shot, camera: Camera, shape: PhotoShape): Raster {
  const corners = [0, 1].flatMap((x) => [0, shape.tall].map((y) => inHoop(camera, shape, { x, y })));
  const [xs, ys] = [corners.map((p) => p.x), corners.map((p) => p.y)];
  const [left, top] = [Math.min(...xs) - 1, Math.min(...ys) - 1];
  const scale = Math.min(12, 1.25 * shot.pxPerMm);
  const raster = makeRaster(
    Math.ceil((Math.max(...xs) + 1 - left) * scale),
    Math.ceil((Math.max(...ys) + 1 - top) * scale),
    scale,
    left,
    top,
  );
  drawCloth(raster, clothColour(job));
  drawThreads(raster, sewn, looksOf(job));
  return raster;
}

function sampled({ width, height, data, scale, left, top }: Raster, xMm: number, yMm: number, c: number): number {
  const within = (v: number, most: number): number => (v < 0 ? 0 : v > most ? most : v);
  const x = within((xMm - left) * scale - 0.5, width - 1.001);
  const y = within((yMm - top) * scale - 0.5, height - 1.001);
  const [x0, y0] = [x | 0, y | 0];
  const [fx, fy] = [x - x0, y - y0];
  const at = (y0 * width + x0) * 4 + c;
  const below = at + 4 * width;
  return (data[at]! * (1 - fx) + data[at + 4]! * fx) * (1 - fy) + (data[below]! * (1 - fx) + data[below + 4]! * fx) * fy;
}

function blurred(values: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma <= 0) return values;
  const radius = Math.ceil(2.5 * sigma);
  const kernel = Array.from({ length: 2 * radius + 1 }, (_, i) => exp(-((i - radius) ** 2) / (2 * sigma * sigma)));
  const all = kernel.reduce((a, b) => a + b, 0);
  const within = (k: number, of: number): number => (k < 0 ? 0 : k >= of ? of - 1 : k);
  let from = values;
  for (const [step, along, lines, lineStep] of [
    [3, width, height, width * 3],
    [width * 3, height, width, 3],
  ] as const) {
    const to = new Float32Array(values.length);
    for (let line = 0; line < lines; line++) {
      for (let i = 0; i < along; i++) {
        for (let c = 0; c < 3; c++) {
          let sum = 0;
          for (let k = -radius; k <= radius; k++) sum += kernel[k + radius]! * from[line * lineStep + within(i + k, along) * step + c]!;
          to[line * lineStep + i * step + c] = sum / all;
        }
      }
    }
    from = to;
  }
  return from;
}

function asTaken(values: Float32Array, { width, height, noise }: Shot, r: () => number): Picture {
  const data = new Uint8ClampedArray(width * height * 4);
  // The sum of three even numbers is nearly normal; its variance is a quarter.
  const grain = (): number => 2 * noise * (r() + r() + r() - 1.5);
  for (let i = 0; i < width * height; i++) {
    for (let c = 0; c < 3; c++) data[4 * i + c] = values[3 * i + c]! + (noise > 0 ? grain() : 0);
    data[4 * i + 3] = 255;
  }
  return { width, height, data };
}
