import type { DroppedSpeck } from '../document/types';
import type { AskedOfPage } from './options';
import { perceived, perceivedApart } from './palette';
import { hexOf, type Mix } from './picture';
import { absorbed, isFringe, regionsOf, type Parted, type Region } from './regions';
import { spotsAmong, withGrownSpots } from './spots';

function without(parted: Parted, gone: ReadonlySet<number>): Parted {
  if (gone.size === 0 || gone.size === parted.regions.list.length) return parted;
  const labelled = absorbed(parted.labelled, parted.regions, (id) => gone.has(id));
  return { labelled, regions: regionsOf(labelled) };
}

const regionsWhere = ({ regions: { list } }: Parted, goes: (r: Region, id: number) => boolean): Set<number> =>
  new Set(list.flatMap((r, id) => (goes(r, id) ? [id] : [])));

export function withoutFringes(parted: Parted): Parted {
  const colourOf = (label: number): Mix => parted.labelled.colours[label]!.mix;
  return without(
    parted,
    regionsWhere(parted, (r) => isFringe(r, parted.regions.list, colourOf)),
  );
}

/** Without colours that no area has and of which there is too little for a line: they are mixtures where several colours meet. */
export function withoutStrayColours(parted: Parted, flatColours: number, pxPerMm: number): Parted {
  const pixels = new Map<number, number>();
  for (const r of parted.regions.list) pixels.set(r.label, (pixels.get(r.label) ?? 0) + r.pixels);
  const leastPx = STROKE_MM2 * pxPerMm ** 2;
  return without(
    parted,
    regionsWhere(parted, ({ label }) => label >= flatColours && pixels.get(label)! < leastPx),
  );
}
/** A line worth a colour of its own paints so much, mm². */
const STROKE_MM2 = 2.5;

/** Without small regions of colours near to those around them: each would be a jump, and is hardly seen. */
export function withFewerJumps(parted: Parted, pxPerMm: number): Parted {
  return without(parted, smallNear(parted, pxPerMm));
}

/** Small regions of colours near to those around them. */
export function smallNear(parted: Parted, pxPerMm: number): Set<number> {
  const { list } = parted.regions;
  const seen = parted.labelled.colours.map((c) => perceived(c.mix));
  const isHardlySeen = (r: Region): boolean => {
    if (r.pixels >= JUMP_MM2 * pxPerMm ** 2) return false;
    const [around] = [...r.neighbours].filter(([id]) => id >= 0).sort((a, b) => b[1] - a[1])[0] ?? [-1];
    return around >= 0 && perceivedApart(seen[r.label]!, seen[list[around]!.label]!) < HARDLY_SEEN;
  };
  return regionsWhere(parted, isHardlySeen);
}
const JUMP_MM2 = 8;
const HARDLY_SEEN = 0.2;

/** Specks below this are dropped, mm²: about two threads square. */
const SPECK_MM2 = 0.5;
const LEAST_SPECK_PX = 4;
/** A picture with more spots is speckled. */
const MOST_SPOTS = 60;
const MOST_REGIONS = 1500;
/** So many dropped specks are listed. */
const MOST_LISTED = 60;

export interface Cleaned extends Parted {
  droppedSpecks: number;
  /** The largest of them. */
  specks: DroppedSpeck[];
  keptSpots: number;
}

/** Without what is too small to sew; spots that matter, and those that were asked for, are kept and grown. */
export function withoutSpecks(parted: Parted, pxPerMm: number, asked: AskedOfPage): Cleaned {
  const { list } = parted.regions;
  const leastPx = Math.max(LEAST_SPECK_PX, SPECK_MM2 * pxPerMm ** 2);
  let limit = leastPx;
  // Of a picture of mere noise only so much is kept as anybody could sew.
  while (list.filter((r) => r.pixels >= limit).length > MOST_REGIONS) limit *= 2;
  const specks = regionsWhere(parted, (r) => r.pixels < limit);
  if (specks.size === list.length && list.length > 1) specks.delete(largest(list));
  const byHand = asked.kept.flatMap((i) => speckNear(parted, specks, i, POINTED_MM * pxPerMm) ?? []);
  const byRule = limit === leastPx ? spotsAmong(parted, specks, asked).slice(0, MOST_SPOTS) : [];
  const spots = [...new Set([...byHand, ...byRule])];
  for (const id of spots) specks.delete(id);
  const grown =
    spots.length > 0 ? { labelled: withGrownSpots(parted.labelled, parted.regions, spots, leastPx), regions: parted.regions } : parted;
  const kept = without(grown, specks);
  const fresh = kept === grown && spots.length > 0 ? { ...grown, regions: regionsOf(grown.labelled) } : kept;
  const gone = kept === grown ? [] : [...specks];
  return { ...fresh, droppedSpecks: gone.length, specks: listed(parted, gone, pxPerMm), keptSpots: spots.length };
}

/** A hand points at a speck from so far, mm. */
const POINTED_MM = 0.8;

/** The speck at a pixel, or else the nearest one. */
function speckNear(
  { labelled: { width, height }, regions: { ids } }: Parted,
  specks: ReadonlySet<number>,
  at: number,
  reachPx: number,
): number | null {
  const [x, y, reach] = [at % width, Math.floor(at / width), Math.ceil(reachPx)];
  let best: { id: number; away: number } | null = null;
  for (let v = Math.max(0, y - reach); v <= Math.min(height - 1, y + reach); v++) {
    for (let u = Math.max(0, x - reach); u <= Math.min(width - 1, x + reach); u++) {
      const id = ids[v * width + u]!;
      const away = (u - x) ** 2 + (v - y) ** 2;
      if (specks.has(id) && away <= reach * reach && (!best || away < best.away)) best = { id, away };
    }
  }
  return best?.id ?? null;
}

const largest = (list: readonly Region[]): number => list.reduce((best, r, id) => (r.pixels > list[best]!.pixels ? id : best), 0);

function listed(
  { labelled: { width, height, colours }, regions: { list } }: Parted,
  gone: readonly number[],
  pxPerMm: number,
): DroppedSpeck[] {
  return gone
    .map((id) => list[id]!)
    .sort((a, b) => b.pixels - a.pixels)
    .slice(0, MOST_LISTED)
    .map(({ first, pixels, label }) => ({
      at: [((first % width) + 0.5) / width, (Math.floor(first / width) + 0.5) / height],
      mm2: Math.round((pixels / pxPerMm ** 2) * 1000) / 1000,
      hex: hexOf(colours[label]!.mix),
    }));
}
