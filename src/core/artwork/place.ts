import { clean, intersect, unite } from '../geometry/area';
import { strokeOf } from '../geometry/stroke';
import { flatten, flattenSubpath, transformPath, type Matrix, type Path } from '../geometry/path';
import { boundsOf, type Area, type Bounds, type Line } from '../geometry/point';
import { InputError } from '../document/errors';
import type { ArtDocument, ArtItem, ClipShape } from './svg';

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

export interface PlacedArt {
  items: PlacedItem[];
  /** Size of what is painted, mm. */
  width: number;
  height: number;
  /** From the drawing's units to mm. */
  matrix: Matrix;
}

/** Width in working units at which the painted box is first measured, so that the clipper's precision fits any drawing. */
const MEASURING_SIZE = 100;

function strokeLines(path: Path): { points: Line; closed: boolean }[] {
  return path.map((s) => ({ points: flattenSubpath(s), closed: s.closed })).filter((l) => l.points.length > 1);
}

function clipArea(clip: ClipShape, m: Matrix): Area {
  return unite(...clip.paths.map((c) => clean(flatten(transformPath(c.path, m)), c.rule)));
}

function placeItem(item: ArtItem, m: Matrix, scale: number): PlacedItem {
  const path = transformPath(item.path, m);
  const common = { name: item.name, hex: item.hex, opaque: item.alpha >= 0.95, alpha: item.alpha, element: item.element, path };
  const clips = item.clips.map((c) => clipArea(c, m));
  const within = (area: Area): Area => clips.reduce((a, c) => intersect(a, c), area);
  if (!item.stroke) return { ...common, area: within(clean(flatten(path), item.rule)), clipped: clips.length > 0 };
  const { cap, join, miterLimit } = item.stroke;
  const widthMm = item.stroke.width * scale;
  const lines = strokeLines(path);
  const shape = { widthMm, cap, join, miterLimit };
  const area = unite(...path.map((s) => strokeOf(s, shape)));
  return { ...common, area: within(area), stroke: { lines, widthMm, cap, join }, clipped: clips.length > 0 };
}

function roughBounds(doc: ArtDocument): Bounds {
  const points = doc.items.flatMap((i) => {
    const pad = (i.stroke?.width ?? 0) / 2;
    const b = boundsOf(i.path.map((s) => [s.start, ...s.segments.flatMap((g) => [g.c1, g.c2, g.to]).filter((p) => p !== undefined)]));
    return [
      { x: b.minX - pad, y: b.minY - pad },
      { x: b.maxX + pad, y: b.maxY + pad },
    ];
  });
  return boundsOf([points]);
}

const NO_EXTENT = 'This artwork paints nothing that could be sewn; give its shapes a fill or a stroke and try again.';

function extent(b: Bounds): number {
  return Math.max(b.maxX - b.minX, b.maxY - b.minY);
}

/**
 * Brings a drawing to real size: `width` or `height` is the size of what is painted. Without either, the document's own
 * physical size counts.
 * @throws InputError when nothing is painted or no size is known
 */
export function placeArt(doc: ArtDocument, wanted: WantedSize): PlacedArt {
  const rough = roughBounds(doc);
  if (doc.items.length === 0 || !(extent(rough) > 0) || !Number.isFinite(extent(rough))) throw new InputError('empty-art', NO_EXTENT);
  const first = MEASURING_SIZE / extent(rough);
  const measured = doc.items.map((i) => placeItem(i, [first, 0, 0, first, -rough.minX * first, -rough.minY * first], first));
  const box = boundsOf(measured.flatMap((i) => i.area));
  const [w, h] = [(box.maxX - box.minX) / first, (box.maxY - box.minY) / first];
  if (!(w > 0) || !(h > 0)) throw new InputError('empty-art', NO_EXTENT);
  const scale = scaleFor(wanted, w, h, doc.mmPerUnit);
  const cx = rough.minX + (box.minX + box.maxX) / 2 / first;
  const cy = rough.minY + (box.minY + box.maxY) / 2 / first;
  const matrix: Matrix = [scale, 0, 0, scale, -cx * scale, -cy * scale];
  const ratio = scale / first;
  const near = ratio > 0.5 && ratio < 1.5;
  const items = doc.items
    .map((item, i) => (near ? rescaled(item, measured[i]!, matrix, ratio, first, rough) : placeItem(item, matrix, scale)))
    .filter((i) => i.area.length > 0);
  return { items, width: w * scale, height: h * scale, matrix };
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
