import type { Laying } from '../../document/sewoutTypes';
import type { Job } from '../../document/types';
import type { PlanColumns } from '../../stitches/buffer';
import type { Picture } from '../../tracing/picture';
import { PI, cos, sin, hypot } from '../../units/trig';
import { aligned, agreement, type Aligned, type Freedom, type OnHoop } from './align';
import type { Camera, PhotoShape } from './camera';
import { calmed, labOf, reduced, type Field } from './field';
import { onCloth } from './onCloth';
import { localErrorMm } from './localError';
import { asThread, templateOf } from './template';

export interface FindOptions {
  progress?: (done: number) => void;
  /** Where a hand laid it: only made better from there. */
  from?: Camera;
}

/** A photo is looked at with so many pixels across at most: finer than that cloth's own texture is all that is to be seen. */
const MOST_PX = 1100;
/** Places per mm from coarse to fine, with what is free at each and how long is sought. */
const LEVELS: readonly { perMm: number; free: Freedom; rounds: number }[] = [
  { perMm: 1, free: 6, rounds: 8 },
  { perMm: 1, free: 8, rounds: 14 },
  { perMm: 2, free: 9, rounds: 10 },
];
const GIVES = { perMm: 2, free: 9, rounds: 4 } as const;
const FINE = { perMm: 4, free: 9, rounds: 5 } as const;
const TURNS = 24;
const SIZES = [0.92, 1, 1.09];
/** So many first guesses are followed. */
const FOLLOWED = 2;
/** A photo that agrees less with the plan's picture shows something else. */
const LEAST_AGREEMENT = 0.45;
/** Blur of a level, as a share of its places' distance. */
const CALM = 0.8;

/** A photo ready to be laid over plans. */
export interface PreparedPhoto {
  shape: PhotoShape;
  off: Field;
  noise: number;
}

/** Takes light and shade off a photo, at the size that it is looked at. */
export function preparedPhoto(photo: Picture): PreparedPhoto {
  const lab = reduced(labOf(photo), Math.max(1, Math.ceil(photo.width / MOST_PX)));
  const { off, noise } = onCloth(lab);
  return { shape: { tall: photo.height / photo.width }, off, noise };
}

/** A plan as it is made, and as the forecast expects it to lie when it is sewn. */
export interface Expected {
  plan: PlanColumns;
  foreseen: PlanColumns;
}

/** Finds how a photo lies over the plan that it shows, by itself; null where it does not show it. */
export function layingOf(photo: PreparedPhoto, job: Job, plan: Expected, options: FindOptions = {}): Laying | null {
  const inColour = layingBy(photo, job, plan, (f) => f, options);
  if (inColour && inColour.correlation > 0.7) return laid(photo, job, plan, inColour);
  // Sewn with another thread than the plan has: where thread lies tells as much.
  const asThreads = layingBy(photo, job, plan, (f, noise) => asThread(f, noise), options);
  const best = asThreads && (!inColour || asThreads.correlation > inColour.correlation) ? asThreads : inColour;
  return best && best.correlation >= LEAST_AGREEMENT ? laid(photo, job, plan, best) : null;
}

function laid(photo: PreparedPhoto, job: Job, plan: Expected, { camera, times }: Found): Laying {
  const template = templateOf(job, movedBy(plan, times), FINE.perMm);
  const errorMm = localErrorMm({ ...template, field: template.off }, photo.off, camera, photo.shape);
  return { ...camera, ...(errorMm === null ? {} : { errorMm }), by: 'found' };
}

/** Cloth may give less or more than the forecast says: so many times as much is tried. */
const TIMES = [0.6, 1, 1.4, 1.8, 2.3];

interface Found extends Aligned {
  times: number;
}

/** A plan moved by so many times what the forecast says. */
function movedBy({ plan, foreseen }: Expected, times: number): PlanColumns {
  const along = (a: Float32Array<ArrayBuffer>, b: Float32Array<ArrayBuffer>): Float32Array<ArrayBuffer> =>
    a.map((v, i) => v + times * (b[i]! - v));
  return { ...plan, x: along(plan.x, foreseen.x), y: along(plan.y, foreseen.y) };
}

