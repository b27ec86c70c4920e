import { areaOf, intersect, perimeterOf, roughOffset, unite } from '../geometry/area';
import { boundsOf, boundsTouch } from '../geometry/point';
import { withArea, type Region } from './artRegions';
import type { SewnRegion } from './limbs/ofRegions';
import { paintedBy } from './proposeKind';

/** Two fields of one colour are one when they share so much, mm², or meet along so much of the smaller one's outline. */
const SHARED_MM2 = 0.6;
const MEETING_SHARE = 0.1;
const AT_MM = 0.1;
/** What shares less is not moved out of its place by a merger, mm². */
const IN_THE_WAY_MM2 = 0.05;

/**
 * Makes one field of fields of one colour that lap or touch, wherever nothing that is sewn between them lies between them.
 * @param parts in painting order
 * @param propose what a region would be sewn as; a field that would not be one any more stays as it was
 */
export function mergedFields(parts: readonly SewnRegion[], propose: (region: Region) => SewnRegion['proposal']): SewnRegion[] {
  const out = parts.slice();
  for (let b = 1; b < out.length; b++) {
    for (let a = b - 1; a >= 0; a--) {
      const made = canMerge(out[a]!, out[b]!) ? merged(out[a]!.region, out[b]!.region) : null;
      if (!made) continue;
      const at = placeFor(out, a, b);
      const proposal = at === null ? null : propose(made);
      if (at === null || proposal!.kind !== 'fill') continue;
      out[at] = { region: made, proposal: proposal! };
      out.splice(at === a ? b : a, 1);
      b = Math.max(0, a - 1);
      break;
    }
  }
  return out;
}

function canMerge(a: SewnRegion, b: SewnRegion): boolean {
  return a.proposal.kind === 'fill' && b.proposal.kind === 'fill' && a.region.hex === b.region.hex && meet(a.region, b.region);
}

function meet(a: Region, b: Region): boolean {
  const [p, q] = [paintedBy(a), paintedBy(b)];
  if (!boundsTouch(boundsOf(p), boundsOf(q), AT_MM)) return false;
  const shared = areaOf(intersect(p, q));
  if (shared >= SHARED_MM2) return true;
  const smaller = Math.min(perimeterOf(p), perimeterOf(q));
  return areaOf(intersect(roughOffset(p, AT_MM), q)) >= AT_MM * MEETING_SHARE * smaller;
}

/** One region of both; null when they only seem to touch. */
function merged(a: Region, b: Region): Region | null {
  const [first, second] = a.areaMm2 >= b.areaMm2 ? [a, b] : [b, a];
  const area = unite(...[paintedBy(a), paintedBy(b)].map((part) => roughOffset(part, JOIN_MM)));
  const [made, ...more] = withArea({ ...first, stroke: null }, roughOffset(area, -JOIN_MM));
  if (!made || more.length > 0) return null;
  const seen = first.seen || second.seen ? unite(first.seen ?? first.area, second.seen ?? second.area) : undefined;
  return { ...made, ...(seen ? { seen } : {}) };
}
/** Hairs between parts that touch are closed by this, mm. */
const JOIN_MM = 0.06;

/** Where in the order both may be sewn as one: the place of either, when nothing between lies on it or under it; null when nowhere. */
function placeFor(parts: readonly SewnRegion[], a: number, b: number): number | null {
  const between = parts.slice(a + 1, b).map((p) => paintedBy(p.region));
  const inTheWay = (of: number): boolean => {
    const own = paintedBy(parts[of]!.region);
    return between.some((p) => boundsTouch(boundsOf(p), boundsOf(own)) && areaOf(intersect(p, own)) > IN_THE_WAY_MM2);
  };
  if (!inTheWay(a)) return b;
  return inTheWay(b) ? null : a;
}
