import { areaOf, components, intersect, keepLines, opened, ringArea, roughOffset, strokeArea, turnedRight, unite } from '../geometry/area';
import { ofEach, once } from '../geometry/known';
import { joinedThrough, lineLength, nearestOnLine } from '../geometry/line';
import { add, distance, dot, scale, sub, unit, type Area, type Line, type Point, type Ring } from '../geometry/point';
import { WIDEST_SATIN_MM } from '../units/craft';
import { OVERLAP_MM } from '../units/tolerances';

/** An edge lies at a neighbour when it is at most this far from it, mm. */
const AT_MM = 0.06;
/** What is drawn to run on under a neighbour this far already needs no more, mm. */
const DEEP_ENOUGH_MM = 0.8;
/** Only neighbours at least this broad hide what runs on under them, mm. */
const BROAD_MM = 0.7;
/** How far what runs on under a neighbour laps its own area, so that no hairline seam stays between them, mm. */
const LAP_MM = 0.08;
/** Places narrower than the first get half the tuck beside them, and below the second none: more would lie hidden than is seen, mm. */
const SOLID_MM = 2.5;
const SLIVER_MM = 0.8;
/** The end of a column is looked for so far back, mm. */
const END_DEPTH_MM = 2.5;
/** What is behind an edge reaches back at least this share of its width when the edge is the end of a column. */
const DEEP = 0.8;
/** Sides are followed back while they run within 37° of the column. */
const STRAIGHT = 0.8;
/** Shorter edges get no tuck but at the ends of columns, and there none below the second, mm. */
const LEAST_EDGE_MM = 3;
const LEAST_END_MM = 0.6;
/** Sides of a column's end run this nearly alike, as a cosine; and its end lies this squarely across them. */
const PARALLEL = 0.75;
const ACROSS = 0.75;

/** What lies on an item and around it. */
export interface Hiding {
  /** The item as it was drawn. */
  drawn: Area;
  /** What is seen of the item. */
  visible: Area;
  /** What is sewn later near it. */
  cover: Area;
}

/** Less is no tuck, mm². */
const LEAST_TUCK_MM2 = 0.15;
/** Where tucks meet the area and one another, smaller holes stay open by mere hairs, mm². */
const LEAST_HOLE_MM2 = 0.4;
/** Parts of tucks narrower than this are warts, mm. */
const WART_MM = 0.8;

/**
 * An area with what runs on under neighbours that are sewn later, so that no slot opens between them: straight on by the
 * overlap, in the direction of its sides where these lead up to the neighbour, columns to a square end, else square to the edge.
 * It grows no horns beside itself.
 */
export function tucked(area: Area, { visible, cover }: Omit<Hiding, 'drawn'>): Area {
  const tucks = cover.length === 0 ? [] : tucksOf(area, visible, cover);
  if (tucks.length === 0) return area;
  const whole = unite(area, intersect(unite(...tucks), broadCover(cover)));
  if (areaOf(whole) - areaOf(area) < LEAST_TUCK_MM2) return area;
  const smooth = unite(area, intersect(whole, opened(whole, WART_MM)));
  const parts = components(smooth.filter((ring) => ringArea(ring) > 0 || -ringArea(ring) > LEAST_HOLE_MM2));
  const shared = parts.map((p) => (parts.length > 1 ? areaOf(intersect(p, area)) : 0));
  return parts[shared.indexOf(Math.max(...shared))]!;
}

/** Several parts of a shape lie under one cover, and each limb is tried by itself. */
const broadCover = ofEach((cover: Area): Area => opened(cover, BROAD_MM, LAP_MM));
const atCover = ofEach((cover: Area): Area => roughOffset(cover, AT_MM));
const nearSeen = ofEach((visible: Area): Area => roughOffset(visible, DEEP_ENOUGH_MM));

function tucksOf(area: Area, visible: Area, cover: Area): Area[] {
  const solid = once(() => unite(opened(area, SOLID_MM, OVERLAP_MM), opened(area, SLIVER_MM, OVERLAP_MM / 2)));
  return area.flatMap((ring) =>
    hiddenEdges(ring, visible, cover).flatMap((edge) => {
      const tuck = tuckOf(ring, edge);
      return tuck ? [tuck.end ? tuck.area : solidPart(tuck.area, solid())] : [];
    }),
  );
}

/** What of a tuck is beside something solid; where nearly all of it is, its corners stay sharp. */
function solidPart(tuck: Area, solid: Area): Area {
  const part = intersect(tuck, solid);
  return areaOf(part) >= NEARLY_ALL * areaOf(tuck) ? tuck : part;
}
const NEARLY_ALL = 0.6;

/** Stretches of an outline at the cover and near what is seen, in its direction; the whole of it as one closed line. */
function hiddenEdges(ring: Ring, visible: Area, cover: Area): Line[] {
  const closed = [...ring, ring[0]!];
  const beside = keepLines([closed], atCover(cover));
  return beside.length === 0 ? [] : joinedThrough(keepLines(beside, nearSeen(visible)), closed[0]!);
}

