/** A stretch of the thread line, pixels along the strip. */
export interface Span {
  id: string;
  x: number;
  w: number;
}

/** A handle for a stretch too narrow to be hit, or for several that lie close together. */
export interface Tab {
  ids: string[];
  x: number;
  w: number;
}

/** Nothing smaller is hit with ease, pixels. */
export const TARGET_PX = 18;

/**
 * Handles for the stretches that are narrower than a target: each as near to its stretch as it goes, none over another, none off the strip.
 * Where there are more than fit, neighbours share one.
 * @param spans in the order of the strip
 */
export function tabsFor(spans: readonly Span[], width: number, target = TARGET_PX): Tab[] {
  const narrow = spans.filter((s) => s.w < target);
  const room = Math.floor(width / target);
  if (narrow.length === 0 || room === 0) return [];
  const shared = Math.ceil(narrow.length / room);
  const groups = Array.from({ length: Math.ceil(narrow.length / shared) }, (_, i) => narrow.slice(i * shared, (i + 1) * shared));
  const wanted = groups.map((g) => (g[0]!.x + g[g.length - 1]!.x + g[g.length - 1]!.w) / 2 - target / 2);
  const places = apart(wanted, target, width - target);
  return groups.map((g, i) => ({ ids: g.map((s) => s.id), x: places[i]!, w: target }));
}

/** Places at least so far apart, in their order, with the least sum of squared moves: blocks that touch move as one. */
function apart(wanted: readonly number[], gap: number, last: number): number[] {
  const blocks: { sum: number; n: number }[] = [];
  wanted.forEach((want, i) => {
    let block = { sum: want - i * gap, n: 1 };
    while (blocks.length > 0 && blocks[blocks.length - 1]!.sum / blocks[blocks.length - 1]!.n >= block.sum / block.n) {
      const before = blocks.pop()!;
      block = { sum: before.sum + block.sum, n: before.n + block.n };
    }
    blocks.push(block);
  });
  const most = last - (wanted.length - 1) * gap;
  const free = blocks.flatMap(({ sum, n }) => Array.from({ length: n }, () => Math.min(most, Math.max(0, sum / n))));
  return free.map((at, i) => at + i * gap);
}
