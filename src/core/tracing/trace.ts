import type { TracedFigures } from '../document/types';
import { formatPath, transformPath, type Matrix } from '../geometry/path';
import { colourMeant } from './askedColours';
import { areasOf, type AreaFit } from './areas';
import { backgroundOf } from './background';
import { labelledPage, TONES } from './labelling';
import { CLEAN, type Labelled } from './labels';
import type { ThinLine } from './lines';
import type { AskedOfPage, TraceOptions } from './options';
import { preparedPicture, type Page } from './page/prepare';
import { noiseOf } from './palette';
import { hexOf, premultiplied, type Picture } from './picture';
import { absorbed, regionsOf, type Regions } from './regions';
import { thinLines } from './thinRegions';

/** An area of one colour, or a line, in mm from the page's upper left corner. */
export interface TracedShape {
  hex: string;
  data: string;
  /** Set for lines. */
  stroke?: { widthMm: number; cap: ThinLine['cap'] };
}

export interface Tracing extends TracedFigures {
  widthMm: number;
  heightMm: number;
  pixelsPerMm: number;
  /** In the order in which they are painted. */
  shapes: TracedShape[];
  /** Lines and curves of all borders, each counted once, and of all lines. */
  nodes: number;
}

const TOLERANCE_MM = 0.05;
/** No shape is held nearer to the border than this, pixels: its places are no surer. */
const LEAST_TOLERANCE_PX = 0.4;

/** Shapes of a picture: colours, regions, their shared borders as few lines and curves, thin regions as lines. */
export function trace(source: Picture, options: TraceOptions, progress: (done: number) => void = () => undefined): Tracing {
  progress(0.05);
  const page = preparedPicture(source, options.prepared);
  const asked = askedOfPage(page, options);
  const picture = premultiplied(page.picture);
  // Laying out adds no noise, but a page that is all drawing seems to have more: its faint edges count. Making white brightens it.
  const noise = !options.prepared || options.prepared.white ? noiseOf(picture) : Math.min(noiseOf(picture), noiseOf(premultiplied(source)));
  progress(0.1);
  const { labelled, regions, pixelsPerMm, isShaded, ...cleaned } = labelledPage(picture, noise, asked, (done) =>
    progress(0.1 + 0.4 * done),
  );
  progress(0.5);
  const background = backgroundOf(labelled, regions, asked);
  const fit: AreaFit = {
    blur: noise > CLEAN ? 1.8 : 1.4,
    noise: 0.04 + 0.012 * noise,
    tolerance: Math.max(LEAST_TOLERANCE_PX, (options.toleranceMm ?? TOLERANCE_MM) * pixelsPerMm),
    square: options.square ?? true,
  };
  const whole = areasOf(labelled, regions, background, fit);
  progress(0.75);
  const lines = thinLines(whole.areas, regions.list, pixelsPerMm, fit, labelled.colours);
  const { areas, segments, squared } = lines.size > 0 ? areasUnder(labelled, regions, lines, asked, fit) : whole;
  progress(0.95);
  const toMm: Matrix = [1 / pixelsPerMm, 0, 0, 1 / pixelsPerMm, 0, 0];
  const hexes = labelled.colours.map((c) => hexOf(c.mix));
  const shown = shownAs(labelled, asked);
  return {
    widthMm: picture.width / pixelsPerMm,
    heightMm: picture.height / pixelsPerMm,
    pixelsPerMm,
    colours: shares(regions, background).map(({ label, share }) => ({ hex: hexes[label]!, as: shown[label]!, share })),
    shapes: [
      ...areas.map((a) => ({ hex: shown[a.label]!, data: formatPath(transformPath(a.paths, toMm)) })),
      ...[...lines].flatMap(([id, found]) =>
        found.map(({ paths, widthMm, cap }) => ({
          hex: shown[regions.list[id]!.label]!,
          data: formatPath(paths),
          stroke: { widthMm, cap },
        })),
      ),
    ],
    nodes: segments + [...lines.values()].flat().reduce((n, l) => n + l.paths.reduce((m, p) => m + p.segments.length, 0), 0),
    droppedSpecks: cleaned.droppedSpecks,
    specks: cleaned.specks.map((s) => ({ ...s, at: page.sourceOf(s.at) })),
    keptSpots: cleaned.keptSpots,
    smallNear: cleaned.smallNear,
    squared,
    areas: areas.length,
    notes: isShaded ? [SHADED] : [],
  };
}

const SHADED = `The picture is shaded: its gradients become ${TONES} flat tones, and what is fine in it is lost. Ask for another number of colours.`;

/** What was asked for at places of the picture as it came, at pixels of the page; what was cropped away is left out. */
function askedOfPage(page: Page, { dropped = [], kept = [], ...options }: TraceOptions): AskedOfPage {
  const { width, height } = page.picture;
  const pixels = (places: NonNullable<TraceOptions['dropped']>): number[] =>
    places.flatMap((place) => {
      const [x, y] = page.placeOf(place);
      return x >= 0 && y >= 0 && x < 1 && y < 1 ? [Math.floor(y * height) * width + Math.floor(x * width)] : [];
    });
  return { ...options, dropped: pixels(dropped), kept: pixels(kept) };
}

/** The colour that each label's shapes have. */
function shownAs({ colours }: Labelled, { cones = [] }: AskedOfPage): string[] {
  const out = colours.map((c) => hexOf(c.mix));
  for (const [found, cone] of cones) {
    const label = colourMeant(colours, found);
    if (label >= 0) out[label] = cone;
  }
  return out;
}

/** Areas as they are without the lines that lie on them: each reaches to the middle of a line. */
function areasUnder(
  labelled: Labelled,
  regions: Regions,
  lines: ReadonlyMap<number, readonly ThinLine[]>,
  asked: AskedOfPage,
  fit: AreaFit,
) {
  const covered = regions.ids.reduce((mask, id, i) => {
    if (lines.has(id)) mask[i] = 1;
    return mask;
  }, new Uint8Array(regions.ids.length));
  const bare = absorbed(labelled, regions, (id) => lines.has(id));
  const left = regionsOf(bare);
  return areasOf(bare, left, backgroundOf(bare, left, asked), fit, covered);
}

/** The colours of what is shown, most first, with their shares of it. */
function shares({ list }: Regions, background: ReadonlySet<number>): { label: number; share: number }[] {
  const pixels = new Map<number, number>();
  let total = 0;
  list.forEach((r, id) => {
    if (background.has(id)) return;
    pixels.set(r.label, (pixels.get(r.label) ?? 0) + r.pixels);
    total += r.pixels;
  });
  return [...pixels].sort((a, b) => b[1] - a[1]).map(([label, n]) => ({ label, share: n / total }));
}
