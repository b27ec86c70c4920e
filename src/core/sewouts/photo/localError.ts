import type { OnHoop } from './align';
import { onPhoto, type Camera, type PhotoShape } from './camera';
import { fieldOf, valueAt, type Field } from './field';

/** Pictures are compared in squares so wide, mm. */
const SQUARE_MM = 8;
/** A square tells a shift when its picture changes enough in both directions, mean square of the slopes per place. */
const LEAST_DETAIL = 0.6;
const ROUNDS = 4;
/** A square that seems to lie farther off than this shows something else, mm. */
const FARTHEST_MM = 2;

/**
 * How far squares of the plan's picture still lie from the photo's, root mean square, mm (Lucas and Kanade 1981 in each square): what
 * the photo's place leaves open, and what the cloth moved otherwise than foreseen.
 */
export function localErrorMm(template: OnHoop, photo: Field, camera: Camera, shape: PhotoShape): number | null {
  const { field, perMm } = template;
  const flat = flattened(template, photo, camera, shape);
  const side = Math.round(SQUARE_MM * perMm);
  const squares: number[] = [];
  for (let y = 2; y + side + 2 < field.height; y += side) {
    for (let x = 2; x + side + 2 < field.width; x += side) {
      const shift = shiftOf(field, flat, x, y, side);
      if (shift) squares.push((shift.x * shift.x + shift.y * shift.y) / (perMm * perMm));
    }
  }
  const near = squares.filter((s) => s < FARTHEST_MM * FARTHEST_MM);
  return near.length < 4 ? null : Math.sqrt(near.reduce((a, b) => a + b, 0) / near.length);
}

/** The photo as it would lie on the template's places. */
export function flattened({ field, perMm, left, top }: OnHoop, photo: Field, camera: Camera, shape: PhotoShape): Field {
  const out = fieldOf(field.width, field.height, photo.channels);
  for (let row = 0; row < out.height; row++) {
    for (let column = 0; column < out.width; column++) {
      const p = onPhoto(camera, shape, { x: left + (column + 0.5) / perMm, y: top + (row + 0.5) / perMm });
      const at = (row * out.width + column) * photo.channels;
      for (let c = 0; c < photo.channels; c++) out.data[at + c] = valueAt(photo, p.x * photo.width - 0.5, p.y * photo.width - 0.5, c);
    }
  }
  return out;
}

function shiftOf(wanted: Field, got: Field, x0: number, y0: number, side: number): { x: number; y: number } | null {
  let [sx, sy] = [0, 0];
  for (let round = 0; round < ROUNDS; round++) {
    let [xx, xy, yy, bx, by] = [0, 0, 0, 0, 0];
    let n = 0;
    for (let y = y0; y < y0 + side; y++) {
      for (let x = x0; x < x0 + side; x++) {
        for (let c = 0; c < wanted.channels; c++) {
          const gx = (valueAt(wanted, x + 1, y, c) - valueAt(wanted, x - 1, y, c)) / 2;
          const gy = (valueAt(wanted, x, y + 1, c) - valueAt(wanted, x, y - 1, c)) / 2;
          const miss = valueAt(got, x + sx, y + sy, c) - wanted.data[(y * wanted.width + x) * wanted.channels + c]!;
          xx += gx * gx;
          xy += gx * gy;
          yy += gy * gy;
          bx -= gx * miss;
          by -= gy * miss;
          n++;
        }
      }
    }
    const trace = xx + yy;
    const det = xx * yy - xy * xy;
    // The smaller eigenvalue tells whether both directions can be seen.
    const least = trace / 2 - Math.sqrt(Math.max(0, (trace * trace) / 4 - det));
    if (least / n < LEAST_DETAIL) return null;
    sx += (yy * bx - xy * by) / det;
    sy += (xx * by - xy * bx) / det;
    if (Math.abs(sx) > side / 3 || Math.abs(sy) > side / 3) return null;
  }
  return { x: sx, y: sy };
}
