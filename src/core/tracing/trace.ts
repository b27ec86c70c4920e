import { clean } from '../geometry/area';
import { flattenSubpath, formatPath, transformPath, type Matrix } from '../geometry/path';
import { scale } from '../geometry/point';
import { areasOf, type TracedArea } from './areas';
import { backgroundOf } from './background';
import type { FitOptions } from './fit/shapeOf';
import { CLEAN, labelPixels, type Labelled } from './labels';
import { THIN_MM, thinLineOf, type ThinLine } from './lines';
import { coloursOf, deepFlat, fewerColours, flatLimit, flatPixels, noiseOf, withoutTints, type Colour } from './palette';
import { hexOf, lumaOf, premultiplied, type Mix, type Picture } from './picture';
import { spotsAmong, withGrownSpots } from './spots';
import { absorbed, isFringe, regionsOf, type Region, type Regions } from './regions';

export interface TraceOptions {
  /** Finished width of what the picture shows without its background, mm; of the whole picture where the background is kept. */
  widthMm: number;
  /** The width is that of the whole picture in any case. */
  wholePage?: boolean;
  /** Number of colours of what is shown at most; as many as are found when absent. */
  colours?: number;
  /** Shapes may lie so far from the picture's edges, mm. */
  toleranceMm?: number;
  keepBackground?: boolean;
}

/** An area of one colour, or a line, in mm from the picture's upper left corner. */
export interface TracedShape {
  hex: string;
  data: string;
  /** Set for lines. */
  stroke?: { widthMm: number; cap: ThinLine['cap'] };
}

export interface Tracing {
  widthMm: number;
  heightMm: number;
  pixelsPerMm: number;
  colours: { hex: string; share: number }[];
  /** In the order in which they are painted. */
  shapes: TracedShape[];
  /** Lines and curves of all borders, each counted once, and of all lines. */
  nodes: number;
  droppedSpecks: number;
  /** Spots smaller than a speck that are kept since they stand out. */
  keptSpots: number;
  /** What is to be known of it, in sentences fit for people. */
  notes: string[];
}

/** Specks below this are dropped, mm²: about two threads square. */
const SPECK_MM2 = 0.5;
const LEAST_SPECK_PX = 4;
const TOLERANCE_MM = 0.05;
/** No shape is held nearer to the border than this, pixels: its places are no surer. */
const LEAST_TOLERANCE_PX = 0.4;
/** Smaller regions may be noise: they do not say how wide a picture is. */
const SHOWN_PX = 12;
/** Colours of a lossy picture are read so far inside areas, pixels. */
const DEEP_PX = 2;
/** A picture of more colours is shaded, not flat: it is drawn in so many tones, unless a number is asked for; of so many shades at most. */
const MOST_FLAT_COLOURS = 24;
const TONES = 12;
const MOST_SHADES = 120;

/** Shapes of a picture: colours, regions, their shared borders as few lines and curves, thin regions as lines. */
export function trace(source: Picture, options: TraceOptions, progress: (done: number) => void = () => undefined): Tracing {
  progress(0.05);
  const picture = premultiplied(source);
  const noise = noiseOf(picture);
  const { labelled, regions, pixelsPerMm, droppedSpecks, keptSpots, isShaded } = labelledAs(picture, noise, options);
  progress(0.5);
  const background = options.keepBackground ? new Set<number>() : backgroundOf(labelled, regions);
  const fit: FitOptions = {
    blur: noise > CLEAN ? 1.8 : 1.4,
    noise: 0.04 + 0.012 * noise,
    tolerance: Math.max(LEAST_TOLERANCE_PX, (options.toleranceMm ?? TOLERANCE_MM) * pixelsPerMm),
  };
  const whole = areasOf(labelled, regions, background, fit);
  progress(0.75);
  const lines = thinLines(whole.areas, regions.list, pixelsPerMm, fit, labelled.colours);
  const { areas, segments } = lines.size > 0 ? areasUnder(labelled, regions, lines, options, fit) : whole;
  progress(0.95);
  const toMm: Matrix = [1 / pixelsPerMm, 0, 0, 1 / pixelsPerMm, 0, 0];
  const hexFor = (label: number): string => hexOf(labelled.colours[label]!.mix);
  return {
    widthMm: picture.width / pixelsPerMm,
    heightMm: picture.height / pixelsPerMm,
    pixelsPerMm,
    colours: shares(labelled, regions, background),
    shapes: [
      ...areas.map((a) => ({ hex: hexFor(a.label), data: formatPath(transformPath(a.paths, toMm)) })),
      ...[...lines].map(([id, { paths, widthMm, cap }]) => ({
        hex: hexFor(regions.list[id]!.label),
        data: formatPath(paths),
        stroke: { widthMm, cap },
      })),
    ],
    nodes: segments + [...lines.values()].reduce((n, l) => n + l.paths.reduce((m, p) => m + p.segments.length, 0), 0),
    droppedSpecks,
    keptSpots,
    notes: isShaded ? [SHADED] : [],
  };
}