interface Tuck {
  area: Area;
  /** Whether it only lengthens something narrow. */
  end: boolean;
}

function tuckOf(ring: Ring, edge: Line): Tuck | null {
  const [first, last] = [edge[0]!, edge.at(-1)!];
  const across = distance(first, last);
  if (across < 1e-3) return { area: alongside(edge, true), end: false };
  const onward = sidesBeyond(ring, edge);
  const lean = onward ? Math.abs(dot(onward, unit(sub(last, first)))) : 1;
  const width = across * Math.sqrt(Math.max(0, 1 - lean * lean));
  if (onward && lean <= ACROSS && width >= LEAST_END_MM) {
    const isColumn = width <= WIDEST_SATIN_MM && depthBehind(ring, edge, onward) >= Math.min(END_DEPTH_MM, DEEP * width);
    return { area: isColumn ? squared(edge, onward) : swept(edge, scale(onward, OVERLAP_MM)), end: isColumn };
  }
  return lineLength(edge) >= LEAST_EDGE_MM ? { area: alongside(edge, false), end: false } : null;
}

const alongside = (edge: Line, closed: boolean): Area =>
  strokeArea([closed ? edge.slice(0, -1) : edge], closed, { widthMm: 2 * OVERLAP_MM, cap: 'butt', join: 'round', miterLimit: 2 });

/** A tuck begins this far inside the edge: where it only touches, hairs would stay open, mm. */
const BACK_MM = 0.05;

/** Straight on from an edge to a square end, so that a column's rows need not turn to the slant of its neighbour. */
function squared(edge: Line, onward: Point): Area {
  const end = Math.max(...edge.map((p) => dot(p, onward))) + OVERLAP_MM;
  const [back, to] = [scale(onward, -BACK_MM), (p: Point): Point => add(p, scale(onward, end - dot(p, onward)))];
  const quads = edge.slice(1).map((p, i): Ring => [add(edge[i]!, back), add(p, back), to(p), to(edge[i]!)]);
  return unite(...quads.map((quad) => [turnedRight(quad)]));
}

function swept(edge: Line, by: Point): Area {
  const back = scale(by, -BACK_MM / OVERLAP_MM);
  const quads = edge.slice(1).map((p, i): Ring => [add(edge[i]!, back), add(p, back), add(p, by), add(edge[i]!, by)]);
  return unite(...quads.map((q) => [turnedRight(q)]));
}

/** How far both sides run straight back from an edge, mm. */
function depthBehind(ring: Ring, edge: Line, onward: Point): number {
  return Math.min(
    ...[edge[0]!, edge.at(-1)!].map((p) => {
      let [depth, from] = [0, p];
      for (const next of outlineFrom(ring, p, stepAwayFrom(ring, edge, p, LEAST_END_MM))) {
        const d = distance(from, next);
        if (d > 1e-6 && dot(unit(sub(from, next)), onward) < STRAIGHT) break;
        [depth, from] = [depth + d, next];
        if (depth > END_DEPTH_MM) break;
      }
      return depth;
    }),
  );
}

/** Direction in which both sides lead up to an edge; null when they do not run alike. */
function sidesBeyond(ring: Ring, edge: Line): Point | null {
  const back = Math.min(3, Math.max(0.6, 0.35 * lineLength(edge)));
  const [a, b] = [edge[0]!, edge.at(-1)!].map((p) => unit(sub(p, walked(ring, p, back, stepAwayFrom(ring, edge, p, back)))));
  return dot(a!, b!) >= PARALLEL ? unit(add(a!, b!)) : null;
}

/** Which way round the outline leads away from an edge at one of its ends. */
function stepAwayFrom(ring: Ring, edge: Line, end: Point, mm: number): 1 | -1 {
  const off = (step: 1 | -1): number => nearestOnLine(edge, walked(ring, end, mm, step)).distance;
  return off(-1) > off(1) ? -1 : 1;
}

/** The point of an outline so far along it from one of its points. */
function walked(ring: Ring, p: Point, mm: number, step: 1 | -1): Point {
  let [from, left] = [p, mm];
  for (const next of outlineFrom(ring, p, step)) {
    const d = distance(from, next);
    if (d >= left) return add(from, scale(unit(sub(next, from)), left));
    [from, left] = [next, left - d];
  }
  return from;
}

/** The nodes of an outline one way round from one of its points, once. */
function* outlineFrom(ring: Ring, p: Point, step: 1 | -1): Generator<Point> {
  const n = ring.length;
  let [at, nearest] = [0, Infinity];
  ring.forEach((q, i) => {
    const d = nearestOnLine([q, ring[(i + 1) % n]!], p).distance;
    if (d < nearest) [at, nearest] = [i, d];
  });
  for (let k = 0; k < n; k++) yield ring[((((step > 0 ? at + 1 : at) + k * step) % n) + n) % n]!;
}
