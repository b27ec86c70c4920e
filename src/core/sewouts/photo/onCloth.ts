import { Matrix, solve } from 'ml-matrix';
import { fieldOf, type Field } from './field';

/** How the cloth itself looks across a photo, light and shade included, and how much it varies. */
export interface ClothLook {
  /** Differences from the cloth at every place, channel by channel. */
  off: Field;
  /** Usual size of them on bare cloth. */
  noise: number;
}

/** The frame of a photo that is taken for cloth at first, as a share of its smaller side. */
const FRAME = 0.08;
const ROUNDS = 5;
/** Bare cloth lies within so many times its usual difference of what was fitted. */
const WITHIN = 2.5;
const SAMPLES = 4000;
/** Of these numbers of a place the light is taken to be a sum: a plane and its bend. */
const TERMS = 6;
const LEAST_NOISE = 0.8;

const termsAt = (u: number, v: number): number[] => [1, u, v, u * u, u * v, v * v];

/** Takes the light off a photo: fits the cloth's colour as a smooth surface to what looks like cloth, from the frame inward. */
export function onCloth(lab: Field): ClothLook {
  const { width, height, channels } = lab;
  const every = Math.max(1, Math.floor(Math.sqrt((width * height) / SAMPLES)));
  const places: { at: number; terms: number[]; frame: boolean }[] = [];
  const rim = FRAME * Math.min(width, height);
  for (let y = 0; y < height; y += every) {
    for (let x = 0; x < width; x += every) {
      const frame = x < rim || y < rim || x > width - rim || y > height - rim;
      places.push({ at: (y * width + x) * channels, terms: termsAt((2 * x) / width - 1, (2 * y) / height - 1), frame });
    }
  }
  let cloth = places.filter((p) => p.frame);
  let surfaces: number[][] = [];
  let noise = Infinity;
  const missAt = (p: (typeof places)[number]): number => {
    let sum = 0;
    for (let c = 0; c < channels; c++) sum += (lab.data[p.at + c]! - p.terms.reduce((s, t, k) => s + t * surfaces[c]![k]!, 0)) ** 2;
    return Math.sqrt(sum);
  };
  for (let round = 0; round < ROUNDS; round++) {
    const left = new Matrix(cloth.map((p) => p.terms));
    surfaces = Array.from({ length: channels }, (_, c) =>
      solve(left, Matrix.columnVector(cloth.map((p) => lab.data[p.at + c]!)), true).to1DArray(),
    );
    const misses = cloth.map(missAt).sort((a, b) => a - b);
    noise = Math.max(LEAST_NOISE, 1.2 * misses[misses.length >> 1]!);
    const next = places.filter((p) => missAt(p) < WITHIN * noise);
    if (next.length < 4 * TERMS) break;
    cloth = next;
  }
  return { off: differences(lab, surfaces), noise };
}

function differences(lab: Field, surfaces: readonly number[][]): Field {
  const { width, height, channels } = lab;
  const off = fieldOf(width, height, channels);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const terms = termsAt((2 * x) / width - 1, (2 * y) / height - 1);
      const at = (y * width + x) * channels;
      for (let c = 0; c < channels; c++) {
        let cloth = 0;
        for (let k = 0; k < TERMS; k++) cloth += terms[k]! * surfaces[c]![k]!;
        off.data[at + c] = lab.data[at + c]! - cloth;
      }
    }
  }
  return off;
}
