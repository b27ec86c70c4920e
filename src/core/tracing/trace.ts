import { ringArea, contains } from '../geometry/area';
import type { Point } from '../geometry/point';
import { flattenSubpath, formatPath, transformPath, type Segment, type Subpath } from '../geometry/path';
import { against } from './fit/circle';
import { shapeOfBorder } from './fit/shapeOf';
import { nodePlaces } from './junctions';
import { CLEAN, labelPixels, type Labelled } from './labels';
import { coloursOf, deepFlat, fewerColours, flatLimit, flatPixels, noiseOf, withoutTints, type Colour } from './palette';
import { hexOf, isNothing, premultiplied, type Picture } from './picture';
import { planarMap, type PlanarMap } from './planarMap';
import { absorbed, isFringe, regionsOf, type Regions } from './regions';

export interface TraceOptions {
  /** Finished width of the whole picture, mm. */
  widthMm: number;
  /** Number of colours at most, the background's among them; as many as are found when absent. */
  colours?: number;
  /** Shapes may lie so far from the picture's edges, mm. */
  toleranceMm?: number;
  keepBackground?: boolean;
}

/** An area of one colour, in mm from the picture's upper left corner. */
export interface TracedShape {
  hex: string;
  data: string;
  areaMm2: number;
}

export interface Tracing {
  widthMm: number;
  heightMm: number;
  pixelsPerMm: number;
  colours: { hex: string; share: number }[];
  shapes: TracedShape[];
  /** Lines and curves of all borders, each counted once. */
  nodes: number;
  droppedSpecks: number;
}

/** Specks below this are dropped, mm²: about two threads square. */
const SPECK_MM2 = 0.5;
const LEAST_SPECK_PX = 4;
const TOLERANCE_MM = 0.05;
/** No shape is held nearer to the border than this, pixels: its places are no surer. */
const LEAST_TOLERANCE_PX = 0.4;

/** Shapes of a picture: colours, regions, their shared borders as few lines and curves. */
export function trace(source: Picture, options: TraceOptions): Tracing {
  const picture = premultiplied(source);
  const pixelsPerMm = picture.width / options.widthMm;
  const noise = noiseOf(picture);
  const flat = flatPixels(picture, flatLimit(noise));
  let labelled = labelPixels(picture, flat, paletteOf(picture, flat, noise), noise);
  if (options.colours !== undefined) labelled = withFewer(labelled, options.colours);
  labelled = withoutFringes(labelled);
  const cleaned = withoutSpecks(labelled, Math.max(LEAST_SPECK_PX, SPECK_MM2 * pixelsPerMm ** 2));
  labelled = cleaned.labelled;
  const regions = regionsOf(labelled);
  const map = planarMap(labelled, regions.ids, regions.list.length);
  const shapes = chainShapes(map, picture, {
    blur: noise > CLEAN ? 1.8 : 1.4,
    noise: 0.04 + 0.012 * noise,
    tolerance: Math.max(LEAST_TOLERANCE_PX, (options.toleranceMm ?? TOLERANCE_MM) * pixelsPerMm),
  });
  const background = options.keepBackground ? new Set<number>() : backgroundOf(labelled, regions);
  const mmPerPx = 1 / pixelsPerMm;
  const drawn = regionShapes(map, shapes, regions, labelled, background);
  return {
    widthMm: options.widthMm,
    heightMm: picture.height * mmPerPx,
    pixelsPerMm,
    colours: shares(labelled, regions, background),
    shapes: drawn.map(({ label, path, area }) => ({
      hex: hexOf(labelled.colours[label]!.mix),
      data: formatPath(transformPath(path, [mmPerPx, 0, 0, mmPerPx, 0, 0])),
      areaMm2: area * mmPerPx ** 2,
    })),
    nodes: shapes.reduce((n, s, i) => n + (isSeen(map, i, background) ? s.segments.length : 0), 0),
    droppedSpecks: cleaned.dropped,
  };
}

/** Colours of a picture, of its flat pixels; of a lossy one those deep within areas, without tints. */
function paletteOf(picture: Picture, flat: Uint8Array, noise: number): Colour[] {
  if (noise <= CLEAN) return coloursOf(picture, flat, noise);
  return withoutTints(coloursOf(picture, deepFlat(flat, picture.width, picture.height, DEEP_PX), noise));
}
const DEEP_PX = 2;

const isSeen = ({ chains }: PlanarMap, i: number, background: ReadonlySet<number>): boolean =>
  [chains[i]!.left, chains[i]!.right].some((r) => r >= 0 && !background.has(r));

