import { Matrix, solve } from 'ml-matrix';
import type { Camera, PhotoShape } from './camera';
import { valueAt, type Field } from './field';

/** A field on places of the hoop: so many a mm from a first one. */
export interface OnHoop {
  field: Field;
  perMm: number;
  left: number;
  top: number;
}

/** How many numbers of a camera are free: eight of the perspective, nine with the bend. */
export type Freedom = 0 | 6 | 8 | 9;

/** More places of a template tell next to nothing more. */
const MOST_PLACES = 40_000;
/** Nothing is known of places that lie off the photo. */
const LEAST_SHARE = 0.4;
/** A step that moves nothing by more than this share of the template is the last. */
const SMALL = 5e-5;

/** What the photo shows at the places of a template, and how that changes with the camera. */
interface Seen {
  /** Template and photo at the places that lie on the photo, all channels one after another. */
  wanted: Float32Array;
  got: Float32Array;
  slopes: Float32Array[];
}

/**
 * Parameters of a camera in numbers that all change the picture alike: the matrix about the middle of the template, lengths in halves
 * of its width.
 */
interface Frame {
  cx: number;
  cy: number;
  half: number;
}

const frameOf = ({ field, perMm, left, top }: OnHoop): Frame => ({
  cx: left + field.width / 2 / perMm,
  cy: top + field.height / 2 / perMm,
  half: Math.max(field.width, field.height) / 2 / perMm,
});

/** The matrix for coordinates within the frame, scaled to 1 in its last entry, and back. */
function toFrame(m: readonly number[], { cx, cy, half }: Frame): number[] {
  const rows = [0, 3, 6].flatMap((r) => [m[r]! * half, m[r + 1]! * half, m[r]! * cx + m[r + 1]! * cy + m[r + 2]!]);
  return rows.map((v) => v / rows[8]!);
}
function fromFrame(m: readonly number[], { cx, cy, half }: Frame): number[] {
  const rows = [0, 3, 6].flatMap((r) => [m[r]! / half, m[r + 1]! / half, m[r + 2]! - (m[r]! * cx + m[r + 1]! * cy) / half]);
  return rows.map((v) => v / rows[8]!);
}

function look(template: OnHoop, photo: Field, camera: Camera, shape: PhotoShape, free: Freedom, frame: Frame): Seen | null {
  const { field, perMm, left, top } = template;
  const { channels } = field;
  const every = Math.max(1, Math.round(Math.sqrt((field.width * field.height) / MOST_PLACES)));
  const most = Math.ceil(field.width / every) * Math.ceil(field.height / every) * channels;
  const [wanted, got] = [new Float32Array(most), new Float32Array(most)];
  const slopes = Array.from({ length: free }, () => new Float32Array(most));
  const m = toFrame(camera.matrix, frame);
  const middle = { x: 0.5, y: shape.tall / 2 };
  let n = 0;
  for (let row = 0; row < field.height; row += every) {
    const y = (top + (row + 0.5) / perMm - frame.cy) / frame.half;
    for (let column = 0; column < field.width; column += every) {
      const x = (left + (column + 0.5) / perMm - frame.cx) / frame.half;
      const w = m[6]! * x + m[7]! * y + 1;
      const [u, v] = [(m[0]! * x + m[1]! * y + m[2]!) / w, (m[3]! * x + m[4]! * y + m[5]!) / w];
      const [du, dv] = [u - middle.x, v - middle.y];
      const r2 = du * du + dv * dv;
      const grows = 1 + camera.bend * r2;
      const [px, py] = [(middle.x + du * grows) * photo.width - 0.5, (middle.y + dv * grows) * photo.width - 0.5];
      if (px < 1 || py < 1 || px > photo.width - 2 || py > photo.height - 2) continue;
      const at = (row * field.width + column) * channels;
      for (let c = 0; c < channels; c++) {
        wanted[n] = field.data[at + c]!;
        got[n] = valueAt(photo, px, py, c);
        if (free === 0) {
          n++;
          continue;
        }
        const gx = ((valueAt(photo, px + 0.5, py, c) - valueAt(photo, px - 0.5, py, c)) * photo.width * grows) / w;
        const gy = ((valueAt(photo, px, py + 0.5, c) - valueAt(photo, px, py - 0.5, c)) * photo.width * grows) / w;
        slopes[0]![n] = gx * x;
        slopes[1]![n] = gx * y;
        slopes[2]![n] = gx;
        slopes[3]![n] = gy * x;
        slopes[4]![n] = gy * y;
        slopes[5]![n] = gy;
        if (free > 6) {
          const along = -(gx * u + gy * v);
          slopes[6]![n] = along * x;
          slopes[7]![n] = along * y;
        }
        if (free > 8) slopes[8]![n] = ((gx * du + gy * dv) * w * r2) / grows;
        n++;
      }
    }
  }
  if (n < LEAST_SHARE * most) return null;
  return { wanted: wanted.subarray(0, n), got: got.subarray(0, n), slopes: slopes.map((s) => s.subarray(0, n)) };
}

