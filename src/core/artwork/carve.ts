import { components, intersect, offset, roughOffset, subtract, unite } from '../geometry/area';
import { boundsOf, boundsTouch, type Area } from '../geometry/point';
import { OPENING_MM, OVERLAP_MM } from '../units/tolerances';
import type { PlacedItem } from './place';

/** What remains to be sewn of an item when those painted over it are taken into account. */
export interface Carved {
  /** What is to be sewn of it; empty when it is wholly hidden. */
  area: Area;
  /** What was taken out; empty when it stays as drawn. */
  removed: Area;
}

/** Areas narrower than this are not run on under their neighbours: it would change what they are, mm. */
const SOLID_MM = 2.5;

/** Only neighbours at least this broad hide what runs on under them, mm. */
const BROAD_MM = 1.6;

/**
 * Cuts an item away beneath opaque ones painted later, leaving 1.0 mm of overlap, and lets it run 1.0 mm under
 * neighbours that are sewn later, so that no slot opens between them. Openings narrower than 4 mm are sewn through.
 */
export function carveBeneath(item: PlacedItem, later: readonly PlacedItem[]): Carved {
  const box = boundsOf(item.area);
  const over = later.filter((o) => o.opaque && boundsTouch(boundsOf(o.area), box, OVERLAP_MM));
  if (over.length === 0) return { area: item.area, removed: [] };
  const cover = unite(...over.map((o) => o.area));
  const visible = subtract(item.area, cover);
  if (visible.length === 0) return { area: [], removed: item.area };
  const reach = roughOffset(visible, OVERLAP_MM);
  const hidden = subtract(item.area, reach);
  const core = hidden.length > 0 ? roughOffset(hidden, -OPENING_MM / 2) : [];
  const removed = core.length > 0 ? roughOffset(core, OPENING_MM / 2) : [];
  const area = removed.length > 0 ? subtract(item.area, removed) : item.area;
  if (item.stroke || roughOffset(visible, -SOLID_MM / 2).length === 0) return { area, removed };
  const broad = roughOffset(roughOffset(cover, -BROAD_MM / 2), BROAD_MM / 2);
  const tuck = subtract(intersect(reach, broad), item.area);
  if (tuck.length === 0) return { area, removed };
  return { area: closeSeams(unite(area, intersect(tuck, roughOffset(area, OVERLAP_MM)))), removed };
}

/** Heals hairline seams that clipping leaves where areas were put together. */
function closeSeams(area: Area): Area {
  return components(offset(offset(area, 0.02, 'miter'), -0.02, 'miter')).flat();
}
