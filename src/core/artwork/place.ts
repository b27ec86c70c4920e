import { clean, intersect, simplify, unite } from '../geometry/area';
import { strokeOf } from '../geometry/stroke';
import { flatten, flattenSubpath, transformPath, type Matrix, type Path } from '../geometry/path';
import { boundsOf, type Area, type Bounds, type Line, type Point } from '../geometry/point';
import { InputError, reasonOf } from '../document/errors';
import type { ArtDocument, ArtItem, ClipShape } from './readSvg';
import { boxOfText } from './texts';

/** An item at real size: shapes in mm, the painted drawing centred on 0,0. */
export interface PlacedItem {
  name: string;
  hex: string;
  opaque: boolean;
  alpha: number;
  element: number;
  /** What it paints. */
  area: Area;
  /** Outline with its curves, when nothing was clipped. */
  path: Path;
  rule: ArtItem['rule'];
  stroke?: {
    lines: readonly { points: Line; closed: boolean }[];
    widthMm: number;
    cap: 'butt' | 'round' | 'square';
    join: 'miter' | 'round' | 'bevel';
  };
  clipped: boolean;
}

export interface WantedSize {
  width?: number;
  height?: number;
}

/** Names of shapes that could not be worked out, each with the reason. */
export type LeftOut = Map<string, string>;

export interface PlacedArt {
  leftOut: LeftOut;
  items: PlacedItem[];
  /** Size of what is painted, mm. */
  width: number;
  height: number;
  /** From the drawing's units to mm. */
  matrix: Matrix;
}

/** Width in working units at which the painted box is first measured, so that the clipper's precision fits any drawing. */
const MEASURING_SIZE = 100;

/** A line with its first point again at its end where it is closed. */
export const goneRound = ({ points, closed }: { points: Line; closed: boolean }): Point[] =>
  closed ? [...points, points[0]!] : points.slice();

function strokeLines(path: Path): { points: Line; closed: boolean }[] {
  return path.map((s) => ({ points: flattenSubpath(s), closed: s.closed })).filter((l) => l.points.length > 1);
}

/** More outline nodes than this within one shape are detail finer than thread: they are thinned, mm by mm. */
const MOST_NODES = 20_000;
const THINNING_MM = [0.02, 0.05, 0.1, 0.2];

/** Outlines with no more nodes than thread can follow. */
function thinned(area: Area): Area {
  const count = (a: Area): number => a.reduce((n, ring) => n + ring.length, 0);
  let out = area;
  for (const mm of THINNING_MM) if (count(out) > MOST_NODES) out = simplify(area, mm);
  if (count(out) > MOST_NODES) throw tooFine();
  return out;
}

const tooFine = (): InputError => new InputError('too-complex', 'it has more detail than thread can follow; simplify it');

/** Lays shapes at one place and size; the areas of clips, which many shapes share, are kept. */
class Placer {
  private readonly clips = new Map<ClipShape, Area>();

  constructor(
    private readonly m: Matrix,
    private readonly scale: number,
    private readonly leftOut: LeftOut,
  ) {}

  private clipArea(clip: ClipShape): Area {
    const known = this.clips.get(clip);
    if (known) return known;
    const made = unite(...clip.paths.map((c) => this.filled(transformPath(c.path, this.m), c.rule)));
    this.clips.set(clip, made);
    return made;
  }

  private filled(path: Path, rule: ArtItem['rule']): Area {
    return thinned(clean(flatten(path), rule));
  }

  /** A shape that cannot be worked out paints nothing, and is named; the others are not lost for it. */
  place(item: ArtItem): PlacedItem {
    try {
      return this.worked(item);
    } catch (error) {
      const why = reasonOf(error, 'it cannot be worked out; draw it anew');
      this.leftOut.set(nameOf(item), why);
      const { name, hex, alpha, element, rule } = item;
      return { name, hex, opaque: false, alpha, element, rule, area: [], path: [], clipped: true };
    }
  }

  private worked(item: ArtItem): PlacedItem {
    const path = transformPath(item.path, this.m);
    const { name, hex, alpha, element, rule } = item;
    const common = { name, hex, opaque: alpha >= 0.95, alpha, element, rule, path };
    const clips = item.clips.map((c) => this.clipArea(c));
    const within = (area: Area): Area => clips.reduce((a, c) => intersect(a, c), area);
    if (!item.stroke) return { ...common, area: within(this.filled(path, item.rule)), clipped: clips.length > 0 };
    const { cap, join, miterLimit } = item.stroke;
    const widthMm = item.stroke.width * this.scale;
    const lines = strokeLines(path);
    const shape = { widthMm, cap, join, miterLimit };
    const area = thinned(unite(...path.map((s) => strokeOf(s, shape))));
    return { ...common, area: within(area), stroke: { lines, widthMm, cap, join }, clipped: clips.length > 0 };
  }
}

function roughBoxOf(i: ArtItem): Bounds {
  const pad = (i.stroke?.width ?? 0) / 2;
  const b = boundsOf(i.path.map((s) => [s.start, ...s.segments.flatMap((g) => [g.c1, g.c2, g.to]).filter((p) => p !== undefined)]));
  return { minX: b.minX - pad, minY: b.minY - pad, maxX: b.maxX + pad, maxY: b.maxY + pad };
}

function roughBounds(doc: ArtDocument): Bounds {
  const corners = [...doc.items.map(roughBoxOf), ...textBoxes(doc)].flatMap((b) => [
    { x: b.minX, y: b.minY },
    { x: b.maxX, y: b.maxY },
  ]);
  return boundsOf([corners]);
}