function centred(values: Float32Array): number {
  let sum = 0;
  for (const v of values) sum += v;
  const mean = sum / values.length;
  let square = 0;
  for (let i = 0; i < values.length; i++) {
    const v = (values[i] = values[i]! - mean);
    square += v * v;
  }
  return square;
}

const product = (a: Float32Array, b: Float32Array): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
};

/** How well a photo agrees with a template, 1 at best: their correlation. */
export function agreement(template: OnHoop, photo: Field, camera: Camera, shape: PhotoShape): number {
  const seen = look(template, photo, camera, shape, 0, frameOf(template));
  return seen ? correlationOf(seen) : -1;
}

function correlationOf({ wanted, got }: Pick<Seen, 'wanted' | 'got'>): number {
  const [a, b] = [centred(wanted), centred(got)];
  return a > 0 && b > 0 ? product(wanted, got) / Math.sqrt(a * b) : -1;
}

export interface Aligned {
  camera: Camera;
  correlation: number;
}

/**
 * Moves a camera until the photo agrees best with the template: enhanced correlation (Evangelidis and Psarakis 2008, forward additive),
 * over all channels at once.
 */
export function aligned(template: OnHoop, photo: Field, start: Camera, shape: PhotoShape, free: Freedom, rounds: number): Aligned {
  const frame = frameOf(template);
  let best: Aligned = { camera: start, correlation: -1 };
  let camera = start;
  for (let round = 0; round <= rounds; round++) {
    const seen = look(template, photo, camera, shape, free, frame);
    if (!seen) break;
    const correlation = correlationOf(seen);
    if (correlation > best.correlation) best = { camera, correlation };
    if (round === rounds) break;
    const change = stepOf(seen);
    if (!change) break;
    const m = toFrame(camera.matrix, frame);
    camera = {
      matrix: fromFrame(m.map((v, k) => v + (k < 8 ? (change[k] ?? 0) : 0)), frame), // prettier-ignore
      bend: Math.min(0.5, Math.max(-0.5, camera.bend + (change[8] ?? 0))),
    };
    if (change.every((c) => Math.abs(c) < SMALL)) break;
  }
  return best;
}

/** The step of the parameters; template and photo are centred by `correlationOf`. */
function stepOf({ wanted, got, slopes }: Seen): number[] | null {
  slopes.forEach(centred);
  const k = slopes.length;
  const hessian = Matrix.zeros(k, k);
  for (let a = 0; a < k; a++) {
    for (let b = a; b < k; b++) {
      const v = product(slopes[a]!, slopes[b]!);
      hessian.set(a, b, v);
      hessian.set(b, a, v);
    }
    hessian.set(a, a, hessian.get(a, a) * 1.0001 + 1e-9);
  }
  const onGot = slopes.map((s) => product(s, got));
  const onWanted = slopes.map((s) => product(s, wanted));
  try {
    const [toGot, toWanted] = [onGot, onWanted].map((v) => solve(hessian, Matrix.columnVector(v)).to1DArray()) as [number[], number[]];
    const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
    const above = product(got, got) - dot(onGot, toGot);
    const below = product(wanted, got) - dot(onWanted, toGot);
    const factor = below > 0 ? above / below : Math.sqrt(product(got, got) / product(wanted, wanted));
    return toWanted.map((v, i) => factor * v - toGot[i]!);
  } catch {
    return null;
  }
}
