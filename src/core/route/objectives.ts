import type { RoutePolicy } from '../document/types';
import { boundsTouch } from '../geometry/point';
import type { Spans } from './cells';
import { isArea, type RouteItem } from './item';

/** What an order costs beyond machine time, in seconds that one would give to avoid it. */
export interface Objective {
  /** @param order items in sewing order */
  penalty(order: readonly number[]): number;
  /** Smaller comes first where machine time does not mind; for making a first order. */
  key(item: number): number;
  /** Items that want to come right after this one. */
  followers(item: number): readonly number[];
}

/** An outline that comes late: cloth will show between it and its fill (craft §6). */
const LATE_S = 40;
const LATER_S = 4;
const MOST_BETWEEN = 10;
/** On a cap every step down or inward pushes cloth: worth a cut, not a change of thread. */
const DOWN_CAP_S = 18;
const INWARD_CAP_S = 9;
/** What lies inside a border had better be sewn before it. */
const INNER_LATE_S = 15;
const HOP_S = 40;
/** Height of what counts as one row of a cap design, mm. */
const BAND_MM = 12;
const SECTION_MM = { least: 40, most: 150 };

const NO_FOLLOWERS: readonly number[] = [];

export function objectiveOf(policy: RoutePolicy, items: readonly RouteItem[]): Objective {
  if (policy === 'registration') return registration(items);
  if (policy === 'cap') return upwardAndOutward(items);
  if (policy === 'sections') return bySections(items);
  return { penalty: () => 0, key: () => 0, followers: () => NO_FOLLOWERS };
}

function registration(items: readonly RouteItem[]): Objective {
  const outlines = outlinesOf(items);
  return {
    penalty(order) {
      const at = new Int32Array(items.length);
      order.forEach((item, k) => (at[item] = k));
      let sum = 0;
      outlines.forEach((own, fill) => {
        for (const outline of own) {
          let between = 0;
          for (let k = at[fill]! + 1; k < at[outline]!; k++) if (!own.includes(order[k]!)) between++;
          if (between > 0) sum += LATE_S + LATER_S * Math.min(between, MOST_BETWEEN);
        }
      });
      return sum;
    },
    key: () => 0,
    followers: (item) => outlines[item]!,
  };
}

const WIDEST_OUTLINE_MM = 6;
const LEAST_FILL_MM2 = 25;
/** This share of an outline lies along the edge of what it outlines, and it follows this much of that edge. */
const ALONG_EDGE = 0.5;
const OF_EDGE = 0.35;
const RIM_CELLS = 3;

/** For each item the later, narrow ones that run along its edge. Items are in the given order. */
export function outlinesOf(items: readonly RouteItem[]): number[][] {
  return items.map((fill, f) => {
    if (!isArea(fill) || fill.areaMm2 < LEAST_FILL_MM2) return [];
    let rim: Rim | null = null;
    return items.flatMap((o, i) => {
      if (i <= f || isArea(o) || o.widthMm > WIDEST_OUTLINE_MM || !boundsTouch(fill.box, o.box)) return [];
      rim ??= rimOf(fill.painted);
      return shareIn(o.painted, rim.near) >= ALONG_EDGE && followed(rim, o.painted) >= OF_EDGE ? [i] : [];
    });
  });
}

const KEY = 100_000;
const keyOf = (row: number, column: number): number => (row + KEY / 2) * KEY + column + KEY / 2;

interface Rim {
  /** Cells at the edge itself. */
  edge: number[];
  /** Cells within a millimetre and a half of it, on either side. */
  near: Set<number>;
}

function rimOf(spans: Spans): Rim {
  const inside = new Set<number>();
  for (let i = 0; i < spans.length; i += 3) for (let c = spans[i + 1]!; c <= spans[i + 2]!; c++) inside.add(keyOf(spans[i]!, c));
  const near = new Set<number>();
  const edgeCells: number[] = [];
  for (let i = 0; i < spans.length; i += 3) {
    for (let c = spans[i + 1]!; c <= spans[i + 2]!; c++) {
      const r = spans[i]!;
      const edge = [keyOf(r - 1, c), keyOf(r + 1, c), keyOf(r, c - 1), keyOf(r, c + 1)].some((k) => !inside.has(k));
      if (!edge) continue;
      edgeCells.push(keyOf(r, c));
      for (let dr = -RIM_CELLS; dr <= RIM_CELLS; dr++) for (let dc = -RIM_CELLS; dc <= RIM_CELLS; dc++) near.add(keyOf(r + dr, c + dc));
    }
  }
  return { edge: edgeCells, near };
}

