import type { Point } from '@/core/geometry/point';

/** Labels are looked for on rings this far apart about what they name, in labels' widths. */
const RING = 0.75;
const PER_RING = 8;

/**
 * Where labels stand so that none covers another: each at what it names, or as near to it as there is room.
 * @param anchors what they name, the most important first
 * @param size of a label, in the units of the anchors
 * @param avoid places that are to be reached by hand and that no label may cover
 */
export function labelPlaces(anchors: readonly Point[], size: number, avoid: readonly Point[] = []): Point[] {
  const taken = new Map<string, Point[]>();
  const cellOf = (v: number): number => Math.floor(v / size);
  const isFree = ({ x, y }: Point): boolean => {
    for (let i = -1; i <= 1; i++) {
      for (let j = -1; j <= 1; j++) {
        const near = taken.get(`${cellOf(x) + i} ${cellOf(y) + j}`) ?? [];
        if (near.some((p) => Math.hypot(p.x - x, p.y - y) < size)) return false;
      }
    }
    return true;
  };
  const take = (place: Point): void => {
    const key = `${cellOf(place.x)} ${cellOf(place.y)}`;
    taken.set(key, [...(taken.get(key) ?? []), place]);
  };
  avoid.forEach(take);
  return anchors.map((anchor) => {
    const place = firstFree(anchor, size, isFree);
    take(place);
    return place;
  });
}

/** Rings about an anchor from the inside out: there is room on one of them at last. */
function firstFree(anchor: Point, size: number, isFree: (p: Point) => boolean): Point {
  if (isFree(anchor)) return anchor;
  for (let ring = 1; ; ring++) {
    const count = PER_RING * ring;
    for (let k = 0; k < count; k++) {
      const angle = (2 * Math.PI * (k + 0.5)) / count;
      const p = { x: anchor.x + ring * RING * size * Math.cos(angle), y: anchor.y - ring * RING * size * Math.sin(angle) };
      if (isFree(p)) return p;
    }
  }
}
