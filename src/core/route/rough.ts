import { boundsTouch, distance } from '../geometry/point';
import { hypot } from '../units/trig';
import { sharedCells } from './cells';
import { TOUCHING_MM } from './coverGrid';
import type { RouteItem } from './item';
import type { Pace } from './seconds';

/** Gap between the boxes of two pieces, mm. */
export function boxGap(a: RouteItem, b: RouteItem): number {
  const dx = Math.max(0, a.box.minX - b.box.maxX, b.box.minX - a.box.maxX);
  const dy = Math.max(0, a.box.minY - b.box.maxY, b.box.minY - a.box.maxY);
  return hypot(dx, dy);
}

/**
 * Seconds that an order takes between its pieces, roughly: by how near two pieces come and whether something sewn later
 * joins them.
 * @returns the seconds of an order of all items
 */
export function roughCost(items: readonly RouteItem[], pace: Pace): (order: readonly number[]) => number {
  const n = items.length;
  const gaps = new Float32Array(n * n).fill(-1);
  const gap = (i: number, j: number): number => {
    const key = i * n + j;
    if (gaps[key]! < 0) gaps[key] = nearest(items[i]!, items[j]!);
    return gaps[key]!;
  };
  const over = items.map((item) => hiding(item, items));
  const at = new Int32Array(n);
  const joined = (i: number, j: number, k: number): boolean =>
    over[i]!.includes(j) || over[i]!.some((m) => at[m]! >= k && over[j]!.includes(m));
  const between = (i: number, j: number, k: number): number => {
    if (items[i]!.thread !== items[j]!.thread) return pace.change + pace.trim;
    const d = gap(i, j);
    return d <= TOUCHING_MM || joined(i, j, k) ? d * pace.mm : pace.trim + FAR_S_PER_MM * Math.min(d, FARTHEST_MM);
  };
  return (order) => {
    order.forEach((item, k) => (at[item] = k));
    let sum = 0;
    for (let k = 1; k < n; k++) sum += between(order[k - 1]!, order[k]!, k);
    return sum;
  };
}

/** Of two cuts the one over less cloth is better, up to so far. */
const FAR_S_PER_MM = 0.01;
const FARTHEST_MM = 100;
/** What it takes from anywhere on a rim to get going, mm. */
const RIM_MM = 0.5;

/** The least way from an end of one piece to a start of another, mm. */
function nearest(a: RouteItem, b: RouteItem): number {
  let least = Infinity;
  for (const { end } of a.candidates) for (const { start } of b.candidates) least = Math.min(least, distance(end, start));
  return (a.rim ?? b.rim) ? Math.min(least, boxGap(a, b) + RIM_MM) : least;
}

/** The items whose cover hides some of what this one paints. */
const hiding = (item: RouteItem, items: readonly RouteItem[]): number[] =>
  items.flatMap((o, j) => (o !== item && boundsTouch(item.box, o.box) && sharedCells(item.painted, o.hides) > 0 ? [j] : []));