const SHADED = `The picture is shaded: its gradients become ${TONES} flat tones, and what is fine in it is lost. Ask for another number of colours.`;

/** A labelled picture with its regions. */
interface Parted {
  labelled: Labelled;
  regions: Regions;
}

/** The colour of every pixel, without fringes and specks, and how large a pixel is. */
function labelledAs(
  picture: Picture,
  noise: number,
  options: TraceOptions,
): Parted & { pixelsPerMm: number; droppedSpecks: number; keptSpots: number; isShaded: boolean } {
  const flat = flatPixels(picture, flatLimit(noise));
  const palette = paletteOf(picture, flat, noise).slice(0, MOST_SHADES);
  const shaded = options.colours === undefined && palette.length > MOST_FLAT_COLOURS;
  const found = labelPixels(picture, flat, shaded ? fewerColours(palette, TONES).colours : palette, noise);
  const wanted =
    options.colours !== undefined
      ? options.colours + besides(found, options)
      : found.colours.length > MOST_FLAT_COLOURS
        ? TONES
        : undefined;
  const labelled = wanted === undefined ? found : withFewer(found, wanted);
  const whole = withoutFringes({ labelled, regions: regionsOf(labelled) });
  const pixelsPerMm = shownWidth(whole, options) / options.widthMm;
  const clear = wanted === undefined ? withoutStrayColours(whole, palette.length, STROKE_MM2 * pixelsPerMm ** 2) : whole;
  const { dropped, spots, ...kept } = withoutSpecks(clear, Math.max(LEAST_SPECK_PX, SPECK_MM2 * pixelsPerMm ** 2));
  return { ...kept, pixelsPerMm, droppedSpecks: dropped, keptSpots: spots, isShaded: shaded };
}

/** Number of colours that only the dropped background has. */
function besides(labelled: Labelled, { keepBackground = false }: TraceOptions): number {
  if (keepBackground) return 0;
  const regions = regionsOf(labelled);
  const background = backgroundOf(labelled, regions);
  const labelsOf = (dropped: boolean): Set<number> =>
    new Set(regions.list.flatMap((r, id) => (background.has(id) === dropped && r.pixels >= SHOWN_PX ? [r.label] : [])));
  const shown = labelsOf(false);
  return [...labelsOf(true)].filter((l) => !shown.has(l)).length;
}

/** Colours of a picture, of its flat pixels; of a lossy one those deep within areas, without tints. */
function paletteOf(picture: Picture, flat: Uint8Array, noise: number): Colour[] {
  // In a picture that is nowhere flat every pixel is asked.
  if (!flat.includes(1)) return coloursOf(picture, flat.fill(1), noise);
  if (noise <= CLEAN) return coloursOf(picture, flat, noise);
  const deep = deepFlat(flat, picture.width, picture.height, DEEP_PX);
  if (!deep.includes(1)) return coloursOf(picture, flat, noise);
  return withoutTints(picture, deep, coloursOf(picture, deep, noise));
}

function withFewer(labelled: Labelled, count: number): Labelled {
  const pixels = new Uint32Array(labelled.colours.length);
  for (const l of labelled.labels) pixels[l]!++;
  const { colours, became } = fewerColours(
    labelled.colours.map((c, i) => ({ ...c, pixels: Math.max(1, pixels[i]!) })),
    count,
  );
  const mixes = colours.map((_, k) => labelled.mixes[became.indexOf(k)]!);
  return { ...labelled, colours, mixes, labels: labelled.labels.map((l) => became[l]!) };
}

function without(parted: Parted, gone: ReadonlySet<number>): Parted {
  if (gone.size === 0 || gone.size === parted.regions.list.length) return parted;
  const labelled = absorbed(parted.labelled, parted.regions, (id) => gone.has(id));
  return { labelled, regions: regionsOf(labelled) };
}

function withoutFringes(parted: Parted): Parted {
  const { labelled, regions } = parted;
  const colourOf = (label: number): Mix => labelled.colours[label]!.mix;
  return without(parted, new Set(regions.list.flatMap((r, id) => (isFringe(r, regions.list, colourOf) ? [id] : []))));
}

/** Without colours that no area has and of which there is too little for a line: they are mixtures where several colours meet. */
function withoutStrayColours(parted: Parted, flatColours: number, leastPx: number): Parted {
  const pixels = new Map<number, number>();
  for (const r of parted.regions.list) pixels.set(r.label, (pixels.get(r.label) ?? 0) + r.pixels);
  const isStray = ({ label }: Region): boolean => label >= flatColours && pixels.get(label)! < leastPx;
  return without(parted, new Set(parted.regions.list.flatMap((r, id) => (isStray(r) ? [id] : []))));
}
/** A line worth a colour of its own paints so much, mm². */
const STROKE_MM2 = 2.5;

