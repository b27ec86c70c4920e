import type { Labelled } from './labels';
import { apart, type Mix } from './picture';

/** Pixels of one colour that hang together, side by side. */
export interface Region {
  label: number;
  pixels: number;
  /** First pixel of it. */
  first: number;
  /** Length of its border, in sides of pixels. */
  border: number;
  /** Sides shared with each other region, and with the rim of the picture (-1). */
  neighbours: Map<number, number>;
}

export interface Regions {
  /** Region of each pixel. */
  ids: Int32Array;
  list: Region[];
}

/** The regions of a labelled picture. */
export function regionsOf({ width, height, labels }: Labelled): Regions {
  const ids = new Int32Array(width * height).fill(-1);
  const list: Region[] = [];
  const queue = new Int32Array(width * height);
  for (let first = 0; first < labels.length; first++) {
    if (ids[first] !== -1) continue;
    const id = list.length;
    const label = labels[first]!;
    let [head, tail] = [0, 0];
    queue[tail++] = first;
    ids[first] = id;
    while (head < tail) {
      const i = queue[head++]!;
      const x = i % width;
      if (x > 0 && ids[i - 1] === -1 && labels[i - 1] === label) ids[(queue[tail++] = i - 1)] = id;
      if (x + 1 < width && ids[i + 1] === -1 && labels[i + 1] === label) ids[(queue[tail++] = i + 1)] = id;
      if (i >= width && ids[i - width] === -1 && labels[i - width] === label) ids[(queue[tail++] = i - width)] = id;
      if (i + width < labels.length && ids[i + width] === -1 && labels[i + width] === label) ids[(queue[tail++] = i + width)] = id;
    }
    list.push({ label, pixels: tail, first, border: 0, neighbours: new Map() });
  }
  countBorders(ids, list, width, height);
  return { ids, list };
}

function countBorders(ids: Int32Array, list: readonly Region[], width: number, height: number): void {
  const side = (a: number, b: number): void => {
    if (a === b) return;
    for (const [own, other] of [
      [a, b],
      [b, a],
    ] as const) {
      if (own < 0) continue;
      const r = list[own]!;
      r.border++;
      r.neighbours.set(other, (r.neighbours.get(other) ?? 0) + 1);
    }
  };
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      side(ids[i]!, x + 1 < width ? ids[i + 1]! : -1);
      side(ids[i]!, y + 1 < height ? ids[i + width]! : -1);
      if (x === 0) side(ids[i]!, -1);
      if (y === 0) side(ids[i]!, -1);
    }
  }
}

/** Strips thinner than this are looked at, pixels. */
const STRIP_PX = 2.6;
/** A strip whose colour lies so near to mixtures of what is on either side is its fringe. */
const BETWEEN = 26;

/** Whether a region is but the blurred edge between two others: thin, and of a colour between theirs. */
export function isFringe(region: Region, list: readonly Region[], colourOf: (label: number) => Mix): boolean {
  if ((2 * region.pixels) / region.border > STRIP_PX) return false;
  const sides = [...region.neighbours].filter(([id]) => id >= 0).sort((a, b) => b[1] - a[1]);
  if (sides.length < 2) return false;
  const [[a, na], [b, nb]] = [sides[0]!, sides[1]!];
  if (Math.min(na, nb) < 0.15 * region.border) return false;
  const [ca, cb, own] = [colourOf(list[a]!.label), colourOf(list[b]!.label), colourOf(region.label)];
  return offMixture(own, ca, cb) < BETWEEN;
}

/** How far a colour lies off the mixtures of two others; Infinity where it is not between them. */
function offMixture(own: Mix, a: Mix, b: Mix): number {
  let [along, squared] = [0, 0];
  for (let k = 0; k < 4; k++) {
    along += (own[k]! - a[k]!) * (b[k]! - a[k]!);
    squared += (b[k]! - a[k]!) ** 2;
  }
  const t = squared > 0 ? along / squared : -1;
  return t > 0.04 && t < 0.96 ? apart(own, a.map((v, k) => v + (b[k]! - v) * t) as unknown as Mix) : Infinity;
}

/** Gives the pixels of regions that are to go to what lies around them, each to the nearest, ring by ring. */
export function absorbed(labelled: Labelled, { ids }: Regions, goes: (id: number) => boolean): Labelled {
  const { width, height } = labelled;
  const labels = labelled.labels.slice();
  const open = new Uint8Array(labels.length);
  let ring: number[] = [];
  for (let i = 0; i < labels.length; i++) if (goes(ids[i]!)) open[i] = 1;
  const sides = (i: number): number[] => {
    const x = i % width;
    const out: number[] = [];
    if (x > 0) out.push(i - 1);
    if (x + 1 < width) out.push(i + 1);
    if (i >= width) out.push(i - width);
    if (i + width < width * height) out.push(i + width);
    return out;
  };
  for (let i = 0; i < labels.length; i++) if (open[i] && sides(i).some((j) => !open[j])) ring.push(i);
  while (ring.length > 0) {
    const decided = ring.map((i) => mostAmong(sides(i).filter((j) => !open[j]).map((j) => labels[j]!)));
    ring.forEach((i, k) => {
      labels[i] = decided[k]!;
      open[i] = 0;
    });
    ring = [...new Set(ring.flatMap((i) => sides(i).filter((j) => open[j])))];
  }
  return { ...labelled, labels };
}

function mostAmong(labels: readonly number[]): number {
  let best = labels[0]!;
  let most = 0;
  for (const l of labels) {
    const n = labels.filter((m) => m === l).length;
    if (n > most) [best, most] = [l, n];
  }
  return best;
}
