import { colourDifference } from '../cloth/threads';
import type { Thread } from '../document/types';
import type { Region } from './artRegions';
import { chooseThreads } from './chooseThreads';
import type { Neighbourhood } from './directions/neighbourhood';

/** Artwork colours nearer than this are one thread (CIEDE2000). */
const SAME_COLOUR = 3;
/** Colours touch that lie side by side at least so long, mm. */
const TOUCHING_MM = 1.5;

/**
 * A thread for each colour that is sewn; colours that nobody tells apart share one.
 * @param around where the regions lie, by their places
 */
export function matchThreads(
  regions: readonly Pick<Region, 'hex' | 'areaMm2'>[],
  around: Pick<Neighbourhood, 'meetings'>,
  weight: number,
): Map<string, Thread> {
  const areas = new Map<string, number>();
  for (const { hex, areaMm2 } of regions) areas.set(hex, (areas.get(hex) ?? 0) + areaMm2);
  const shown = new Map<string, string>();
  for (const hex of areas.keys()) shown.set(hex, [...shown.values()].find((known) => colourDifference(known, hex) < SAME_COLOUR) ?? hex);
  const inOrder = [...new Set(shown.values())];
  const colours = inOrder.slice().sort((a, b) => areas.get(b)! - areas.get(a)!);
  const colourOf = regions.map((r) => colours.indexOf(shown.get(r.hex)!));
  const chosen = chooseThreads({ colours, touching: touching(colourOf, around.meetings) });
  const threads = new Map(inOrder.map((hex, i): [string, Thread] => [hex, { id: `t${i + 1}`, ...chosen[colours.indexOf(hex)]!, weight }]));
  return new Map([...shown].map(([hex, as]) => [hex, threads.get(as)!]));
}

/** Pairs of colours whose regions touch somewhere. */
function touching(colourOf: readonly number[], meetings: Neighbourhood['meetings']): [number, number][] {
  const met = new Map<string, { pair: [number, number]; mm: number }>();
  for (const { regions, mm } of meetings) {
    const [a, b] = regions.map((i) => colourOf[i]!) as [number, number];
    if (a === b) continue;
    const pair: [number, number] = [Math.min(a, b), Math.max(a, b)];
    const so = met.get(pair.join()) ?? { pair, mm: 0 };
    met.set(pair.join(), { pair, mm: so.mm + mm });
  }
  return [...met.values()].filter((m) => m.mm >= TOUCHING_MM).map((m) => m.pair);
}