function layingBy(
  photo: PreparedPhoto,
  job: Job,
  plan: Expected,
  as: (field: Field, noise: number) => Field,
  options: FindOptions,
): Found | null {
  const { shape } = photo;
  const progress = options.progress ?? ((): void => undefined);
  const seen = as(photo.off, photo.noise);
  const templateAt = (perMm: number, times = 1): OnHoop => {
    const made = templateOf(job, movedBy(plan, times), perMm);
    return { field: calmed(as(made.off, 3), CALM), perMm, left: made.left, top: made.top };
  };
  const coarse = templateAt(1);
  const photoAt = photosOf(seen);
  const starts = options.from ? [options.from] : firstGuesses(coarse, seen, shape);
  progress(0.2);
  let left = starts.map((camera): Aligned => ({ camera, correlation: 0 }));
  LEVELS.forEach(({ perMm, free, rounds }, k) => {
    const template = perMm === 1 ? coarse : templateAt(perMm);
    left = left
      .map(({ camera }) => aligned(template, photoAt(camera, perMm), camera, shape, free, rounds))
      .sort((a, b) => b.correlation - a.correlation)
      .slice(0, k < 1 ? FOLLOWED : 1);
    progress(0.2 + (0.8 * (k + 1)) / LEVELS.length);
  });
  const [best] = left;
  if (!best) return null;
  const { camera, times } = asGiven(best, (t) => templateAt(GIVES.perMm, t), photoAt(best.camera, GIVES.perMm), shape);
  return { ...aligned(templateAt(FINE.perMm, times), photoAt(camera, FINE.perMm), camera, shape, FINE.free, FINE.rounds), times };
}

/** The camera again for cloth that gave more or less: what it draws in would else be taken for a camera farther off. */
function asGiven(start: Aligned, templateAt: (times: number) => OnHoop, photo: Field, shape: PhotoShape): Found {
  const tried = TIMES.map((times): Found => ({
    ...aligned(templateAt(times), photo, start.camera, shape, GIVES.free, GIVES.rounds),
    times,
  }));
  return tried.reduce((a, b) => (b.correlation > a.correlation ? b : a));
}

/** The photo as fine as a template: calmed to the distance of its places, each worked out once. */
function photosOf(seen: Field): (camera: Camera, perMm: number) => Field {
  const known = new Map<string, Field>();
  return ({ matrix }, perMm) => {
    const pxPerMm = hypot(matrix[0]!, matrix[3]!) * seen.width;
    const by = Math.max(1, Math.floor(pxPerMm / (2 * perMm)));
    const calm = Math.round((4 * CALM * pxPerMm) / (by * perMm)) / 4;
    const key = `${by} ${calm}`;
    const made = known.get(key) ?? calmed(reduced(seen, by), calm);
    known.set(key, made);
    return made;
  };
}

/** Places, sizes and turns that put the photo's thread over the plan's, the best agreeing ones. */
function firstGuesses(template: OnHoop, seen: Field, shape: PhotoShape): Camera[] {
  const want = massOf(asMass(template.field), template);
  const small = reduced(seen, Math.max(1, Math.floor(seen.width / 220)));
  const got = massOf(asMass(small), { perMm: small.width, left: 0, top: 0 });
  if (!want || !got) return [];
  const size = Math.sqrt(got.spread / want.spread);
  const calm = calmed(small, Math.max(1, size * small.width * CALM));
  const guesses: Aligned[] = [];
  for (let t = 0; t < TURNS; t++) {
    for (const by of SIZES) {
      const [c, s] = [cos((2 * PI * t) / TURNS) * size * by, sin((2 * PI * t) / TURNS) * size * by];
      const matrix = [c, -s, got.x - c * want.x + s * want.y, s, c, got.y - s * want.x - c * want.y, 0, 0, 1];
      const camera = { matrix, bend: 0 };
      guesses.push({ camera, correlation: agreement(template, calm, camera, shape) });
    }
  }
  return guesses
    .sort((a, b) => b.correlation - a.correlation)
    .slice(0, FOLLOWED + 1)
    .map((g) => g.camera);
}

/** Differences from the cloth as one number of each place. */
function asMass(field: Field): Field {
  const { width, height, channels, data } = field;
  const out = { width, height, channels: 1, data: new Float32Array(width * height) };
  for (let i = 0; i < out.data.length; i++) {
    let sum = 0;
    for (let c = 0; c < channels; c++) sum += data[i * channels + c]! ** 2;
    out.data[i] = Math.sqrt(sum);
  }
  return out;
}

/** Centre and mean square distance from it of what lies clearly above the rest. */
function massOf(
  { width, data }: Field,
  { perMm, left, top }: Pick<OnHoop, 'perMm' | 'left' | 'top'>,
): { x: number; y: number; spread: number } | null {
  const most = Float32Array.from(data).sort()[Math.floor(data.length * 0.99)] ?? 0;
  const from = 0.25 * most;
  let [n, x, y] = [0, 0, 0];
  const each = (call: (px: number, py: number) => void): void => {
    for (let i = 0; i < data.length; i++)
      if (data[i]! > from) call(left + ((i % width) + 0.5) / perMm, top + (Math.floor(i / width) + 0.5) / perMm);
  };
  each((px, py) => {
    n++;
    x += px;
    y += py;
  });
  if (n < 20) return null;
  [x, y] = [x / n, y / n];
  let spread = 0;
  each((px, py) => (spread += (px - x) ** 2 + (py - y) ** 2));
  return { x, y, spread: spread / n };
}
