import { contains, ringArea } from '../geometry/area';
import type { Area, Point } from '../geometry/point';
import { flattenSubpath, type Subpath } from '../geometry/path';
import { against } from './fit/circle';
import { shapeOfBorder, type FitOptions } from './fit/shapeOf';
import { squared, type Squared } from './fit/squared';
import { nodePlaces } from './junctions';
import type { Labelled } from './labels';
import { planarMap, type PlanarMap, type Walk } from './planarMap';
import type { Regions } from './regions';

/** One region as closed paths, in pixels: its outline first, then the openings behind which nothing lies. */
export interface TracedArea {
  region: number;
  label: number;
  paths: Subpath[];
  /** With every opening, whatever lies there. */
  seen: Subpath[];
  /** The same as it was measured, before anything was fitted to it. */
  measured(): Area;
  /** Within its outline, square pixels. */
  pixels: number;
}

export interface TracedAreas {
  /** The greatest first: what lies within a region is painted after it. */
  areas: TracedArea[];
  /** Lines and curves of all borders of what is kept, each once. */
  segments: number;
  /** Straight sides made level, upright, parallel or square. */
  squared: number;
}

export interface AreaFit extends FitOptions {
  /** Whether straight sides that are nearly square to each other become so. */
  square: boolean;
}

/** Borders that nobody sees, since a line lies on them, need not be followed closely. */
const UNSEEN: Pick<FitOptions, 'tolerance' | 'noise'> = { tolerance: 2, noise: 0.3 };

/**
 * Outlines of regions, neighbours by the very same border.
 * @param dropped regions that are not kept
 * @param covered pixels on which a line will lie
 */
export function areasOf(
  labelled: Labelled,
  regions: Regions,
  dropped: ReadonlySet<number>,
  fit: AreaFit,
  covered?: Uint8Array,
): TracedAreas {
  const map = planarMap(labelled, regions.ids, regions.list.length);
  const { shapes, count } = madeSquare(chainShapes(map, labelled, fit, covered), map, labelled, fit);
  const isKept = (r: number): boolean => r >= 0 && !dropped.has(r);
  const segments = map.chains.reduce((n, c, i) => n + (isKept(c.left) || isKept(c.right) ? shapes[i]!.segments.length : 0), 0);
  return { areas: outlined(map, shapes, regions, labelled.width, dropped), segments, squared: count };
}

/** Places are known to about a third of this many times the noise. */
const SURE = 3;

/** Borders with straight sides square to each other where they nearly were; what ends on the rim stays there. */
function madeSquare(shapes: Subpath[], { chains }: PlanarMap, { width, height }: Labelled, { noise, square }: AreaFit): Squared {
  if (!square) return { shapes, count: 0 };
  return squared(shapes, SURE * noise, {
    place: (p) => p.x <= 0 || p.y <= 0 || p.x >= width || p.y >= height,
    shape: (i) => chains[i]!.rim,
  });
}

function chainShapes(map: PlanarMap, size: Labelled, fit: FitOptions, covered?: Uint8Array): Subpath[] {
  const places = nodePlaces(map, fit.blur, size);
  const isCovered = (p: Point): boolean =>
    covered![Math.min(size.height - 1, Math.floor(p.y)) * size.width + Math.min(size.width - 1, Math.floor(p.x))] === 1;
  return map.chains.map(({ points, from, to, rim }) => {
    if (rim && from !== null) return alongRim(points, places[from]!, places[to!]!);
    const unseen = covered !== undefined && points.filter(isCovered).length > points.length / 2;
    return shapeOfBorder(points, from === null ? null : { from: places[from]!, to: places[to!]! }, unseen ? { ...fit, ...UNSEEN } : fit);
  });
}

/** The picture's rim from one node to another, by its corners. */
function alongRim(points: readonly Point[], from: Point, to: Point): Subpath {
  const corners = points.slice(1).flatMap((q, i): Point[] => {
    const p = points[i]!;
    if (p.x === q.x || p.y === q.y) return [];
    // Places on the rim lie midway along pixels: the one of whole numbers tells the side.
    return [Number.isInteger(p.x) ? { x: p.x, y: q.y } : { x: q.x, y: p.y }];
  });
  return { start: from, segments: [...corners, to].map((at) => ({ to: at })), closed: false };
}

function outlined(
  { rings, chains }: PlanarMap,
  shapes: readonly Subpath[],
  regions: Regions,
  width: number,
  dropped: ReadonlySet<number>,
): TracedArea[] {
  const nothing = [...dropped].map((id) => middleOfPixel(regions.list[id]!.first, width));
  // What lies on the other side of a border is dropped.
  const isBeside = ({ chain, forward }: Walk): boolean => dropped.has(forward ? chains[chain]!.right : chains[chain]!.left);
  const out: TracedArea[] = [];
  regions.list.forEach(({ label }, region) => {
    if (dropped.has(region)) return;
    const paths = rings[region]!.map((ring): Subpath => {
      const parts = ring.map(({ chain, forward }) => (forward ? shapes[chain]! : reversed(shapes[chain]!)));
      return { start: parts[0]!.start, segments: parts.flatMap((p) => p.segments), closed: true };
    }).map((path, i) => ({ path, ring: flattenSubpath(path, 0.2), isBare: rings[region]![i]!.some((walk) => isBeside(walk)) }));
    const sizes = paths.map(({ ring }) => Math.abs(ringArea(ring)));
    const outer = sizes.indexOf(Math.max(...sizes));
    const open = paths.filter(({ ring, isBare }, i) => i !== outer && (isBare || nothing.some((p) => contains([ring], p))));
    out.push({
      region,
      label,
      paths: [paths[outer]!.path, ...open.map(({ path }) => path)],
      seen: paths.map(({ path }) => path),
      measured: () => rings[region]!.map((ring) => ring.flatMap(({ chain, forward }) => inOrder(chains[chain]!.points, forward))),
      pixels: sizes[outer]!,
    });
  });
  return out.sort((a, b) => b.pixels - a.pixels);
}

const inOrder = (points: readonly Point[], forward: boolean): readonly Point[] => (forward ? points : points.slice().reverse());

const middleOfPixel = (i: number, width: number): Point => ({ x: (i % width) + 0.5, y: Math.floor(i / width) + 0.5 });

function reversed({ start, segments, closed }: Subpath): Subpath {
  return { start: segments.at(-1)?.to ?? start, segments: against(start, segments), closed };
}
