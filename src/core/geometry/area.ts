import { clipping } from './clipping';
import { fewest } from './clipping/portable';
import { PRECISION, type CapName, type FillRuleName, type JoinName } from './clipping/library';
import { boundsOf, boundsTouch, type Area, type Bounds, type Line, type Point, type Ring } from './point';
import { requireFewCrossings } from './crossings';
import { withoutSpikes } from './spikes';

export type { CapName, FillRuleName, JoinName };

const outlinesOf = (area: Area): Ring[] => withoutSpikes(area, 10 ** PRECISION);
const proper = (rings: readonly Ring[]): Ring[] => rings.filter((ring) => ring.length > 2);

/** Resolves crossings, overlaps and coincident edges of any outlines into a proper area. @throws TooComplex when they are too many */
export function clean(rings: Area, rule: FillRuleName): Area {
  const closed = rings.filter((r) => r.length > 2);
  if (closed.length === 0) return [];
  requireFewCrossings(closed, true);
  return proper(clipping().union(outlinesOf(closed), rule));
}

/** Everything covered by any of the areas. */
export function unite(...areas: Area[]): Area {
  const all = areas.flat();
  return all.length === 0 ? [] : proper(clipping().union(outlinesOf(all), 'nonzero'));
}

export function subtract(a: Area, b: Area): Area {
  if (a.length === 0 || b.length === 0) return a;
  return proper(clipping().difference(outlinesOf(a), outlinesOf(b)));
}

export function intersect(a: Area, b: Area): Area {
  if (a.length === 0 || b.length === 0) return [];
  return proper(clipping().intersection(outlinesOf(a), outlinesOf(b)));
}

/** Grows (positive) or shrinks (negative) an area by `mm` all round; round corners keep within `arcMm` of true arcs. */
export function offset(area: Area, mm: number, join: JoinName = 'round', arcMm = 0.01): Area {
  if (area.length === 0 || mm === 0) return area;
  return proper(clipping().grown(outlinesOf(area), mm, join, 'polygon', 4, arcMm));
}

/** The same for hidden edges, where a tenth of a thread and a crumb do not matter: several times as fast. */
export function roughOffset(area: Area, mm: number): Area {
  const rings = mm < 0 ? area.filter((ring) => ringArea(ring) < 0 || hasRoom(ring, -2 * mm)) : area;
  if (!rings.some((ring) => ringArea(ring) > 0)) return [];
  return offset(simplify(rings, 0.03).filter(isMoreThanCrumb), mm, 'round', 0.04);
}

/** Whether a disc of this width may fit inside an outline. */
function hasRoom(ring: Ring, widthMm: number): boolean {
  const box = boundsOf([ring]);
  return box.maxX - box.minX > widthMm && box.maxY - box.minY > widthMm && ringArea(ring) > DISC * widthMm * widthMm;
}
/** A disc has this share of its square, less what straightening takes. */
const DISC = 0.7;

/** Where a disc of this width fits inside an area (morphological opening), roughly, and what lies so far around that, mm. */
export function opened(area: Area, widthMm: number, aroundMm = 0): Area {
  const core = roughOffset(area, -widthMm / 2);
  return core.length === 0 ? [] : roughOffset(core, widthMm / 2 + aroundMm);
}

/** Made simpler, a crumb may turn the other way, and the clipping library takes the lowest outline for the way in which all of them turn. */
const isMoreThanCrumb = (ring: Ring): boolean => Math.abs(ringArea(ring)) > CRUMB_MM2;
const CRUMB_MM2 = 0.02;

export interface StrokeShape {
  widthMm: number;
  cap: CapName;
  join: JoinName;
  miterLimit: number;
}

/** The area that a stroke paints along lines, with its caps and joins. */
export function strokeArea(lines: readonly Line[], closed: boolean, shape: StrokeShape): Area {
  const paths = lines
    .filter((l) => l.length > 1)
    .map(withoutRepeats)
    .filter((l) => l.length > (closed ? 2 : 1));
  if (paths.length === 0 || shape.widthMm <= 0) return closed && lines.length > 0 ? strokeArea(lines, false, shape) : [];
  requireFewCrossings(paths, closed);
  const end = closed ? 'joined' : shape.cap;
  return proper(clipping().grown(paths, shape.widthMm / 2, shape.join, end, Math.max(1, shape.miterLimit), 0.01));
}

