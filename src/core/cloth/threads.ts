import { differenceCiede2000, formatHex, converter } from 'culori';

/** A thread of the chart that ships with Cobble. All codes and names are made up. */
export interface ChartThread {
  code: string;
  name: string;
  hex: string;
}

const NAMES: readonly [string, readonly string[]][] = [
  ['Brick', ['Ember', 'Kiln red', 'Rowan berry', 'Rust lantern']],
  ['Clay', ['Apricot dusk', 'Terracotta', 'Copper kettle', 'Burnt umber']],
  ['Straw', ['Pale straw', 'Marigold', 'Honeycomb', 'Old brass']],
  ['Moss', ['Lime leaf', 'Meadow', 'Fern', 'Deep moss']],
  ['Pine', ['Spring shoot', 'Kelp', 'Pine needle', 'Night forest']],
  ['Lagoon', ['Sea glass', 'Lagoon', 'Slipway teal', 'Deep water']],
  ['Sky', ['Morning sky', 'Ferry blue', 'Harbour', 'Midnight channel']],
  ['Ink', ['Larkspur', 'Cobalt drift', 'Royal ink', 'Storm indigo']],
  ['Plum', ['Lilac ash', 'Heather', 'Damson', 'Night plum']],
  ['Rose', ['Shell pink', 'Foxglove', 'Cranberry', 'Wine cellar']],
  ['Skin', ['Oat', 'Biscuit', 'Toffee', 'Walnut']],
  ['Stone', ['Salt white', 'Pebble', 'Slate', 'Soot']],
];
const HUES = [22, 48, 84, 122, 152, 196, 238, 272, 312, 0, 62, 250];
const LEVELS: readonly [number, number][] = [[84, 34], [66, 62], [48, 52], [28, 34]];
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

/** Sixty made-up threads: twelve families of four depths, and twelve plain ones. */
export const THREAD_CHART: readonly ChartThread[] = [
  ...EXTRA,
  ...NAMES.flatMap(([family, names], f) =>
    names.map((name, d) => {
      const [l, c] = LEVELS[d]!;
      const chroma = family === 'Stone' ? 3 : family === 'Skin' ? c * 0.45 : c;
      return { code: `Q${f + 1}${d + 1}${(f * 7 + d * 3) % 10}`, name, hex: formatHex({ mode: 'lch', l, c: chroma, h: HUES[f]! }) };
    }),
  ),
];

const difference = differenceCiede2000();
const toLab = converter('lab65');

/** The chart's threads from nearest to farthest colour (CIEDE2000). */
export function nearestThreads(hex: string): { thread: ChartThread; difference: number }[] {
  const wanted = toLab(hex);
  if (!wanted) return [];
  return THREAD_CHART.map((thread) => ({ thread, difference: difference(wanted, toLab(thread.hex)!) })).sort((a, b) => a.difference - b.difference);
}

/** CIEDE2000 difference of two colours. */
export const colourDifference = (a: string, b: string): number => difference(toLab(a)!, toLab(b)!);