function withFewer(labelled: Labelled, count: number): Labelled {
  const pixels = new Uint32Array(labelled.colours.length);
  for (const l of labelled.labels) pixels[l]!++;
  const { colours, became } = fewerColours(
    labelled.colours.map((c, i) => ({ ...c, pixels: Math.max(1, pixels[i]!) })),
    count,
  );
  return { ...labelled, colours, mixes: colours.map((_, k) => labelled.mixes[became.indexOf(k)]!), labels: labelled.labels.map((l) => became[l]!) };
}

function withoutFringes(labelled: Labelled): Labelled {
  const regions = regionsOf(labelled);
  const fringes = new Set<number>();
  regions.list.forEach((r, id) => {
    if (isFringe(r, regions.list, (label) => labelled.colours[label]!.mix)) fringes.add(id);
  });
  return fringes.size > 0 ? absorbed(labelled, regions, (id) => fringes.has(id)) : labelled;
}

function withoutSpecks(labelled: Labelled, leastPx: number): { labelled: Labelled; dropped: number } {
  const regions = regionsOf(labelled);
  const specks = regions.list.filter((r) => r.pixels < leastPx && regions.list.length > 1).length;
  if (specks === 0 || specks === regions.list.length) return { labelled, dropped: 0 };
  return { labelled: absorbed(labelled, regions, (id) => regions.list[id]!.pixels < leastPx), dropped: specks };
}

/** What is nothing, and the regions of the rim's most frequent colour that reach the rim. */
function backgroundOf({ colours }: Labelled, { list }: Regions): Set<number> {
  const onRim = new Map<number, number>();
  for (const r of list) {
    const sides = r.neighbours.get(-1) ?? 0;
    if (sides > 0) onRim.set(r.label, (onRim.get(r.label) ?? 0) + sides);
  }
  const most = [...onRim].sort((a, b) => b[1] - a[1])[0]?.[0];
  return new Set(list.flatMap((r, id) => (isNothing(colours[r.label]!.mix) || (r.label === most && r.neighbours.has(-1)) ? [id] : [])));
}

function chainShapes(map: PlanarMap, picture: Picture, options: { blur: number; noise: number; tolerance: number }): Subpath[] {
  const places = nodePlaces(map, options.blur, picture);
  return map.chains.map(({ points, from, to, rim }) => {
    if (rim && from !== null) return { start: places[from]!, segments: [{ to: places[to!]! }], closed: false };
    return shapeOfBorder(points, from === null ? null : { from: places[from]!, to: places[to!]! }, options);
  });
}

interface Drawn {
  label: number;
  path: Subpath[];
  area: number;
}

/** Regions as closed paths, the greatest first; openings are kept only where nothing lies behind, all else is painted over. */
function regionShapes(
  { rings }: PlanarMap,
  shapes: readonly Subpath[],
  regions: Regions,
  labelled: Labelled,
  background: ReadonlySet<number>,
): Drawn[] {
  const nothing = [...background].map((id) => middleOfPixel(regions.list[id]!.first, labelled.width));
  const out: Drawn[] = [];
  regions.list.forEach(({ label }, id) => {
    if (background.has(id)) return;
    const paths = rings[id]!.map((ring): Subpath => {
      const parts = ring.map(({ chain, forward }) => (forward ? shapes[chain]! : reversed(shapes[chain]!)));
      return { start: parts[0]!.start, segments: parts.flatMap((p) => p.segments), closed: true };
    }).map((path) => ({ path, ring: flattenSubpath(path, 0.2) }));
    const areas = paths.map(({ ring }) => Math.abs(ringArea(ring)));
    const outer = areas.indexOf(Math.max(...areas));
    const open = paths.filter(({ ring }, i) => i !== outer && nothing.some((p) => contains([ring], p)));
    out.push({ label, path: [paths[outer]!.path, ...open.map(({ path }) => path)], area: areas[outer]! });
  });
  return out.sort((a, b) => b.area - a.area);
}

const middleOfPixel = (i: number, width: number): Point => ({ x: (i % width) + 0.5, y: Math.floor(i / width) + 0.5 });

function reversed({ start, segments, closed }: Subpath): Subpath {
  const back: Segment[] = against(start, segments);
  return { start: segments.at(-1)?.to ?? start, segments: back, closed };
}

function shares({ colours }: Labelled, { list }: Regions, background: ReadonlySet<number>): Tracing['colours'] {
  const pixels = new Map<number, number>();
  let total = 0;
  list.forEach((r, id) => {
    if (background.has(id)) return;
    pixels.set(r.label, (pixels.get(r.label) ?? 0) + r.pixels);
    total += r.pixels;
  });
  return [...pixels].sort((a, b) => b[1] - a[1]).map(([label, n]) => ({ hex: hexOf(colours[label]!.mix), share: n / total }));
}