/** Share of an edge that something sewn comes near to. */
function followed({ edge }: Rim, spans: Spans): number {
  const cells = new Set<number>();
  for (let i = 0; i < spans.length; i += 3) {
    for (let c = spans[i + 1]!; c <= spans[i + 2]!; c++) {
      for (let dr = -RIM_CELLS; dr <= RIM_CELLS; dr++)
        for (let dc = -RIM_CELLS; dc <= RIM_CELLS; dc++) cells.add(keyOf(spans[i]! + dr, c + dc));
    }
  }
  return edge.length === 0 ? 0 : edge.filter((k) => cells.has(k)).length / edge.length;
}

function shareIn(spans: Spans, cells: ReadonlySet<number>): number {
  let [hit, all] = [0, 0];
  for (let i = 0; i < spans.length; i += 3) {
    for (let c = spans[i + 1]!; c <= spans[i + 2]!; c++) {
      all++;
      if (cells.has(keyOf(spans[i]!, c))) hit++;
    }
  }
  return all === 0 ? 0 : hit / all;
}

const middleX = (i: RouteItem): number => (i.box.minX + i.box.maxX) / 2;
const middleY = (i: RouteItem): number => (i.box.minY + i.box.maxY) / 2;

const encloses = (a: RouteItem, b: RouteItem): boolean =>
  a.box.minX < b.box.minX && a.box.minY < b.box.minY && a.box.maxX > b.box.maxX && a.box.maxY > b.box.maxY;

/** Items inside each column that goes round them. */
function insideOf(items: readonly RouteItem[]): number[][] {
  return items.map((border, b) => (isArea(border) ? [] : items.flatMap((inner, i) => (i !== b && encloses(border, inner) ? [i] : []))));
}

/**
 * Caps: each thread from its lowest row upward; in a row from the middle out to one side, then from the middle to the other.
 * Outlines come right after what they outline, and what lies inside a border before it.
 */
function upwardAndOutward(items: readonly RouteItem[]): Objective {
  const outlines = registration(items);
  const inside = insideOf(items);
  const lowest = Math.max(...items.map(middleY), -1e9);
  const bands = items.map((item) => Math.floor((lowest - middleY(item)) / BAND_MM + 0.5));
  const keys = items.map((item, i) => bands[i]! * 10_000 + (middleX(item) < -1 ? 2000 : 0) + Math.abs(middleX(item)));
  const against = (item: number, before: number): number =>
    bands[item]! < bands[before]! ? DOWN_CAP_S : keys[item]! < keys[before]! - 1 ? INWARD_CAP_S : 0;
  return {
    penalty(order) {
      const at = new Int32Array(items.length);
      order.forEach((item, k) => (at[item] = k));
      let sum = outlines.penalty(order);
      for (let k = 1; k < order.length; k++) {
        const [before, item] = [order[k - 1]!, order[k]!];
        if (items[before]!.thread === items[item]!.thread) sum += against(item, before);
      }
      inside.forEach((list, border) => (sum += INNER_LATE_S * list.filter((i) => at[i]! > at[border]!).length));
      return sum;
    },
    key: (item) => keys[item]!,
    followers: outlines.followers,
  };
}

/** Large work: one section is finished before the next is begun. */
function bySections(items: readonly RouteItem[]): Objective {
  const sectionOf = sectionsOf(items);
  return {
    penalty: (order) => HOP_S * hopsIn(order, sectionOf).length,
    key: (item) => sectionOf[item]!,
    followers: () => NO_FOLLOWERS,
  };
}

/** Number of the section that each item lies in. */
function sectionsOf(items: readonly RouteItem[]): number[] {
  const [xs, ys] = [items.map(middleX), items.map(middleY)];
  const [left, top] = [Math.min(...xs, 1e9), Math.min(...ys, 1e9)];
  const span = Math.max(Math.max(...xs, -1e9) - left, Math.max(...ys, -1e9) - top);
  const size = Math.min(SECTION_MM.most, Math.max(SECTION_MM.least, span / 2));
  return items.map((_, i) => {
    const [column, row] = [Math.floor((xs[i]! - left) / size), Math.floor((ys[i]! - top) / size)];
    // To and fro, so that the next section is always a neighbour.
    return row * 100 + (row % 2 === 0 ? column : 99 - column);
  });
}

/** Positions in an order at which the needle comes back to a section that it had left. */
function hopsIn(order: readonly number[], sectionOf: readonly number[]): number[] {
  const done = new Set<number>();
  let now = NaN;
  return order.flatMap((item, k) => {
    const section = sectionOf[item]!;
    if (section === now) return [];
    const back = done.has(section);
    done.add(section);
    now = section;
    return back ? [k] : [];
  });
}

/** Positions in an order at which the needle comes back to a finished section of large work. */
export const sectionHops = (items: readonly RouteItem[], order: readonly number[]): number[] => hopsIn(order, sectionsOf(items));
