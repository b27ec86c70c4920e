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

/** A labelled picture with its regions. */
export interface Parted {
  labelled: Labelled;
  regions: Regions;
}

/** The regions of a labelled picture, numbered as they are met row by row. Two passes over the pixels (Rosenfeld and Pfaltz 1966). */
export function regionsOf({ width, height, labels }: Labelled): Regions {
  const ids = new Int32Array(width * height);
  const parent = provisional(ids, labels, width);
  const numbers = new Int32Array(parent.length).fill(-1);
  const list: Region[] = [];
  for (let i = 0; i < ids.length; i++) {
    const root = rootOf(parent, ids[i]!);
    let id = numbers[root]!;
    if (id < 0) {
      id = numbers[root] = list.length;
      list.push({ label: labels[i]!, pixels: 0, first: i, border: 0, neighbours: new Map() });
    }
    ids[i] = id;
    list[id]!.pixels++;
  }
  countBorders(ids, list, width, height);
  return { ids, list };
}

/** Gives each pixel the number of the pixel on its left or above it that has its colour, and tells which numbers are one. */
function provisional(ids: Int32Array, labels: Uint8Array, width: number): number[] {
  const parent: number[] = [];
  for (let i = 0; i < ids.length; i++) {
    const label = labels[i]!;
    const left = i % width > 0 && labels[i - 1] === label;
    const above = i >= width && labels[i - width] === label;
    if (left) {
      ids[i] = ids[i - 1]!;
      if (above && ids[i - width] !== ids[i]) {
        const [a, b] = [rootOf(parent, ids[i - width]!), rootOf(parent, ids[i]!)];
        if (a !== b) parent[Math.max(a, b)] = Math.min(a, b);
      }
    } else if (above) ids[i] = ids[i - width]!;
    else {
      ids[i] = parent.length;
      parent.push(parent.length);
    }
  }
  return parent;
}

function rootOf(parent: number[], i: number): number {
  let at = i;
  while (parent[at] !== at) {
    parent[at] = parent[parent[at]!]!;
    at = parent[at]!;
  }
  return at;
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
export function absorbed(labelled: Labelled, { ids, list }: Regions, goes: (id: number) => boolean): Labelled {
  const { width, height } = labelled;
  const labels = labelled.labels.slice();
  const open = new Uint8Array(labels.length);
  let ring: number[] = [];
  const going = Uint8Array.from(list, (_, id) => Number(goes(id)));
  for (let i = 0; i < labels.length; i++) open[i] = going[ids[i]!]!;
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
    const decided = ring.map((i) =>
      mostAmong(
        sides(i)
          .filter((j) => !open[j])
          .map((j) => labels[j]!),
      ),
    );
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
