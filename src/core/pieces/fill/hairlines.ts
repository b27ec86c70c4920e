import { areaOf, components, intersect, offset, perimeterOf, roughOffset } from '../../geometry/area';
import type { Area } from '../../geometry/point';

/** Half the width below which a strip is a hairline: no thread fits into it, and a way along it would show, mm. */
const HALF_HAIRLINE_MM = 0.15;
/** Hairlines that are shorter than about this are left alone, mm. */
const SHORT_MM = 1;

/**
 * An area without its hairlines, and its connected parts, largest first. Clipping leaves thin strips along edges; they
 * would tie far parts together by ways that nothing covers. An area that is nothing but hairlines stays as it is.
 */
export function withoutHairlines(area: Area, parts: readonly Area[]): { area: Area; parts: readonly Area[] } {
  const core = roughOffset(area, -HALF_HAIRLINE_MM);
  if (core.length === 0) return { area, parts };
  const expected = areaOf(area) - HALF_HAIRLINE_MM * perimeterOf(area);
  const apart = (core.length === 1 ? 1 : components(core).length) !== parts.length;
  if (!apart && areaOf(core) - expected < SHORT_MM * HALF_HAIRLINE_MM) return { area, parts };
  // Grown a little more than shrunk, so that corners and tips stay as drawn.
  const kept = intersect(offset(core, HALF_HAIRLINE_MM * 2), area);
  return kept.length === 0 ? { area, parts } : { area: kept, parts: components(kept) };
}
