import Flatbush from 'flatbush';
import { InputError } from '../document/errors';
import { areaOf, components, cutLines, intersect, ringArea, simplify, strokeArea, subtract, unite } from '../geometry/area';
import { fittedData } from '../geometry/fit';
import { once } from '../geometry/known';
import { joinedThrough, lineLength } from '../geometry/line';
import { widthRange, type MedialAxis, type WidthRange } from '../geometry/medial';
import { outlineOf } from '../geometry/outline';
import { flattenSubpath, formatPath, ringsToData } from '../geometry/path';
import { boundsOf, type Area, type Line } from '../geometry/point';
import { SPECK_MM2 } from '../units/tolerances';
import { buriedEnds } from './buriedEnds';
import { carveBeneath, type Carved } from './knockout';
import { doubledStretches } from './doubledLines';
import { Cover } from './laterCover';
import { goneRound, type PlacedArt, type PlacedItem } from './place';
import type { Hiding } from './tucks';

/** One connected part of the drawing at real size. */
export interface Region {
  name: string;
  hex: string;
  /** What it paints; empty when that has to be worked out from its line. */
  area: Area;
  /** What it may run on under; absent where nothing lies on or beside it, and when it does so already. */
  hiding?: Hiding;
  /** What of the area is not hidden by neighbours; all of it when absent. */
  seen?: Area;
  /** Path data in mm: the outline, or the middle line of a stroke. */
  data: string;
  /** Set when the region is a stroke that can be sewn along its line. */
  stroke: { widthMm: number; cap: 'butt' | 'round' | 'square'; join: 'miter' | 'round' | 'bevel' } | null;
  areaMm2: number;
  width: WidthRange;
  axis: MedialAxis | null;
  /** Length of the region along its middle, mm. */
  lengthMm: number;
}

export interface RegionReport {
  regions: Region[];
  /** Parts too small to sew. */
  specks: number;
  /** Parts wholly hidden under later ones. */
  hidden: number;
  /** Faint paint over other paint: light and shade that thread gives by itself. */
  shading: number;
}

const KEEP_DETAIL_MM = 0.01;
/** What clipping leaves along coincident edges was never drawn, so it is no speck either, mm². */
const CRUMB_MM2 = 0.01;
/** Curves put back on outlines that were cut stay this near to them, mm: half a tenth of a thread. */
const FIT_MM = 0.02;
/** Specks are dropped below this; it is smaller than the engine's own limit because dots down to it can be a knot of thread. */
export const DROP_MM2 = SPECK_MM2 * 0.6;

/** Splits placed artwork into regions, back to front, cutting away what later ones hide. */
export function findRegions(art: PlacedArt): RegionReport {
  const report: RegionReport = { regions: [], specks: 0, hidden: 0, shading: 0 };
  const items = mergeOwnStrokes(art.items);
  const boxes = indexOf(items);
  requireFewOverlaps(items, boxes);
  const carved = carvedFromAbove(items);
  const leftOut = leftOutOfLines(items);
  items.forEach((item, i) => {
    if (isSpeck(item)) {
      report.specks++;
      return;
    }
    if (isShading(items, boxes, i)) {
      report.shading++;
      return;
    }
    const { area, hiding, removed } = carved[i]!();
    if (area.length === 0) {
      report.hidden++;
      return;
    }
    const made =
      item.stroke && !item.clipped ? strokeRegions(item, removed, leftOut[i]!) : areaRegions(item, area, area === item.area, hiding);
    for (const region of made) {
      if (region.areaMm2 < DROP_MM2) report.specks++;
      else report.regions.push(region);
    }
    if (report.regions.length > MOST_REGIONS) throw tooMany();
  });
  return report;
}

const isSpeck = (item: PlacedItem): boolean => !item.stroke && areaOf(item.area) < DROP_MM2;

/** More parts than this in one hoop are no design that anyone would sew, and would take minutes to work out. */
const MOST_REGIONS = 1500;
const MOST_SHAPES = 2500;
/** Pairs of shapes that may lie over each other. */
const MOST_OVERLAPS = 12_000;

