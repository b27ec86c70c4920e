import { areaOf, components, contains, intersect, perimeterOf, ringArea, subtract, turnedRight, unite } from '../../geometry/area';
import type { MedialAxis } from '../../geometry/medial';
import { add, distance, scale, sub, type Area } from '../../geometry/point';
import { OVERLAP_MM } from '../../units/tolerances';
import { cutAt, necksOf, type Neck } from './necks';

/** An area taken apart. */
export interface Divided {
  /** Narrow parts, lengthened into what they grow from. */
  limbs: Area[];
  bodies: Area[];
}

/** A limb is at least so many times as long as it is wide, and reaches out further than its neck is wide. */
const LONG = 2;
const REACHES = 1.1;
const LEAST_LIMB_MM2 = 1.5;
/** The cut is this thin, and reaches so far over the outline, mm. */
const CUT_MM = 0.002;
const OVER_MM = 0.05;
const CRUMB_MM2 = 0.01;
/** A part is recognized by a point so far from the cut, in widths of the cut. */
const PROBE = 0.02;

/**
 * Takes an area apart into columns and bodies: what is narrower than a column may be and longer than wide is a limb, what it
 * leaves is a body. Limbs end straight, a tuck's length beyond the cut.
 * @param accept whether a limb can be sewn by itself, as it is lengthened; others stay with their bodies
 * @returns null when it is all one
 */
export function divide(area: Area, axis: MedialAxis, limitMm: number, accept: (limb: Area) => boolean = () => true): Divided | null {
  let necks = necksOf(area, axis, limitMm);
  while (necks.length > 0) {
    const parts = cutApart(area, necks);
    const limbs = parts.filter((p) => p.limbOf.length > 0 && p.bodyOf.length === 0);
    const lengths = new Map(limbs.filter(isLimb).map((p) => [p, lengthened(p, area)]));
    const refused = limbs.filter((p) => !lengths.has(p) || !accept(lengths.get(p)!));
    if (refused.length === 0) {
      if (limbs.length === 0) return null;
      const bodies = parts.filter((p) => !limbs.includes(p)).map((p) => p.area);
      return { limbs: [...lengths.values()], bodies };
    }
    const dropped = new Set(refused.flatMap((p) => p.limbOf));
    necks = necks.filter((n) => !dropped.has(n));
  }
  return null;
}

interface Part {
  area: Area;
  /** Necks on whose far side the part lies, and on whose body's side. */
  limbOf: Neck[];
  bodyOf: Neck[];
}

function cutApart(area: Area, necks: readonly Neck[]): Part[] {
  const strips = unite(...necks.map((n) => [turnedRight(cutAt(n, CUT_MM, OVER_MM))]));
  const parts = components(subtract(area, strips)).map((part): Part => ({ area: part, limbOf: [], bodyOf: [] }));
  for (const n of necks) {
    const off = scale(n.inward, PROBE * n.widthMm + 2 * CUT_MM);
    parts.find((p) => contains(p.area, sub(n.at, off)))?.limbOf.push(n);
    parts.find((p) => contains(p.area, add(n.at, off)))?.bodyOf.push(n);
  }
  return parts;
}

function isLimb({ area, limbOf }: Part): boolean {
  const mm2 = areaOf(area);
  const half = perimeterOf(area) / 2;
  // Length of the bar of the same area and outline.
  const long = (half + Math.sqrt(Math.max(0, half * half - 4 * mm2))) / 2;
  const reach = Math.max(...limbOf.map((n) => reachFrom(n, area)));
  const width = Math.max(...limbOf.map((n) => n.widthMm));
  return mm2 >= LEAST_LIMB_MM2 && long * long >= LONG * mm2 && reach >= REACHES * width;
}

/** How far a limb reaches from its neck, mm. */
function reachFrom({ at }: Neck, area: Area): number {
  let far = 0;
  for (const ring of area) for (const p of ring) far = Math.max(far, distance(p, at));
  return far;
}

function lengthened({ area, limbOf }: Part, whole: Area): Area {
  const tucks = limbOf.map((n) => {
    const [a, b] = n.ends;
    const [out, back] = [scale(n.inward, OVERLAP_MM), scale(n.inward, -2 * CUT_MM)];
    return [turnedRight([add(a, back), add(b, back), add(b, out), add(a, out)])];
  });
  // Where cut and tuck meet, hairs stay open.
  return unite(area, intersect(unite(...tucks), whole)).filter((ring) => Math.abs(ringArea(ring)) > CRUMB_MM2);
}
