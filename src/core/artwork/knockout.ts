import {
  areaOf,
  components,
  cropped,
  cutLines,
  intersect,
  opened,
  roughOffset,
  simplify,
  strokeArea,
  subtract,
  unite,
} from '../geometry/area';
import { once } from '../geometry/known';
import { boundsOf, type Area } from '../geometry/point';
import { WIDEST_SATIN_MM } from '../units/craft';
import { OPENING_MM, OVERLAP_MM } from '../units/tolerances';
import { HIDDEN_DETAIL_MM } from './laterCover';
import { goneRound, type PlacedItem } from './place';
import type { Hiding } from './tucks';

/** What remains to be sewn of an item when those painted over it are taken into account. */
export interface Carved {
  /** What is to be sewn of it; empty when it is wholly hidden. */
  area: Area;
  /** What it may run on under. */
  hiding?: Hiding;
  /** What was taken out; empty when it stays as drawn. */
  removed: Area;
}

/** The smallest opening worth leaving is a disc as wide as the limit, mm². */
const LEAST_OPENING_MM2 = 12.5;
/** Where hidden parts reach no deeper than this they stay as drawn, mm: areas end in the middle of the outlines of common borders. */
const AS_DRAWN_MM = 2.4;
const CRUMB_MM2 = 0.3;
/** What lies on an area all round is sewn on it up to this width: an opening there is one more edge that may gape, mm. */
const GROUND_TO_MM = 8;
/** And up to this size, mm². */
const GROUND_TO_MM2 = 80;
/** Of the outline of what is hidden, so much has the area around it when it lies on the area rather than at its edge. */
const STANDS_ON = 0.75;
/** And so much when it would be a narrow notch. */
const NOTCH = 0.45;
const RIM_MM = 0.3;
/** Less of a part between two neighbours is a hairline of the calculation, mm². */
const LEAST_SEEN_MM2 = 0.05;

/**
 * Cuts an item away beneath opaque ones painted later. What lies on it all round is sewn on it unless it is over 8 mm; a narrow band across it
 * likewise. What is narrow enough for columns bears one more, not two.
 * @param cover what opaque items painted later cover near it
 * @param stacked where two of them or more lie on one another
 */
export function carveBeneath(item: PlacedItem, cover: Area, stacked: Area = []): Carved {
  const asDrawn = { area: item.area, removed: [] };
  if (cover.length === 0) return asDrawn;
  const rough = simplify(item.area, HIDDEN_DETAIL_MM);
  const visible = subtract(rough, cover).filter((ring) => areaOf([ring]) < 0 || areaOf([ring]) > LEAST_SEEN_MM2);
  if (visible.length === 0) return { area: [], removed: item.area };
  if (item.stroke) return { ...asDrawn, removed: hiddenStretches(item.stroke, rough, visible) };
  const removed = hiddenParts(rough, visible, stacked);
  const area = removed.length > 0 ? withoutHorns(seenParts(subtract(item.area, removed), visible), cover) : item.area;
  return { area, hiding: { drawn: item.area, visible, cover }, removed };
}

/** Where a line is hidden over its whole width for a stretch that is worth leaving out; its seen parts run on under what hides it. */
function hiddenStretches({ lines, widthMm }: NonNullable<PlacedItem['stroke']>, own: Area, visible: Area): Area {
  if (areaOf(own) - areaOf(visible) <= LEAST_OPENING_MM2) return [];
  const across = Math.min(OPENING_MM, WHOLE_WIDTH * widthMm);
  const hidden = opened(subtract(own, visible), across);
  if (hidden.length === 0) return [];
  const seen = cutLines(lines.map(goneRound), hidden);
  const lapped = strokeArea(seen, false, { widthMm: 2 * OVERLAP_MM, cap: 'round', join: 'round', miterLimit: 2 });
  return components(subtract(hidden, lapped))
    .filter((stretch) => areaOf(stretch) >= LEAST_STRETCH_MM * across)
    .flat();
}
/** A line is hidden where so much of its width is; what bends is never so to a hair. */
const WHOLE_WIDTH = 0.8;
/** Shorter stretches are sewn through, mm. */
const LEAST_STRETCH_MM = 4;

/** What is not sewn of an area because it is hidden. */
function hiddenParts(own: Area, visible: Area, stacked: Area): Area {
  if (areaOf(own) - areaOf(visible) < CRUMB_MM2) return [];
  const seen = once(() => components(visible));
  return unite(
    ...components(subtract(own, visible)).flatMap((hidden) => {
      const deep = deepIn(hidden, visible);
      const about = { own, seen: seen(), stacked };
      const left = areaOf(deep) < CRUMB_MM2 ? [] : leftOut(hidden, deep, about);
      return [left.length > 0 ? left : stackedLeftOut(hidden, about)];
    }),
  );
}

