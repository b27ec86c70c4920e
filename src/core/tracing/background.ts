import type { Labelled } from './labels';
import { isNothing } from './picture';
import type { Regions } from './regions';

/** What is nothing; in a picture without any, the regions of the rim's most frequent colour that reach the rim. */
export function backgroundOf({ colours }: Labelled, { list }: Regions): Set<number> {
  const nothing = list.flatMap((r, id) => (isNothing(colours[r.label]!.mix) ? [id] : []));
  if (nothing.length > 0) return new Set(nothing);
  const onRim = new Map<number, number>();
  for (const r of list) {
    const sides = r.neighbours.get(-1) ?? 0;
    if (sides > 0) onRim.set(r.label, (onRim.get(r.label) ?? 0) + sides);
  }
  const most = [...onRim].sort((a, b) => b[1] - a[1])[0]?.[0];
  return new Set(list.flatMap((r, id) => (r.label === most && r.neighbours.has(-1) ? [id] : [])));
}
