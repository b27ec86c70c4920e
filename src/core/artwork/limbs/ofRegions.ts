import { areaOf, keepLines, strokeArea } from '../../geometry/area';
import { lineLength } from '../../geometry/line';
import type { Area, Line } from '../../geometry/point';
import { lengthenedTo, withArea, type Region } from '../artRegions';
import type { Proposal } from '../proposeKind';
import { tucked } from '../tucks';
import { divide } from './divide';

/** A region as it is sewn, and what it is proposed as. */
export interface SewnRegion {
  region: Region;
  proposal: Proposal;
}

/** The regions as they are sewn: limbs apart from their bodies and before them, each lengthened under what hides it. */
export function sewnRegions(
  regions: readonly Region[],
  limitMm: number,
  propose: (region: Region) => Proposal,
  progress: (done: number) => void,
): SewnRegion[] {
  return regions.flatMap((region, i) => {
    progress(i / regions.length);
    return partsOf(region, limitMm, propose);
  });
}

function partsOf(region: Region, limitMm: number, propose: (region: Region) => Proposal): SewnRegion[] {
  const proposed = (part: Region): SewnRegion => {
    const whole = lengthened(part);
    return { region: whole, proposal: propose(whole) };
  };
  if (region.stroke || !region.axis) return [proposed(region)];
  const limbs = new Map<Area, SewnRegion>();
  const isColumn = (limb: Area): boolean => {
    const [made, ...more] = withArea(region, limb);
    if (!made || more.length > 0 || !isOwnShape(limb, region)) return false;
    const column = proposed(made);
    limbs.set(limb, column);
    return column.proposal.kind === 'satin' || column.proposal.kind === 'run';
  };
  const divided = divide(region.area, region.axis, limitMm, isColumn);
  if (!divided) return [proposed(region)];
  return [...divided.limbs.map((limb) => limbs.get(limb)!), ...divided.bodies.flatMap((area) => withArea(region, area)).map(proposed)];
}

/** So near to its drawn outline a part's edge is the drawing's own, and not only where a neighbour begins, mm. */
const OWN_EDGE_MM = 3.5;
const OWN_SHARE = 0.6;

/** What makes up so much of a region is no mere gap between other things. */
const CHIEF_SHARE = 0.3;

/** Whether a limb is one in the drawing itself: the sky between a sun and a frame is no column. */
function isOwnShape(limb: Area, { hiding, areaMm2 }: Region): boolean {
  if (!hiding || areaOf(limb) >= CHIEF_SHARE * areaMm2) return true;
  const outline = strokeArea(hiding.drawn, true, { widthMm: 2 * OWN_EDGE_MM, cap: 'butt', join: 'round', miterLimit: 2 });
  const edges = limb.map((ring) => [...ring, ring[0]!]);
  const length = (lines: readonly Line[]): number => lines.reduce((sum, l) => sum + lineLength(l), 0);
  return length(keepLines(edges, outline)) >= OWN_SHARE * length(edges);
}

/** A part with what runs on from it under its neighbours. */
function lengthened(part: Region): Region {
  const area = part.hiding ? tucked(part.area, part.hiding) : part.area;
  return area === part.area ? part : lengthenedTo(part, area);
}
