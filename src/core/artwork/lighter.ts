import Flatbush from 'flatbush';
import { InputError } from '../document/errors';
import { areaOf, components, offset, simplify, unite } from '../geometry/area';
import { ringsToData } from '../geometry/path';
import { boundsOf, type Area } from '../geometry/point';
import { DROP_MM2 } from './artRegions';
import { placeArt, type PlacedArt, type PlacedItem } from './place';
import type { ArtDocument } from './readSvg';

/** How a drawing of too many shapes is made lighter: what touches in one colour becomes one, or only the largest are taken. */
export type LighterWay = 'merge' | 'largest';

export interface Lighter {
  svg: string;
  /** Shapes that paint, before and after. */
  before: number;
  after: number;
  /** Share of the painted area that was left out, 0 to 1. */
  lost: number;
  /** Texts of the drawing, which are left out. */
  texts: number;
}

/** So many parts are still worked out in good time. */
export const MOST_LIGHT = 1000;
/** Shapes of one colour no farther apart than this touch: no needle leaves so narrow a gap. */
const TOUCHING_MM = 0.2;
const SMOOTH_MM = 0.02;

interface Part {
  hex: string;
  area: Area;
  mm2: number;
}

/**
 * A drawing with so few parts that they can be sewn, at its own size or else `guessMm` wide; painted as before but for what is left out.
 * @throws InputError when nothing can be sewn of it
 */
export function lighterDrawing(
  doc: ArtDocument,
  way: LighterWay,
  guessMm: number,
  progress: (done: number) => void = () => undefined,
): Lighter {
  const art = placed(doc, guessMm);
  const items = art.items.filter((i) => areaOf(i.area) >= DROP_MM2);
  progress(0.2);
  const parts = way === 'merge' ? merged(items, (done) => progress(0.2 + 0.7 * done)) : items.map(partOf);
  const taken = largest(parts, MOST_LIGHT);
  const sum = (all: readonly Part[]): number => all.reduce((mm2, p) => mm2 + p.mm2, 0);
  progress(1);
  return {
    svg: written(taken, art),
    before: doc.items.length,
    after: taken.length,
    lost: 1 - sum(taken) / (sum(parts) || 1),
    texts: doc.texts?.length ?? 0,
  };
}

function placed(doc: ArtDocument, guessMm: number): PlacedArt {
  try {
    return placeArt(doc, {});
  } catch (error) {
    if (!(error instanceof InputError) || error.code !== 'no-size') throw error;
    return placeArt(doc, { width: guessMm });
  }
}

const partOf = ({ hex, area }: Pick<PlacedItem, 'hex' | 'area'>): Part => ({ hex, area, mm2: areaOf(area) });

/** The largest, painted in their order. */
function largest(parts: readonly Part[], most: number): Part[] {
  if (parts.length <= most) return [...parts];
  const least = parts.map((p) => p.mm2).sort((a, b) => b - a)[most - 1]!;
  return parts.filter((p) => p.mm2 >= least).slice(0, most);
}

/** What touches in one colour as one part. A shape is merged only with those that no other colour was painted over meanwhile. */
function merged(items: readonly PlacedItem[], progress: (done: number) => void): Part[] {
  const groups = new Map<string, PlacedItem[]>();
  const levels = levelsOf(items);
  items.forEach((item, i) => {
    const key = `${String(levels[i]).padStart(6, '0')} ${item.hex}`;
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  });
  const keys = [...groups.keys()].sort((a, b) => Number(a.slice(0, 6)) - Number(b.slice(0, 6)));
  return keys.flatMap((key, k) => {
    progress(k / keys.length);
    const group = groups.get(key)!;
    const united = unite(...group.map((i) => i.area));
    const grown = group.length > 1 ? offset(offset(united, TOUCHING_MM / 2), -TOUCHING_MM / 2) : united;
    return components(simplify(grown, SMOOTH_MM))
      .map((area) => partOf({ hex: group[0]!.hex, area }))
      .filter((p) => p.mm2 >= DROP_MM2);
  });
}

/** How many times another colour lies under each shape, one over the other: shapes of one level and colour may be painted at once. */
function levelsOf(items: readonly PlacedItem[]): number[] {
  const boxes = new Flatbush(Math.max(1, items.length));
  const bounds = items.map((i) => boundsOf(i.area));
  for (const b of bounds) boxes.add(b.minX, b.minY, b.maxX, b.maxY);
  if (items.length === 0) boxes.add(0, 0, 0, 0);
  boxes.finish();
  const levels: number[] = [];
  items.forEach((item, i) => {
    const b = bounds[i]!;
    let level = 0;
    boxes.search(b.minX, b.minY, b.maxX, b.maxY, (k) => {
      if (k < i) level = Math.max(level, levels[k]! + (items[k]!.hex === item.hex ? 0 : 1));
      return false;
    });
    levels.push(level);
  });
  return levels;
}

function written(parts: readonly Part[], { width, height }: PlacedArt): string {
  const mm = (v: number): string => v.toFixed(3);
  const paths = parts.map(({ hex, area }) => `<path fill="${hex}" fill-rule="evenodd" d="${ringsToData(area)}"/>`);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="${mm(-width / 2)} ${mm(-height / 2)} ${mm(width)} ${mm(height)}">`,
    ...paths,
    '</svg>\n',
  ].join('\n');
}
