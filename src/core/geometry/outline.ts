import { clean, components, ringArea, straightened } from './area';
import { medialAxis, type MedialAxis } from './medial';
import { dataToRings } from './path';
import { TooComplex } from './crossings';
import type { Area } from './point';

/** An outline read from path data, with what is dear to work out about it. */
export interface Outline {
  area: Area;
  /** Connected parts, largest first. */
  parts: readonly Area[];
  /** Medial axis of a part, worked out when first wanted. */
  axisOf(part: number): MedialAxis;
}

/**
 * Outlines by their data. A shape is wanted when a drawing is divided, when its pieces are proposed, and when they are
 * sewn; the oldest go first, so memory stays bounded.
 */
const known = new Map<string, Outline>();
const MOST = 600;
/** Crumbs that rounding leaves where outlines touch themselves, mm²: far below a stitch. */
const CRUMB_MM2 = 0.01;

/** More nodes than this in one outline are detail finer than thread, and clipping takes the square of some of them. */
const MOST_NODES = 8000;
const THINNING_MM = 0.05;

function followable(rings: Area): Area {
  const count = (a: Area): number => a.reduce((n, ring) => n + ring.length, 0);
  if (count(rings) <= MOST_NODES) return rings;
  const thinned = straightened(rings, THINNING_MM);
  if (count(thinned) > MOST_NODES) throw new TooComplex('it has more detail than thread can follow; simplify it');
  return thinned;
}

/** @param data closed path data in mm, even-odd. @throws TooComplex */
export function outlineOf(data: string): Outline {
  const found = known.get(data);
  if (found) return found;
  const rings = followable(dataToRings(data));
  const area = clean(rings, 'evenodd').filter((ring) => Math.abs(ringArea(ring)) > CRUMB_MM2);
  const parts = components(area);
  const axes: MedialAxis[] = [];
  const made = { area, parts, axisOf: (part: number): MedialAxis => (axes[part] ??= medialAxis(parts[part]!)) };
  if (known.size >= MOST) known.delete(known.keys().next().value!);
  known.set(data, made);
  return made;
}
