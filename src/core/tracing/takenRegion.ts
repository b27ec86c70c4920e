import type { PicturePlace } from '../document/types';
import { formatPath, transformPath } from '../geometry/path';
import { areasOf } from './areas';
import type { Labelled } from './labels';
import { perceived, perceivedApart } from './palette';
import { hexOf, premultiplied, type Mix, type Picture } from './picture';
import { absorbed, regionsOf } from './regions';

export interface TakenOptions {
  /** Where it was pointed at, shares of the picture's sides. */
  at: PicturePlace;
  /** How far colours may differ from the one there, in OKLab. */
  tolerance: number;
  pixelsPerMm: number;
  /** Shapes may lie so far from its edges, mm. */
  toleranceMm?: number;
}

/** One region of a picture, in mm from its upper left corner. */
export interface TakenRegion {
  hex: string;
  data: string;
}

/** Holes and islands below this are noise, mm². */
const SPECK_MM2 = 0.3;
/** Edges are read from colours so far to either side of them, pixels. */
const ASIDE_PX = 3;
const LEAST_TOLERANCE_PX = 0.5;

/** The region of like colour that hangs together about a place; null where there is nothing, or too little to be drawn. */
export function takenRegion(source: Picture, { at, tolerance, pixelsPerMm, toleranceMm = 0.05 }: TakenOptions): TakenRegion | null {
  const picture = premultiplied(source);
  const { width, height, data } = picture;
  const [x, y] = [Math.floor(at[0] * width), Math.floor(at[1] * height)];
  if (x < 0 || y < 0 || x >= width || y >= height) return null;
  const mask = flooded(picture, y * width + x, tolerance);
  const calm = withoutSpecks({ width, height, labels: mask, ...AS_MASK, edges: picture }, SPECK_MM2 * pixelsPerMm ** 2);
  const [sums, n] = meanOf(data, calm.labels);
  if (n === 0) return null;
  const labelled = { ...calm, edges: coverage(picture, calm.labels) };
  const regions = regionsOf(labelled);
  const dropped = new Set(regions.list.flatMap((r, id) => (r.label === OUTSIDE ? [id] : [])));
  const tolerancePx = Math.max(LEAST_TOLERANCE_PX, toleranceMm * pixelsPerMm);
  const { areas } = areasOf(labelled, regions, dropped, { blur: 1.6, noise: 0.08, tolerance: tolerancePx, square: true });
  if (areas.length === 0) return null;
  const k = 1 / pixelsPerMm;
  const paths = areas.flatMap((a) => a.paths);
  return { hex: hexOf(sums.map((v) => v / n) as unknown as Mix), data: formatPath(transformPath(paths, [k, 0, 0, k, 0, 0])) };
}

const OUTSIDE = 0;
const INSIDE = 1;
const MIXES: Mix[] = [
  [0, 0, 0, 255],
  [255, 255, 255, 255],
];
const AS_MASK = { mixes: MIXES, colours: MIXES.map((mix) => ({ mix, pixels: 1 })) };

/** Pixels of a colour near that of one, and hanging together with it: 1 for these, else 0. */
function flooded({ width, height, data }: Picture, from: number, tolerance: number): Uint8Array {
  const mask = new Uint8Array(width * height);
  const mixAt = (i: number): Mix => [data[i * 4]!, data[i * 4 + 1]!, data[i * 4 + 2]!, data[i * 4 + 3]!];
  const wanted = perceived(mixAt(from));
  const known = new Map<number, boolean>();
  const isLike = (i: number): boolean => {
    // Of each channel the six highest bits: a finer difference is not seen.
    const key = ((data[i * 4]! >> 2) << 18) | ((data[i * 4 + 1]! >> 2) << 12) | ((data[i * 4 + 2]! >> 2) << 6) | (data[i * 4 + 3]! >> 2);
    let like = known.get(key);
    if (like === undefined) known.set(key, (like = perceivedApart(perceived(mixAt(i)), wanted) <= tolerance));
    return like;
  };
  const open = [from];
  mask[from] = 1;
  while (open.length > 0) {
    const i = open.pop()!;
    const x = i % width;
    for (const j of [x > 0 ? i - 1 : -1, x + 1 < width ? i + 1 : -1, i - width, i + width]) {
      if (j < 0 || j >= mask.length || mask[j] || !isLike(j)) continue;
      mask[j] = 1;
      open.push(j);
    }
  }
  return mask;
}