function withoutSpecks(parted: Parted, leastPx: number): Parted & { dropped: number; spots: number } {
  const { list } = parted.regions;
  let limit = leastPx;
  // Of a picture of mere noise only so much is kept as anybody could sew.
  while (list.filter((r) => r.pixels >= limit).length > MOST_REGIONS) limit *= 2;
  const specks = new Set(list.flatMap((r, id) => (r.pixels < limit ? [id] : [])));
  if (specks.size === list.length && list.length > 1) {
    const most = list.reduce((best, r, id) => (r.pixels > list[best]!.pixels ? id : best), 0);
    specks.delete(most);
  }
  const spots = limit === leastPx ? spotsAmong(parted.labelled, parted.regions, specks).slice(0, MOST_SPOTS) : [];
  for (const id of spots) specks.delete(id);
  const grown =
    spots.length > 0 ? { labelled: withGrownSpots(parted.labelled, parted.regions, spots, leastPx), regions: parted.regions } : parted;
  const kept = without(grown, specks);
  const fresh = kept === grown && spots.length > 0 ? { ...grown, regions: regionsOf(grown.labelled) } : kept;
  return { ...fresh, dropped: kept === grown ? 0 : specks.size, spots: spots.length };
}
/** A picture with more spots is speckled. */
const MOST_SPOTS = 60;
const MOST_REGIONS = 1500;

/** Width of what is not background, pixels; of the picture where that is wanted, or where nothing is shown. */
function shownWidth({ labelled, regions }: Parted, { wholePage = false, keepBackground = false }: TraceOptions): number {
  if (wholePage || keepBackground) return labelled.width;
  const background = backgroundOf(labelled, regions);
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < regions.ids.length; i++) {
    const id = regions.ids[i]!;
    if (background.has(id) || regions.list[id]!.pixels < SHOWN_PX) continue;
    const x = i % labelled.width;
    if (x < least) least = x;
    if (x > most) most = x;
  }
  return most >= least ? most + 1 - least : labelled.width;
}

/** Which regions are lines, by their number. */
function thinLines(
  areas: readonly TracedArea[],
  list: readonly Region[],
  pixelsPerMm: number,
  fit: FitOptions,
  colours: readonly Colour[],
): Map<number, ThinLine> {
  const out = new Map<number, ThinLine>();
  for (const { region, seen, pixels } of areas) {
    const { pixels: own, border } = list[region]!;
    // Sides of pixels make a border about a quarter longer than it is.
    if ((2.5 * own) / border > 1.3 * THIN_MM * pixelsPerMm || pixels === 0 || isBetween(list[region]!, list, colours)) continue;
    const rings = seen.map((p) => flattenSubpath(p, 0.1).map((q) => scale(q, 1 / pixelsPerMm)));
    const line = thinLineOf(clean(rings, 'evenodd'), { tolerance: fit.tolerance / pixelsPerMm, noise: fit.noise / pixelsPerMm });
    if (line) out.set(region, line);
  }
  for (const region of out.keys()) if (besideLines(list[region]!, out) > BETWEEN_LINES * list[region]!.border) out.delete(region);
  return out;
}
/** Whether a region lies between two others and is neither darker nor lighter than both: lines are drawn to be seen. */
function isBetween(region: Region, list: readonly Region[], colours: readonly Colour[]): boolean {
  const [a, b] = [...region.neighbours].filter(([id, sides]) => id >= 0 && sides > SIDE * region.border).sort((p, q) => q[1] - p[1]);
  if (!a || !b) return false;
  const light = (label: number): number => lumaOf(colours[label]!.mix)[0] + 255 - colours[label]!.mix[3];
  const [own, one, other] = [light(region.label), light(list[a[0]]!.label), light(list[b[0]]!.label)];
  return own > Math.min(one, other) && own < Math.max(one, other);
}
/** A neighbour lies along a side of a region when so much of its border is shared with it. */
const SIDE = 0.25;

/** What lies between lines for more than this share of its border is what they enclose. */
const BETWEEN_LINES = 0.4;

const besideLines = ({ neighbours }: Region, lines: ReadonlyMap<number, ThinLine>): number =>
  [...neighbours].reduce((sum, [id, sides]) => sum + (lines.has(id) ? sides : 0), 0);

/** Areas as they are without the lines that lie on them: each reaches to the middle of a line. */
function areasUnder(labelled: Labelled, regions: Regions, lines: ReadonlyMap<number, ThinLine>, options: TraceOptions, fit: FitOptions) {
  const covered = regions.ids.reduce((mask, id, i) => {
    if (lines.has(id)) mask[i] = 1;
    return mask;
  }, new Uint8Array(regions.ids.length));
  const bare = absorbed(labelled, regions, (id) => lines.has(id));
  const left = regionsOf(bare);
  const background = options.keepBackground ? new Set<number>() : backgroundOf(bare, left);
  return areasOf(bare, left, background, fit, covered);
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
