import { boundsAbout, boundsTouch } from '../geometry/point';
import { UnionFind } from '../geometry/unionFind';
import { sharedCells } from './cells';
import type { Constraints } from './constraints';
import type { RouteItem } from './item';
import { nearbyOrder } from './nearby';

/** For each item the number of what it hangs together with: pieces of one thread that overlap, the bars of a letter say. */
export function clustersOf(items: readonly RouteItem[]): number[] {
  const groups = new UnionFind(items.length);
  items.forEach((a, i) => {
    for (let j = i + 1; j < items.length; j++) {
      const b = items[j]!;
      if (a.thread === b.thread && boundsTouch(a.box, b.box) && sharedCells(a.painted, b.painted) > 0) groups.join(i, j);
    }
  });
  return items.map((_, i) => groups.root(i));
}

/**
 * An order with what hangs together sewn together, within each stretch of one thread: cluster after cluster, each near the one before.
 * Stretches in which clusters must be sewn by turns stay as they are.
 */
export function byClusters(
  items: readonly RouteItem[],
  order: readonly number[],
  clusters: readonly number[],
  { before }: Constraints,
): number[] {
  return runsOf(order, (i) => items[i]!.thread).flatMap((run) => {
    const groups = groupsOf(run, (i) => clusters[i]!);
    const of = new Map(groups.flatMap((group, g) => group.map((i) => [i, g] as const)));
    const under = groups.map((group, g) =>
      [...new Set(group.flatMap((i) => before[i]!.flatMap((j) => of.get(j) ?? [])))].filter((o) => o !== g),
    );
    if (under.some((list, g) => list.some((o) => o > g))) return run;
    const boxes = groups.map((group) => boundsAbout(group.map((i) => items[i]!.box)));
    return nearbyOrder(
      boxes,
      groups.map((_, g) => g),
      under,
    ).flatMap((g) => groups[g]!);
  });
}

/** Neighbours in a list that are of one kind. */
export function runsOf<K>(list: readonly number[], kind: (i: number) => K): number[][] {
  const out: number[][] = [];
  list.forEach((i, k) => {
    if (k > 0 && kind(i) === kind(list[k - 1]!)) out[out.length - 1]!.push(i);
    else out.push([i]);
  });
  return out;
}

/** Members of one kind together, in the order in which the first of each comes. */
function groupsOf<K>(list: readonly number[], kind: (i: number) => K): number[][] {
  const groups = new Map<K, number[]>();
  for (const i of list) groups.set(kind(i), [...(groups.get(kind(i)) ?? []), i]);
  return [...groups.values()];
}
