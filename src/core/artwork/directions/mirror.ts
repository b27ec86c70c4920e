import { boundsOf, type Area } from '../../geometry/point';
import { areaOf } from '../../geometry/area';
import type { Picture } from './neighbourhood';

/** A region as far as its mirror image is concerned. */
export interface Mirrorable {
  hex: string;
  painted: Area;
}

/** Share of the silhouette that must be the same in the mirror for the drawing to be symmetric. */
const SYMMETRIC = 0.95;
const SIZE_OFF = 0.04;
const PLACE_OFF_MM = 0.5;

/**
 * For each region its mirror image across the drawing's upright middle (x = 0): another region, or itself where it is its own;
 * null where there is none, and everywhere when the drawing is not symmetric.
 */
export function mirrorImages(regions: readonly Mirrorable[], picture: Picture): (number | null)[] {
  if (!isSymmetric(picture)) return regions.map(() => null);
  const boxes = regions.map((r) => boundsOf(r.painted));
  const sizes = regions.map((r) => areaOf(r.painted));
  return regions.map(({ hex }, i) => {
    const a = boxes[i]!;
    const twin = regions.findIndex((other, j) => {
      const b = boxes[j]!;
      const off = Math.max(Math.abs(a.minX + b.maxX), Math.abs(a.maxX + b.minX), Math.abs(a.minY - b.minY), Math.abs(a.maxY - b.maxY));
      return other.hex === hex && off < PLACE_OFF_MM && Math.abs(sizes[i]! - sizes[j]!) < SIZE_OFF * Math.max(sizes[i]!, sizes[j]!);
    });
    return twin < 0 ? null : twin;
  });
}

/** Of the silhouette: what lies on it need not be symmetric for the ground to be sewn so. */
function isSymmetric({ left, columns, seen }: Picture): boolean {
  let [same, all] = [0, 0];
  for (let at = 0; at < seen.length; at++) {
    const c = (at % columns) + left;
    // Cell c reaches from c to c + 1, its image from -c - 1 to -c.
    const image = -c - 1 - left;
    const there = image >= 0 && image < columns && seen[at - (at % columns) + image]! >= 0;
    const here = seen[at]! >= 0;
    if (!here && !there) continue;
    all++;
    if (here && there) same++;
  }
  return all > 0 && same / all >= SYMMETRIC;
}