const textBoxes = (doc: ArtDocument): Bounds[] => (doc.texts ?? []).map(boxOfText).filter((b) => b !== null);

/** A shape so many times its usual size away from the others would leave nothing of them at any size of a hoop. */
const FAR = 10_000;
const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/** Leaves out shapes that lie, or reach, absurdly far from the rest, and names them. */
function withoutFar(doc: ArtDocument, leftOut: LeftOut): ArtDocument {
  if (doc.items.length < 2) return doc;
  const boxes = doc.items.map(roughBoxOf);
  const [x, y] = [median(boxes.map((b) => (b.minX + b.maxX) / 2)), median(boxes.map((b) => (b.minY + b.maxY) / 2))];
  const reach = FAR * median(boxes.map(extent));
  const far = (b: Bounds): boolean => reach > 0 && Math.max(x - b.minX, b.maxX - x, y - b.minY, b.maxY - y) > reach;
  const items = doc.items.filter((item, i) => {
    if (!far(boxes[i]!)) return true;
    leftOut.set(nameOf(item), 'it reaches far outside of the drawing; move it nearer');
    return false;
  });
  return items.length === doc.items.length || items.length === 0 ? doc : { ...doc, items };
}

const nameOf = (item: ArtItem): string => item.name || `shape ${item.element + 1}`;

const NO_EXTENT = 'This artwork paints nothing that could be sewn; give its shapes a fill or a stroke and try again.';

function extent(b: Bounds): number {
  return Math.max(b.maxX - b.minX, b.maxY - b.minY);
}

/**
 * Brings a drawing to real size: `width` or `height` is the size of what is painted. Without either, the document's own
 * physical size counts.
 * @throws InputError when nothing is painted or no size is known
 */
export function placeArt(whole: ArtDocument, wanted: WantedSize): PlacedArt {
  const leftOut: LeftOut = new Map();
  const doc = withoutFar(whole, leftOut);
  const rough = roughBounds(doc);
  const texts = textBoxes(doc);
  if (doc.items.length + texts.length === 0 || !(extent(rough) > 0) || !Number.isFinite(extent(rough)))
    throw new InputError('empty-art', NO_EXTENT);
  const first = MEASURING_SIZE / extent(rough);
  const measuring = new Placer([first, 0, 0, first, -rough.minX * first, -rough.minY * first], first, leftOut);
  const measured = doc.items.map((i) => measuring.place(i));
  const lettered = texts.map((b) => [
    { x: (b.minX - rough.minX) * first, y: (b.minY - rough.minY) * first },
    { x: (b.maxX - rough.minX) * first, y: (b.maxY - rough.minY) * first },
  ]);
  const box = boundsOf([...measured.flatMap((i) => i.area), ...lettered]);
  const [w, h] = [(box.maxX - box.minX) / first, (box.maxY - box.minY) / first];
  if (!(w > 0) || !(h > 0))
    throw new InputError(
      'empty-art',
      leftOut.size === 0 ? NO_EXTENT : `Nothing of this artwork can be sewn: ${[...leftOut].map(([name, why]) => `‘${name}’: ${why}`)[0]}.`,
    );
  const scale = scaleFor(wanted, w, h, doc.mmPerUnit);
  requireSewable(w * scale, h * scale);
  const cx = rough.minX + (box.minX + box.maxX) / 2 / first;
  const cy = rough.minY + (box.minY + box.maxY) / 2 / first;
  const matrix: Matrix = [scale, 0, 0, scale, -cx * scale, -cy * scale];
  const ratio = scale / first;
  const near = ratio > 0.5 && ratio < 1.5;
  const placer = new Placer(matrix, scale, leftOut);
  const items = doc.items
    .map((item, i) => (near ? rescaled(item, measured[i]!, matrix, ratio, first, rough) : placer.place(item)))
    .filter((i) => i.area.length > 0);
  return { items, width: w * scale, height: h * scale, matrix, leftOut };
}

/** No hoop holds more than this, mm. */
const LARGEST_MM = 1000;

function requireSewable(width: number, height: number): void {
  if (Math.max(width, height) <= LARGEST_MM) return;
  throw new InputError(
    'too-big-for-hoop',
    `The artwork is ${width.toFixed(1)} x ${height.toFixed(1)} mm, larger than any hoop; make it smaller, or remove what lies far outside of it.`,
  );
}

/** Lays areas that were measured at a like size to their final place instead of computing them again. */
function rescaled(item: ArtItem, measured: PlacedItem, m: Matrix, ratio: number, first: number, rough: Bounds): PlacedItem {
  const dx = m[4] + rough.minX * first * ratio;
  const dy = m[5] + rough.minY * first * ratio;
  const path = transformPath(item.path, m);
  const area = measured.area.map((ring) => ring.map((p) => ({ x: p.x * ratio + dx, y: p.y * ratio + dy })));
  if (!measured.stroke) return { ...measured, path, area };
  return { ...measured, path, area, stroke: { ...measured.stroke, widthMm: measured.stroke.widthMm * ratio, lines: strokeLines(path) } };
}

function scaleFor(wanted: WantedSize, w: number, h: number, mmPerUnit: number | null): number {
  for (const v of [wanted.width, wanted.height]) {
    if (v !== undefined && !(Number.isFinite(v) && v >= 1 && v <= 1000)) {
      throw new InputError('bad-size', 'The finished size must be a number from 1 to 1000 mm.');
    }
  }
  if (wanted.width !== undefined) return wanted.width / w;
  if (wanted.height !== undefined) return wanted.height / h;
  if (mmPerUnit !== null) return mmPerUnit;
  throw new InputError('no-size', 'The artwork does not say how large it is; give its finished width or height in mm.');
}
