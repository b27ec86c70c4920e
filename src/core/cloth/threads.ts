import { differenceCiede2000, formatHex, converter } from 'culori';

/** A thread of the chart that ships with Cobble. All codes and names are made up. */
export interface ChartThread {
  code: string;
  name: string;
  hex: string;
}

/** Hue families: name and hue angle (CIE LCh), and how much colour they carry. */
const FAMILIES: readonly [string, number, number][] = [
  ['rowan', 22, 1],
  ['kiln', 48, 1],
  ['straw', 84, 1],
  ['moss', 118, 0.9],
  ['fern', 148, 0.85],
  ['lagoon', 196, 0.75],
  ['harbour', 236, 0.8],
  ['storm', 266, 0.85],
  ['damson', 312, 0.8],
  ['foxglove', 356, 0.9],
  ['biscuit', 66, 0.45],
  ['slate', 245, 0.12],
];
/** Depths of each family: name, lightness, chroma. */
const DEPTHS: readonly [string, number, number][] = [
  ['Breath of', 92, 9],
  ['Pale', 83, 18],
  ['Soft', 72, 26],
  ['Bright', 70, 62],
  ['Dusty', 56, 24],
  ['Full', 50, 54],
  ['Deep', 34, 38],
  ['Night', 20, 22],
];
const EXTRA: readonly ChartThread[] = [
  { code: 'Q001', name: 'Black pitch', hex: '#111314' },
  { code: 'Q002', name: 'Snow', hex: '#fdfdfb' },
  { code: 'Q003', name: 'Signal red', hex: '#c8102e' },
  { code: 'Q004', name: 'Signal yellow', hex: '#ffd400' },
  { code: 'Q005', name: 'Signal green', hex: '#00843d' },
  { code: 'Q006', name: 'Signal blue', hex: '#0047bb' },
  { code: 'Q007', name: 'Signal orange', hex: '#ff6a13' },
  { code: 'Q008', name: 'Mist grey', hex: '#c9cfce' },
  { code: 'Q009', name: 'Gull grey', hex: '#8d9694' },
  { code: 'Q010', name: 'Charcoal', hex: '#3a4042' },
  { code: 'Q011', name: 'Cream', hex: '#f6ecd2' },
  { code: 'Q012', name: 'Bone', hex: '#e4dcc8' },
];

/** 108 made-up threads: twelve plain ones, and twelve families of eight depths. */
export const THREAD_CHART: readonly ChartThread[] = [
  ...EXTRA,
  ...FAMILIES.flatMap(([family, h, colour], f) =>
    DEPTHS.map(([depth, l, c], d) => ({
      code: `Q${100 + f * 24 + d * 3}`,
      name: `${depth} ${family}`,
      hex: formatHex({ mode: 'lch', l, c: c * colour, h }),
    })),
  ),
];

const difference = differenceCiede2000();
const toLab = converter('lab65');

/** The chart's threads from nearest to farthest colour (CIEDE2000). */
export function nearestThreads(hex: string): { thread: ChartThread; difference: number }[] {
  const wanted = toLab(hex);
  if (!wanted) return [];
  return THREAD_CHART.map((thread) => ({ thread, difference: difference(wanted, toLab(thread.hex)!) })).sort(
    (a, b) => a.difference - b.difference,
  );
}

/** CIEDE2000 difference of two colours. */
export const colourDifference = (a: string, b: string): number => difference(toLab(a)!, toLab(b)!);

/** The weight of most of some threads; undefined when there are none. */
export function commonestWeight(threads: readonly { weight: number }[]): number | undefined {
  const counts = new Map<number, number>();
  for (const { weight } of threads) counts.set(weight, (counts.get(weight) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0];
}
