import { distance, type Point } from '../geometry/point';
import type { StartEnd } from '../pieces/kind';

/** What the choice of ends needs to know of a piece, in sewing order. */
export interface EndsItem {
  thread: string;
  candidates: readonly { start: Point; end: Point }[];
  pinnedStart: Point | null;
  pinnedEnd: Point | null;
}

/** Moves longer than this are cut anyway, so their length no longer matters, mm. */
const TRIM_FROM_MM = 5;
const TRIM_COST = 40;

const gapCost = (mm: number): number => (mm <= TRIM_FROM_MM ? mm : TRIM_COST + Math.min(mm, 200) * 0.02);

/**
 * Chooses where each piece starts and ends, so that one ends where the next begins: dynamic programming over the
 * candidate pairs in the given order. Pinned points stay.
 */
export function chooseEnds(items: readonly EndsItem[]): StartEnd[] {
  const options = items.map((item) =>
    (item.candidates.length > 0 ? item.candidates : [{ start: { x: 0, y: 0 }, end: { x: 0, y: 0 } }]).map((c) => ({
      start: item.pinnedStart ?? c.start,
      end: item.pinnedEnd ?? c.end,
    })),
  );
  const came: Int32Array[] = [];
  let costs = new Float64Array(options[0]?.length ?? 0);
  for (let i = 1; i < items.length; i++) {
    const before = options[i - 1]!;
    const here = options[i]!;
    const next = new Float64Array(here.length);
    const from = new Int32Array(here.length);
    const cheapest = cheapestPerEnd(before, costs);
    const linked = items[i]!.thread === items[i - 1]!.thread;
    here.forEach((option, k) => {
      let best = Infinity;
      for (const c of cheapest) {
        const cost = c.cost + (linked ? gapCost(distance(before[c.index]!.end, option.start)) : 0);
        if (cost < best) [best, from[k]] = [cost, c.index];
      }
      next[k] = best;
    });
    came.push(from);
    costs = next;
  }
  return backtrack(options, came, costs);
}

/** Of all options that end in one place only the cheapest matters to what follows. */
function cheapestPerEnd(options: readonly { end: Point }[], costs: Float64Array): { index: number; cost: number }[] {
  const best = new Map<Point, { index: number; cost: number }>();
  options.forEach((o, index) => {
    const known = best.get(o.end);
    if (!known || costs[index]! < known.cost) best.set(o.end, { index, cost: costs[index]! });
  });
  return [...best.values()];
}

function backtrack(options: readonly StartEnd[][], came: readonly Int32Array[], costs: Float64Array): StartEnd[] {
  const out: StartEnd[] = [];
  let k = 0;
  costs.forEach((c, i) => {
    if (c < costs[k]!) k = i;
  });
  for (let i = options.length - 1; i >= 0; i--) {
    out.push(options[i]![k]!);
    if (i > 0) k = came[i - 1]![k]!;
  }
  return out.reverse();
}