/** Nearer points are one to the clipping library, which does not bear a line of one point. */
const ONE_POINT_MM = 10 ** -PRECISION;

function withoutRepeats(line: Line): Line {
  const out: Point[] = [];
  for (const p of line) {
    const last = out[out.length - 1];
    if (!last || Math.abs(p.x - last.x) + Math.abs(p.y - last.y) > ONE_POINT_MM) out.push(p);
  }
  return out.length > 1 || line.length < 2 ? out : [line[0]!, { x: line[0]!.x + 2 * ONE_POINT_MM, y: line[0]!.y }];
}

/** Parts of open lines that lie outside the area. */
export const cutLines = (lines: readonly Line[], area: Area): Line[] =>
  area.length === 0 ? lines.slice() : clipping().linesOutside(lines, outlinesOf(area)).filter(isLine);

/** Parts of open lines that lie inside the area. */
export const keepLines = (lines: readonly Line[], area: Area): Line[] =>
  area.length === 0 || lines.length === 0 ? [] : clipping().linesWithin(lines, outlinesOf(area)).filter(isLine);

const isLine = (line: Line): boolean => line.length > 1;

/** Connected parts of a clean area: each an outer ring followed by its holes. Largest first. */
export function components(area: Area): Area[] {
  if (area.length === 0) return [];
  if (area.length === 1 && ringArea(area[0]!) > 0) return [area];
  const parts = clipping().parts(outlinesOf(area)).map(proper);
  return parts.filter((part) => part.length > 0).sort((a, b) => areaOf(b) - areaOf(a));
}

/** The part of an area within a box grown by `marginMm`. */
export function cropped(area: Area, box: Bounds, marginMm: number): Area {
  if (area.length === 0) return area;
  const [left, top, right, bottom] = [box.minX - marginMm, box.minY - marginMm, box.maxX + marginMm, box.maxY + marginMm];
  const own = boundsOf(area);
  if (own.minX >= left && own.minY >= top && own.maxX <= right && own.maxY <= bottom) return area;
  const near = area.filter((ring) => boundsTouch(boundsOf([ring]), { minX: left, minY: top, maxX: right, maxY: bottom }, 0));
  const corners = [left, right, right, left].map((x, i): Point => ({ x, y: i < 2 ? top : bottom }));
  return intersect(near, [corners]);
}

/** An open line with as few points as stay within a tolerance of it. */
export const simplifyLine = (line: Line, tolerance: number): Line => fewest([line], tolerance)[0]!;

/** Straightens outlines within `tolerance`, dropping points that do not matter. */
export function simplify(area: Area, tolerance: number): Area {
  return proper(clipping().simplified(outlinesOf(area), tolerance));
}

/** Outlines as drawn, not cleaned, with fewer points: none strays more than `tolerance` (Douglas and Peucker 1973). */
export const straightened = (rings: Area, tolerance: number): Ring[] => proper(fewest(rings, tolerance));

/** Signed area of one ring, mm²; positive when it turns from x towards y. */
export function ringArea(ring: Ring): number {
  let sum = 0;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    sum += ring[j]!.x * ring[i]!.y - ring[i]!.x * ring[j]!.y;
  }
  return sum / 2;
}

/** The ring in the direction of outer outlines. */
export const turnedRight = (ring: Ring): Ring => (ringArea(ring) < 0 ? ring.slice().reverse() : ring);

/** Size of a clean area, mm² (holes count negative by their turning sense). */
export function areaOf(area: Area): number {
  let sum = 0;
  for (const ring of area) sum += ringArea(ring);
  return Math.abs(sum);
}

/** Total length of all outlines, mm. */
export function perimeterOf(area: Area): number {
  let sum = 0;
  for (const ring of area) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const dx = ring[i]!.x - ring[j]!.x;
      const dy = ring[i]!.y - ring[j]!.y;
      sum += Math.sqrt(dx * dx + dy * dy);
    }
  }
  return sum;
}

/** Whether the point lies inside by the even-odd rule. */
export function contains(area: Area, p: Point): boolean {
  let inside = false;
  for (const ring of area) {
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const a = ring[i]!;
      const b = ring[j]!;
      if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
    }
  }
  return inside;
}