function requireFewOverlaps(items: readonly PlacedItem[], boxes: Flatbush): void {
  const shapes = items.filter((item) => !isSpeck(item));
  if (shapes.length > MOST_SHAPES) throw tooMany();
  let pairs = 0;
  for (const { area } of shapes) {
    const b = boundsOf(area);
    boxes.search(b.minX, b.minY, b.maxX, b.maxY, (k) => (isSpeck(items[k]!) || pairs++, false));
    if (pairs > 2 * MOST_OVERLAPS + shapes.length)
      throw new InputError(
        'too-complex',
        'Too many shapes of this artwork lie over one another; unite or remove what is hidden, and try again.',
      );
  }
}

const tooMany = (): InputError =>
  new InputError(
    'too-complex',
    `This artwork has more than ${MOST_REGIONS} parts to sew; simplify it, or divide it into several drawings.`,
  );

function indexOf(items: readonly PlacedItem[]): Flatbush {
  const index = new Flatbush(Math.max(1, items.length));
  for (const item of items) {
    const b = boundsOf(item.area);
    index.add(b.minX, b.minY, b.maxX, b.maxY);
  }
  if (items.length === 0) index.add(0, 0, 0, 0);
  index.finish();
  return index;
}

/** What remains of each item, from the last painted to the first: what is left out above does not weigh on what lies beneath. */
function carvedFromAbove(items: readonly PlacedItem[]): (() => Carved)[] {
  const [cover, twice] = [new Cover(), new Cover()];
  const out: (() => Carved)[] = [];
  for (let i = items.length - 1; i >= 0; i--) {
    const item = items[i]!;
    const over = isSpeck(item) ? [] : cover.over(item);
    const stacked = over.length === 0 ? [] : twice.over(item);
    const carved = once(() => carveBeneath(item, over, stacked));
    out[i] = carved;
    cover.add(item);
    if (item.opaque && !item.stroke && over.length > 0) twice.add({ ...item, area: intersect(carved().area, over) });
  }
  return out;
}

const FAINT_ALPHA = 0.35;

function isShading(items: readonly PlacedItem[], boxes: Flatbush, i: number): boolean {
  const item = items[i]!;
  if (item.alpha >= FAINT_ALPHA) return false;
  const b = boundsOf(item.area);
  const near = boxes.search(b.minX, b.minY, b.maxX, b.maxY, (k) => k < i && items[k]!.alpha >= FAINT_ALPHA);
  const before = near.sort((p, q) => p - q).map((k) => items[k]!);
  return areaOf(subtract(item.area, unite(...before.map((b) => b.area)))) < 0.02 * areaOf(item.area);
}

/** A shape and its stroke in one colour are one area, only bolder. */
function mergeOwnStrokes(items: readonly PlacedItem[]): PlacedItem[] {
  const out: PlacedItem[] = [];
  for (const item of items) {
    const before = out[out.length - 1];
    if (
      before &&
      item.stroke &&
      !before.stroke &&
      before.element === item.element &&
      before.hex === item.hex &&
      before.opaque === item.opaque
    ) {
      out[out.length - 1] = { ...before, area: components([...before.area, ...item.area]).flat(), clipped: true };
    } else out.push(item);
  }
  return out;
}

/** @param doubled for each line where it is left out; null when nowhere */
/** For each item and each line of its stroke where it is left out: stretches that are drawn twice, ends buried in others. */
function leftOutOfLines(items: readonly PlacedItem[]): (Area[] | null)[] {
  const doubled = doubledStretches(items);
  const buried = buriedEnds(items, doubled);
  return items.map((item, i) =>
    doubled[i] || buried[i] ? (item.stroke?.lines ?? []).map((_, k) => unite(doubled[i]?.[k] ?? [], buried[i]?.[k] ?? [])) : null,
  );
}

function strokeRegions(item: PlacedItem, removed: Area, leftOut: readonly Area[] | null): Region[] {
  const stroke = item.stroke!;
  const drawn = stroke.lines.map((l, i) => ({ line: goneRound(l), sub: item.path[i]! }));
  const isCut = removed.length > 0 || leftOut !== null;
  const pieces = isCut ? drawn.flatMap(({ line }, i) => cutLine(line, unite(removed, leftOut?.[i] ?? []))) : [];
  const { widthMm, cap, join } = stroke;
  const make = (data: string, length: number, area: Area): Region => ({
    name: item.name,
    hex: item.hex,
    area,
    data,
    stroke: { widthMm, cap, join },
    areaMm2: length * widthMm,
    width: { min: widthMm, median: widthMm, max: widthMm },
    axis: null,
    lengthMm: length,
  });
  if (isCut) {
    return pieces.filter((l) => lineLength(l) > 0.3).map((l) => make(ringsToData([l], false), lineLength(l), []));
  }
  return drawn.flatMap((d) => {
    const length = lineLength(d.line);
    if (cap !== 'butt' && length < widthMm) return dotRegions(item, d.line);
    return length > 0.05 ? [make(formatPath([d.sub]), length, drawn.length === 1 ? item.area : [])] : [];
  });
}

