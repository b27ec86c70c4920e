import { cbrt } from '../../units/trig';
import type { Picture } from '../../tracing/picture';

/** Numbers on a grid, several for each place, row by row. */
export interface Field {
  width: number;
  height: number;
  channels: number;
  data: Float32Array;
}

export const fieldOf = (width: number, height: number, channels: number): Field => ({
  width,
  height,
  channels,
  data: new Float32Array(width * height * channels),
});

const linear = Float32Array.from({ length: 256 }, (_, v) => (v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4));

/** Lightness (0 to 100) and two colour axes of every pixel: OKLab (Ottosson 2020) times a hundred. */
export function labOf({ width, height, data }: Picture): Field {
  const out = fieldOf(width, height, 3);
  for (let i = 0, o = 0; o < out.data.length; i += 4, o += 3) {
    const [r, g, b] = [linear[data[i]!]!, linear[data[i + 1]!]!, linear[data[i + 2]!]!];
    const l = cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
    const m = cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
    const s = cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
    out.data[o] = 100 * (0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s);
    out.data[o + 1] = 100 * (1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s);
    out.data[o + 2] = 100 * (0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s);
  }
  return out;
}

/**
 * A field reduced by about a whole number: its columns cover the whole width, each place the mean of what it covers of the field's places,
 * so that shares of the width stay what they were. Rows are as high as columns are wide; what does not fill a last row is left out.
 */
export function reduced(field: Field, by: number): Field {
  const width = Math.max(1, Math.floor(field.width / by));
  if (width >= field.width) return field;
  const step = field.width / width;
  const height = Math.max(1, Math.floor(field.height / step));
  return shrunk(shrunk(field, width, step, true), height, step, false);
}

/** Means over stretches of `step` places, parts of places counted as parts, along rows or down columns. */
function shrunk(field: Field, count: number, step: number, level: boolean): Field {
  const { width, height, channels, data } = field;
  const out = level ? fieldOf(count, height, channels) : fieldOf(width, count, channels);
  const [lines, along] = level ? [height, width] : [width, height];
  const [lineFrom, from] = level ? [width * channels, channels] : [channels, width * channels];
  const [lineTo, to] = level ? [count * channels, channels] : [channels, width * channels];
  for (let i = 0; i < count; i++) {
    const [begin, end] = [i * step, (i + 1) * step];
    for (let k = begin | 0; k < end && k < along; k++) {
      const share = ((k + 1 < end ? k + 1 : end) - (k > begin ? k : begin)) / step;
      for (let line = 0; line < lines; line++)
        for (let c = 0; c < channels; c++) out.data[line * lineTo + i * to + c]! += share * data[line * lineFrom + k * from + c]!;
    }
  }
  return out;
}

/** A field calmed by three means over boxes, which together are nearly a Gaussian of this standard deviation, in places. */
export function calmed(field: Field, sigma: number): Field {
  const radius = Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2);
  if (radius < 1) return field;
  let out = field;
  for (let k = 0; k < 3; k++) out = across(across(out, radius, true), radius, false);
  return out;
}

function across(field: Field, radius: number, level: boolean): Field {
  const { width, height, channels } = field;
  const out = fieldOf(width, height, channels);
  const [lines, along] = level ? [height, width] : [width, height];
  const [lineStep, step] = level ? [width * channels, channels] : [channels, width * channels];
  for (let line = 0; line < lines; line++) {
    for (let c = 0; c < channels; c++) {
      const base = line * lineStep + c;
      let sum = 0;
      const within = (k: number): number => (k < 0 ? 0 : k >= along ? along - 1 : k);
      for (let k = -radius; k <= radius; k++) sum += field.data[base + within(k) * step]!;
      for (let i = 0; i < along; i++) {
        out.data[base + i * step] = sum / (2 * radius + 1);
        sum += field.data[base + within(i + radius + 1) * step]! - field.data[base + within(i - radius) * step]!;
      }
    }
  }
  return out;
}

/** The value of a channel between places, bilinear; at the edge that of the edge. Called millions of times: plain comparisons only. */
export function valueAt({ width, height, channels, data }: Field, x: number, y: number, channel: number): number {
  const cx = x < 0 ? 0 : x > width - 1.001 ? width - 1.001 : x;
  const cy = y < 0 ? 0 : y > height - 1.001 ? height - 1.001 : y;
  // Neither is below 0, so cutting the fraction off is rounding down.
  const x0 = cx | 0;
  const y0 = cy | 0;
  const fx = cx - x0;
  const fy = cy - y0;
  const at = (y0 * width + x0) * channels + channel;
  const below = at + width * channels;
  return (data[at]! * (1 - fx) + data[at + channels]! * fx) * (1 - fy) + (data[below]! * (1 - fx) + data[below + channels]! * fx) * fy;
}