function deepIn(hidden: Area, visible: Area): Area {
  if (areaOf(hidden) < CRUMB_MM2) return [];
  return subtract(hidden, roughOffset(cropped(visible, boundsOf(hidden), AS_DRAWN_MM + RIM_MM), AS_DRAWN_MM));
}

/** How far the corners of a broad place reach beyond the discs that fit in it, mm. */
const CORNER_MM = 1;

interface About {
  own: Area;
  /** Parts of it that are seen. */
  seen: readonly Area[];
  /** Where two later ones or more lie on one another. */
  stacked: Area;
}

/** What of a hidden part is left out: its broad places and its narrow ones, a line across it say, each by itself. */
function leftOut(hidden: Area, deep: Area, about: About): Area {
  const broad = components(opened(hidden, OPENING_MM));
  const narrow = broad.length === 0 ? [hidden] : components(subtract(hidden, roughOffset(broad.flat(), CORNER_MM)));
  return unite(
    ...broad.map((part) => intersect(broadLeftOut(part, about), hidden)),
    ...narrow.filter((part) => areaOf(intersect(part, deep)) >= CRUMB_MM2 && !joinsOrNotches(part, about)),
  );
}

const rimOf = (part: Area): Area => subtract(roughOffset(part, RIM_MM), part);
const enclosedShare = (rim: Area, own: Area): number => areaOf(intersect(rim, own)) / Math.max(1e-6, areaOf(rim));

/** Neither half of a detail stands on thread when its other half cannot. */
function broadLeftOut(part: Area, { own, seen }: About): Area {
  if (enclosedShare(rimOf(part), own) < STANDS_ON) return roughOffset(part, CORNER_MM);
  const near = cropped(seen.flat(), boundsOf(part), OVERLAP_MM + RIM_MM);
  const wide = opened(subtract(part, roughOffset(near, OVERLAP_MM)), GROUND_TO_MM);
  return areaOf(wide) > GROUND_TO_MM2 ? wide : [];
}

/** What of a hidden part lies under a stack, for own columns: a fill weighs half of them and may bear two. */
function stackedLeftOut(part: Area, { own, seen, stacked }: About): Area {
  const borne = cropped(stacked, boundsOf(part), RIM_MM);
  if (areaOf(borne) < STACKED_MM2 || opened(own, WIDEST_SATIN_MM).length > 0) return [];
  const near = cropped(seen.flat(), boundsOf(part), OVERLAP_MM + RIM_MM);
  return components(opened(subtract(part, roughOffset(near, OVERLAP_MM)), STACK_MM))
    .filter((c) => areaOf(intersect(c, borne)) >= STACKED_MM2)
    .flat();
}
/** A stack of covers is thick from this size on, mm²; narrower than this it has no room for an opening, mm. */
const STACKED_MM2 = 3;
const STACK_MM = 2;

/** Whether a narrow hidden part is sewn through: it joins parts that are seen, or would be a notch in one. */
function joinsOrNotches(part: Area, { own, seen }: About): boolean {
  const rim = rimOf(part);
  if (enclosedShare(rim, unite(...seen)) >= NOTCH) return true;
  return seen.filter((other) => areaOf(intersect(other, rim)) > LEAST_SEEN_MM2).length > 1 && enclosedShare(rim, own) > 0;
}

/** Thinner parts beside a neighbour are what it leaves over by inaccuracy, not something to sew, mm. */
const HORN_MM = 0.5;
const LEAST_HORN_MM2 = 0.03;

/** Without the thin horns that a neighbour leaves between its own outline and the area's. */
function withoutHorns(carved: Area, cover: Area): Area {
  const area = intersect(carved, opened(carved, HAIR_MM, 2 * KEEP_MM));
  const thin = components(subtract(area, roughOffset(opened(area, HORN_MM), KEEP_MM))).filter((part) => areaOf(part) > LEAST_HORN_MM2);
  const beside = thin.filter((part) => areaOf(intersect(roughOffset(part, HAIR_MM), cover)) > HAIR_MM * HORN_MM);
  return beside.length === 0 ? area : subtract(area, beside.flat());
}

/** Parts that hang together by less than twice this are apart, mm. */
const HAIR_MM = 0.12;
/** Growing back what was drawn in loses no more than this, mm. */
const KEEP_MM = 0.02;

/** Only parts that are seen somewhere: in corners under a neighbour a disc leaves crumbs that nobody would ever see. */
function seenParts(area: Area, visible: Area): Area {
  const parts = components(roughOffset(area, -HAIR_MM));
  const kept = parts.filter((part) => areaOf(intersect(part, visible)) > LEAST_SEEN_MM2);
  if (kept.length === parts.length) return area;
  return unite(intersect(area, roughOffset(kept.flat(), HAIR_MM + KEEP_MM)), intersect(area, visible));
}