function withoutSpecks(labelled: Labelled, leastPx: number): Labelled {
  const regions = regionsOf(labelled);
  return absorbed(labelled, regions, (id) => regions.list[id]!.pixels < leastPx && regions.list.length > 1);
}

function meanOf(data: Picture['data'], mask: Uint8Array): [number[], number] {
  const sums = [0, 0, 0, 0];
  let n = 0;
  for (let i = 0; i < mask.length; i++) {
    if (mask[i] !== INSIDE) continue;
    for (let k = 0; k < 4; k++) sums[k]! += data[i * 4 + k]!;
    n++;
  }
  return [sums, n];
}

/** How much of each pixel is covered, 0 to 255: at its edges by the colours that lie to either side of them. */
function coverage({ width, height, data }: Picture, mask: Uint8Array): Picture {
  const out = new Uint8Array(data.length);
  const put = (i: number, v: number): void => {
    out.fill(v, i * 4, i * 4 + 3);
    out[i * 4 + 3] = 255;
  };
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const own = mask[i]!;
      const sides = mixesAbout(x, y);
      put(i, sides ? 255 * covered(i, sides) : own * 255);
    }
  }
  return { width, height, data: out };

  /** The colours inside and outside about a pixel near an edge, each from where it is purest: farthest from the other. */
  function mixesAbout(x: number, y: number): [Mix, Mix] | null {
    const own = mask[y * width + x]!;
    let near = false;
    for (const [dx, dy] of NEAR) {
      const [u, v] = [x + dx, y + dy];
      if (u >= 0 && v >= 0 && u < width && v < height && mask[v * width + u] !== own) near = true;
    }
    if (!near) return null;
    const sums = [
      [0, 0, 0, 0, 0],
      [0, 0, 0, 0, 0],
    ];
    for (const [dx, dy] of AROUND) {
      const [u, v] = [x + dx, y + dy];
      if (u < 0 || v < 0 || u >= width || v >= height) continue;
      const sum = sums[mask[v * width + u]!]!;
      for (let k = 0; k < 4; k++) sum[k]! += data[(v * width + u) * 4 + k]!;
      sum[4]!++;
    }
    if (sums.some((s) => s[4] === 0)) return null;
    return sums.map((s) => s.slice(0, 4).map((v) => v / s[4]!) as unknown as Mix) as [Mix, Mix];
  }

  function covered(i: number, [outside, inside]: [Mix, Mix]): number {
    let [along, squared] = [0, 0];
    for (let k = 0; k < 4; k++) {
      const d = inside[k]! - outside[k]!;
      along += (data[i * 4 + k]! - outside[k]!) * d;
      squared += d * d;
    }
    const share = squared > 0 ? Math.min(1, Math.max(0, along / squared)) : 0.5;
    // A pixel stays on the side that it was found on.
    return mask[i] === INSIDE ? Math.max(0.5, share) : Math.min(0.49, share);
  }
}

const NEAR = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, 1],
  [-1, 1],
  [1, -1],
  [-1, -1],
] as const;
/** A ring about a pixel. */
const AROUND = [-ASIDE_PX, 0, ASIDE_PX].flatMap((dy) =>
  [-ASIDE_PX, 0, ASIDE_PX].flatMap((dx) => (dx === 0 && dy === 0 ? [] : [[dx, dy] as const])),
);
