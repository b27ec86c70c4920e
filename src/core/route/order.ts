import { boundsOf, boundsTouch, type Bounds } from '../geometry/point';
import { areaOf, intersect } from '../geometry/area';
import type { Area } from '../geometry/point';
import { nearbyOrder } from './nearby';
import { threadBlocks } from './threadBlocks';

/** What the first order needs to know of a piece, in painting order (background first). */
export interface OrderItem {
  thread: string;
  painted: Area;
  /** Whether it comes after everything else. */
  last?: boolean;
}

/** Pieces that share less than this lie beside each other, not on each other, mm². */
const ON_TOP_MM2 = 0.05;

/**
 * A sensible first order: as few changes of thread as what lies over what allows, and one over the other as drawn. Pieces of one thread come so that each lies near the one before it.
 * @returns indices into `items`
 */
export function firstOrder(items: readonly OrderItem[]): number[] {
  const boxes = items.map((i) => boundsOf(i.painted));
  const under = items.map((item, i) => (item.last ? items.flatMap((other, j) => (other.last ? [] : [j])) : below(items, boxes, i)));
  return inBlocks(
    items.map((i) => i.thread),
    boxes,
    under,
  );
}

/**
 * In as few blocks of one thread as may be, each in an order in which every piece lies near the one before it.
 * @param under for each piece those that must come before it, all with smaller numbers
 */
export function inBlocks(threads: readonly string[], boxes: readonly Bounds[], under: readonly (readonly number[])[]): number[] {
  const waiting = new Set(threads.map((_, i) => i));
  const out: number[] = [];
  for (const thread of threadBlocks(threads, under)) {
    const block: number[] = [];
    for (;;) {
      const ready = [...waiting].filter((i) => threads[i] === thread && under[i]!.every((j) => !waiting.has(j)));
      if (ready.length === 0) break;
      block.push(...ready);
      ready.forEach((i) => waiting.delete(i));
    }
    out.push(...nearbyOrder(boxes, block, under));
  }
  return out;
}

/** That order, where all that must come before a piece has a smaller number; else none. */
export function blockOrders(threads: readonly string[], boxes: readonly Bounds[], under: readonly (readonly number[])[]): number[][] {
  return under.some((list, i) => list.some((j) => j > i)) ? [] : [inBlocks(threads, boxes, under)];
}

/** Earlier pieces that piece `i` lies on, or whose seam it covers. */
function below(items: readonly OrderItem[], boxes: readonly Bounds[], i: number): number[] {
  const out: number[] = [];
  for (let j = 0; j < i; j++) {
    if (!boundsTouch(boxes[i]!, boxes[j]!)) continue;
    if (areaOf(intersect(items[i]!.painted, items[j]!.painted)) > ON_TOP_MM2) out.push(j);
  }
  return out;
}