/** What is left of a line; a closed one goes on through its start. */
const cutLine = (line: Line, removed: Area): Line[] => (removed.length === 0 ? [line] : joinedThrough(cutLines([line], removed), line[0]!));

/** A stroke shorter than it is wide is a dot: its caps are all there is of it. */
function dotRegions(item: PlacedItem, line: Line): Region[] {
  const from = line[0]!;
  const to = line[line.length - 1]!;
  const drawn = lineLength(line) > 0.001 ? line : [from, { x: to.x + 0.001, y: to.y }];
  return areaRegions(item, strokeArea([drawn], false, { ...item.stroke!, miterLimit: 4 }), false);
}

function areaRegions(item: PlacedItem, area: Area, untouched: boolean, hiding?: Hiding): Region[] {
  const parts = components(simplify(area, KEEP_DETAIL_MM))
    .filter((part) => areaOf(part) > CRUMB_MM2)
    .map(sewable);
  return parts.map((part) => {
    const drawn = item.path.reduce((n, s) => n + s.segments.length, 0) <= MOST_NODES;
    const keepsCurves = untouched && drawn && parts.length === 1 && !item.clipped && item.path.every((s) => s.closed) && readsAlike(item);
    const region = regionFrom(item, part, keepsCurves ? formatPath(item.path) : fittedData(part, FIT_MM));
    return hiding ? { ...region, hiding } : region;
  });
}

/** Outlines are read again by the even-odd rule, which takes out what a path covers twice. */
function readsAlike({ rule, path, area }: PlacedItem): boolean {
  if (rule === 'evenodd') return true;
  const whole = areaOf(area);
  return Math.abs(Math.abs(path.reduce((sum, s) => sum + ringArea(flattenSubpath(s)), 0)) - whole) < 1e-3 * whole;
}

/** Nodes of one region beyond which its outline is drawn more simply: detail finer than thread only costs time. */
const MOST_NODES = 4000;
const SIMPLER_MM = [0.03, 0.06, 0.12, 0.24];

function sewable(part: Area): Area {
  let out = part;
  for (const mm of SIMPLER_MM) if (out.reduce((n, ring) => n + ring.length, 0) > MOST_NODES) out = simplify(part, mm);
  return out;
}

/** A region of one connected area, measured. */
function regionFrom({ name, hex }: { name: string; hex: string }, part: Area, data: string): Region {
  const speck = areaOf(part) < DROP_MM2;
  const outline = speck ? null : outlineOf(data);
  const area = outline && outline.parts.length > 0 ? outline.area : part;
  const axis = outline && outline.parts.length > 0 ? outline.axisOf(0) : { branches: [], maxRadius: 0 };
  return {
    name,
    hex,
    area,
    data,
    stroke: null,
    areaMm2: areaOf(area),
    width: widthRange(axis),
    axis,
    lengthMm: axis.branches.reduce((s, b) => s + lineLength(b.points), 0),
  };
}

/**
 * A region with another area in place of its own; its name, colour and what it may run on under stay. Parts that fall
 * off become regions of their own.
 */
export const withArea = (region: Region, area: Area): Region[] =>
  components(simplify(area, KEEP_DETAIL_MM))
    .filter((part) => areaOf(part) > DROP_MM2)
    .map((part) => ({ ...regionFrom(region, part, fittedData(part, FIT_MM)), ...(region.hiding ? { hiding: region.hiding } : {}) }));

/** A region of which a part runs on under others: it is as wide and as long as what is seen of it. */
export function lengthenedTo(region: Region, area: Area): Region {
  const whole = simplify(area, KEEP_DETAIL_MM);
  const made: Region = { ...region, seen: region.area, area: whole, data: fittedData(whole, FIT_MM), areaMm2: areaOf(whole) };
  delete made.hiding;
  return made;
}
