import { areaOf, components, intersect, roughOffset, simplify, subtract, unite } from '../geometry/area';
import type { Area } from '../geometry/point';
import { OPENING_MM, OVERLAP_MM } from '../units/tolerances';
import { HIDDEN_DETAIL_MM } from './laterCover';
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
const BROAD_MM = 0.7;
/** Growing back what was drawn in loses no more than this, mm. */
const KEEP_MM = 0.02;
const LEAST_TUCK_MM2 = 0.3;
/** How far what runs on under a neighbour laps its own area, so that no hairline seam stays between them, mm. */
const LAP_MM = 0.08;
/** The smallest opening worth leaving is a disc as wide as the limit, mm². */
const LEAST_OPENING_MM2 = 12.5;

/**
 * Cuts an item away beneath opaque ones painted later, leaving 1.0 mm of overlap, and lets it run 1.0 mm under
 * neighbours that are sewn later, so that no slot opens between them. Openings narrower than 4 mm are sewn through.
 * @param cover what opaque items painted later cover near it
 */
export function carveBeneath(item: PlacedItem, cover: Area): Carved {
  if (cover.length === 0) return { area: item.area, removed: [] };
  const rough = simplify(item.area, HIDDEN_DETAIL_MM);
  const visible = subtract(rough, cover);
  if (visible.length === 0) return { area: [], removed: item.area };
  const covered = areaOf(rough) - areaOf(visible);
  const mayOpen = covered > LEAST_OPENING_MM2 && (item.stroke?.widthMm ?? Infinity) >= OPENING_MM;
  if (item.stroke && !mayOpen) return { area: item.area, removed: [] };
  if (!mayOpen) return { area: withTuck(item.area, visible, cover), removed: [] };
  const hidden = subtract(rough, roughOffset(visible, OVERLAP_MM));
  const core = hidden.length > 0 ? roughOffset(hidden, -OPENING_MM / 2) : [];
  const removed = core.length > 0 ? roughOffset(core, OPENING_MM / 2) : [];
  const area = removed.length > 0 ? seenParts(subtract(item.area, removed), visible) : item.area;
  return { area: item.stroke ? area : withTuck(area, visible, cover), removed };
}

/** Less of a part between two neighbours is a hairline of the calculation, mm². */
const LEAST_SEEN_MM2 = 0.05;
/** Parts that hang together by less than twice this are apart, mm. */
const HAIR_MM = 0.12;

/** Only parts that are seen somewhere: in corners under a neighbour a disc leaves crumbs that nobody would ever see. */
function seenParts(area: Area, visible: Area): Area {
  const parts = components(roughOffset(area, -HAIR_MM));
  const kept = parts.filter((part) => areaOf(intersect(part, visible)) > LEAST_SEEN_MM2);
  if (kept.length === parts.length) return area;
  return unite(intersect(area, roughOffset(kept.flat(), HAIR_MM + KEEP_MM)), intersect(area, visible));
}

/** The area with what runs on under its neighbours. */
function withTuck(area: Area, visible: Area, cover: Area): Area {
  const tuck = runUnder(visible, cover, area);
  return tuck.length === 0 ? area : unite(area, tuck);
}

/** Where the solid parts of an area should run on under its neighbours: only under ones broad enough to hide it. */
function runUnder(visible: Area, cover: Area, own: Area): Area {
  const heart = roughOffset(visible, -SOLID_MM / 2);
  if (heart.length === 0) return [];
  const reach = roughOffset(heart, SOLID_MM / 2 + OVERLAP_MM);
  const beside = subtract(intersect(reach, cover), own);
  if (areaOf(beside) < LEAST_TUCK_MM2) return [];
  const core = roughOffset(beside, -BROAD_MM / 2);
  return core.length === 0 ? [] : intersect(roughOffset(core, BROAD_MM / 2 + LAP_MM), reach);
}
