import { hypot } from '../units/trig';
import { backgroundOf } from './background';
import type { Labelled } from './labels';
import type { AskedOfPage } from './options';
import { perceived } from './palette';
import type { Parted, Region, Regions } from './regions';

/** A spot is at least so large, pixels, and fills so much of the square about it. */
const LEAST_PX = 6;
const COMPACT = 0.5;
/** It stands out from what lies around it by so much in OKLab, and one other region has so much of its border. */
const CONTRAST = 0.3;
const LONE = 0.95;

/** Small spots that matter, as eyes and highlights do: compact, of strong contrast, in the midst of one other region. On the background they are dust. */
export function spotsAmong({ labelled, regions }: Parted, specks: ReadonlySet<number>, asked: AskedOfPage): number[] {
  const { colours } = labelled;
  const { list } = regions;
  const background = backgroundOf(labelled, regions, { ...asked, keepBackground: false });
  const isSpot = (r: Region): boolean => {
    const [around, sides] = [...r.neighbours].sort((a, b) => b[1] - a[1])[0] ?? [-1, 0];
    if (around < 0 || background.has(around) || r.pixels < LEAST_PX || sides < LONE * r.border) return false;
    // Of a square the border is four times the root of its pixels.
    if (r.pixels / (r.border / 4) ** 2 < COMPACT) return false;
    const [a, b] = [perceived(colours[r.label]!.mix), perceived(colours[list[around]!.label]!.mix)];
    return hypot(hypot(a[0] - b[0], a[1] - b[1]), a[2] - b[2]) >= CONTRAST;
  };
  return [...specks].filter((id) => isSpot(list[id]!));
}

/** The picture with each spot grown, ring by ring, to so many pixels. */
export function withGrownSpots(labelled: Labelled, { ids, list }: Regions, spots: readonly number[], toPx: number): Labelled {
  const { width, height } = labelled;
  const labels = labelled.labels.slice();
  const pixels = new Map<number, Set<number>>(spots.map((id) => [id, new Set()]));
  for (let i = 0; i < ids.length; i++) pixels.get(ids[i]!)?.add(i);
  for (const [id, own] of pixels) {
    // Sides and corners by turns keep it round.
    for (let round = 0; own.size < toPx && round < MOST_ROUNDS; round++) {
      for (const i of [...own]) {
        const [x, y] = [i % width, Math.floor(i / width)];
        for (const [dx, dy] of round % 2 === 0 ? SIDES : [...SIDES, ...CORNERS]) {
          const [u, v] = [x + dx, y + dy];
          if (u >= 0 && v >= 0 && u < width && v < height) own.add(v * width + u);
        }
      }
    }
    for (const i of own) labels[i] = list[id]!.label;
  }
  return { ...labelled, labels };
}

const MOST_ROUNDS = 40;
const SIDES = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;
const CORNERS = [
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const;
