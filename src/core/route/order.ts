import { boundsOf, boundsTouch, type Bounds } from '../geometry/point';
import { areaOf, intersect } from '../geometry/area';
import type { Area } from '../geometry/point';

/** What the first order needs to know of a piece, in painting order (background first). */
export interface OrderItem {
  thread: string;
  painted: Area;
}

/** Pieces that share less than this lie beside each other, not on each other, mm². */
const ON_TOP_MM2 = 0.05;

/**
 * A sensible first order: background to foreground, with pieces of one thread sewn together wherever no other piece
 * that lies between them forbids it, and one over the other as drawn. Among pieces of one thread that may be next, the nearest one is.
 * @returns indices into `items`
 */
export function firstOrder(items: readonly OrderItem[]): number[] {
  const boxes = items.map((i) => boundsOf(i.painted));
  const under = items.map((_, i) => below(items, boxes, i));
  const waiting = new Set(items.map((_, i) => i));
  const out: number[] = [];
  const free = (i: number): boolean => under[i]!.every((j) => !waiting.has(j));
  let thread = '';
  let here = { x: 0, y: 0 };
  while (waiting.size > 0) {
    const ready = [...waiting].filter(free);
    const same = ready.filter((i) => items[i]!.thread === thread);
    if (same.length === 0) {
      thread = bestThread(items, ready, waiting, under);
      continue;
    }
    const next = same.reduce((a, b) => (away(boxes[b]!, here) < away(boxes[a]!, here) ? b : a));
    waiting.delete(next);
    out.push(next);
    here = centreOf(boxes[next]!);
  }
  return out;
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

/** The ready thread whose pieces can be finished in one go, else the one with most ready pieces; earliest wins ties. */
function bestThread(
  items: readonly OrderItem[],
  ready: readonly number[],
  waiting: ReadonlySet<number>,
  under: readonly (readonly number[])[],
): string {
  const score = (thread: string): number => {
    const all = [...waiting].filter((i) => items[i]!.thread === thread);
    const own = new Set(all);
    const blocked = all.filter((i) => under[i]!.some((j) => waiting.has(j) && !own.has(j))).length;
    return blocked === 0 ? 1e6 : ready.filter((i) => items[i]!.thread === thread).length;
  };
  const threads = [
    ...new Set(
      ready
        .slice()
        .sort((a, b) => a - b)
        .map((i) => items[i]!.thread),
    ),
  ];
  return threads.reduce((a, b) => (score(b) > score(a) ? b : a));
}

const centreOf = (b: Bounds) => ({ x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 });

function away(b: Bounds, p: { x: number; y: number }): number {
  const c = centreOf(b);
  return (c.x - p.x) ** 2 + (c.y - p.y) ** 2;
}
