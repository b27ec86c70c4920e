import type { Labelled } from './labels';
import type { AskedOfPage } from './options';
import { perceived, perceivedApart } from './palette';
import { isNothing } from './picture';
import type { Regions } from './regions';

type Asked = Pick<AskedOfPage, 'keepBackground' | 'backgroundTolerance' | 'dropped'>;

/** The regions that are not shown: what lies behind, unless it is kept, and what is dropped by hand. */
export function backgroundOf(labelled: Labelled, regions: Regions, asked: Asked): Set<number> {
  const out = asked.keepBackground ? new Set<number>() : behind(labelled, regions, asked.backgroundTolerance ?? 0);
  for (const i of asked.dropped) out.add(regions.ids[i]!);
  return out;
}

/** What is nothing; in a picture without any, the regions of the rim's most frequent colour, and of those near it, that reach the rim. */
function behind({ colours }: Labelled, { list }: Regions, tolerance: number): Set<number> {
  const nothing = list.flatMap((r, id) => (isNothing(colours[r.label]!.mix) ? [id] : []));
  if (nothing.length > 0) return new Set(nothing);
  const onRim = new Map<number, number>();
  for (const r of list) {
    const sides = r.neighbours.get(-1) ?? 0;
    if (sides > 0) onRim.set(r.label, (onRim.get(r.label) ?? 0) + sides);
  }
  const most = [...onRim].sort((a, b) => b[1] - a[1])[0]?.[0];
  if (most === undefined) return new Set();
  const seen = colours.map((c) => perceived(c.mix));
  const isNear = (label: number): boolean => label === most || perceivedApart(seen[label]!, seen[most]!) <= tolerance;
  const out = new Set(list.flatMap((r, id) => (isNear(r.label) && r.neighbours.has(-1) ? [id] : [])));
  // It floods on through what touches it.
  for (const id of out)
    for (const next of list[id]!.neighbours.keys()) if (next >= 0 && isNear(list[next]!.label) && tolerance > 0) out.add(next);
  return out;
}
