import { converter, differenceCiede2000, type Lab65 } from 'culori';
import { THREAD_CHART, type ChartThread } from './chart';

export { THREAD_CHART } from './chart';

const difference = differenceCiede2000();
const convert = converter('lab65');
/** Searches ask for the same few colours over and over. */
const labs = new Map<string, Lab65>();

function toLab(hex: string): Lab65 | undefined {
  const known = labs.get(hex);
  if (known) return known;
  const made = convert(hex);
  if (made) labs.set(hex, made);
  return made;
}

/** The chart's threads from nearest to farthest colour (CIEDE2000). */
export function nearestThreads(hex: string): { thread: ChartThread; difference: number }[] {
  const wanted = toLab(hex);
  if (!wanted) return [];
  return chartInLab()
    .map(({ thread, lab }) => ({ thread, difference: difference(wanted, lab) }))
    .sort((a, b) => a.difference - b.difference);
}

let inLab: { thread: ChartThread; lab: Lab65 }[] | null = null;
const chartInLab = (): { thread: ChartThread; lab: Lab65 }[] =>
  (inLab ??= THREAD_CHART.map((thread) => ({ thread, lab: toLab(thread.hex)! })));

/** CIEDE2000 difference of two colours. */
export const colourDifference = (a: string, b: string): number => difference(toLab(a)!, toLab(b)!);

/** Lightness L* of a colour, 0 to 100. */
export const lightness = (hex: string): number => toLab(hex)!.l;

/** The weight of most of some threads; undefined when there are none. */
export function commonestWeight(threads: readonly { weight: number }[]): number | undefined {
  const counts = new Map<number, number>();
  for (const { weight } of threads) counts.set(weight, (counts.get(weight) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0];
}
