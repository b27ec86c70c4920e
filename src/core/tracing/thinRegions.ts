import { clean } from '../geometry/area';
import { flattenSubpath } from '../geometry/path';
import { scale, type Area } from '../geometry/point';
import type { TracedArea } from './areas';
import type { FitOptions } from './fit/shapeOf';
import { THIN_MM, thinLinesOf, type ThinLine } from './lines';
import type { Colour } from './palette';
import { lumaOf } from './picture';
import type { Region } from './regions';

/** Which regions are lines, by their number. */
export function thinLines(
  areas: readonly TracedArea[],
  list: readonly Region[],
  pixelsPerMm: number,
  fit: FitOptions,
  colours: readonly Colour[],
): Map<number, ThinLine[]> {
  const out = new Map<number, ThinLine[]>();
  for (const { region, seen, measured, pixels } of areas) {
    const { pixels: own, border } = list[region]!;
    // Sides of pixels make a border about a quarter longer than it is.
    if ((2.5 * own) / border > 1.3 * THIN_MM * pixelsPerMm || pixels === 0 || isBetween(list[region]!, list, colours)) continue;
    const inMm = (rings: Area): Area =>
      clean(
        rings.map((ring) => ring.map((q) => scale(q, 1 / pixelsPerMm))),
        'evenodd',
      );
    const options = { tolerance: fit.tolerance / pixelsPerMm, noise: fit.noise / pixelsPerMm, pixelMm: 1 / pixelsPerMm };
    const drawn = thinLinesOf(inMm(seen.map((p) => flattenSubpath(p, 0.1))), options);
    // Of a line two pixels wide the shape may have lost an end that the border still tells.
    const found = drawn.length > 0 ? drawn : thinLinesOf(inMm(measured()), options);
    if (found.length > 0) out.set(region, found);
  }
  for (const region of out.keys()) if (besideLines(list[region]!, out) > BETWEEN_LINES * list[region]!.border) out.delete(region);
  return out;
}
/** Whether a region lies between two others and is neither darker nor lighter than both: lines are drawn to be seen. */
function isBetween(region: Region, list: readonly Region[], colours: readonly Colour[]): boolean {
  const [a, b] = [...region.neighbours].filter(([id, sides]) => id >= 0 && sides > SIDE * region.border).sort((p, q) => q[1] - p[1]);
  if (!a || !b) return false;
  const light = (label: number): number => lumaOf(colours[label]!.mix)[0] + 255 - colours[label]!.mix[3];
  const [own, one, other] = [light(region.label), light(list[a[0]]!.label), light(list[b[0]]!.label)];
  return own > Math.min(one, other) && own < Math.max(one, other);
}
/** A neighbour lies along a side of a region when so much of its border is shared with it. */
const SIDE = 0.25;

/** What lies between lines for more than this share of its border is what they enclose. */
const BETWEEN_LINES = 0.4;

const besideLines = ({ neighbours }: Region, lines: ReadonlyMap<number, readonly ThinLine[]>): number =>
  [...neighbours].reduce((sum, [id, sides]) => sum + (lines.has(id) ? sides : 0), 0);
