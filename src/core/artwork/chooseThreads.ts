import type { ChartThread } from '../cloth/chart';
import { colourDifference, lightness, nearestThreads } from '../cloth/threads';
import { bestLabels } from './labelling';

/** The colours of a drawing and which of them lie beside each other. */
export interface Palette {
  /** Hex colours, each once; the first matter most. */
  colours: readonly string[];
  /** Pairs of places in `colours` that touch somewhere. */
  touching: readonly (readonly [number, number])[];
}

/** So many threads nearest to a colour are considered for it. */
const CONSIDERED = 10;
/** Colours are told apart from here on; two threads need not be farther apart than their colours (CIEDE2000). */
const TOLD_APART = 6;
/** What touches keeps its light and its shade: worth so much difference of colour. */
const ORDER_KEPT = 8;
/** Lightness (L*, 0 to 100) that differs by less has no order to keep. */
const ALIKE_L = 1.5;
/** Of two colours of a drawing no two get one thread while there is another. */
const ONE_THREAD = 1000;

/**
 * Chooses a thread of the chart for each colour, all of them together: near to it (CIEDE2000), as far apart from one another
 * as the drawing is, with light and shade in the drawing's order where colours touch.
 * @returns one thread for each colour
 */
export function chooseThreads(palette: Palette): ChartThread[] {
  const { colours, touching } = palette;
  const offers = colours.map((hex) => nearestThreads(hex).slice(0, CONSIDERED));
  const pair = (i: number, k: number, j: number, l: number): number =>
    pairCost(colours[i]!, colours[j]!, offers[i]![k]!.thread, offers[j]![l]!.thread, touches(touching, i, j));
  return bestLabels({ own: offers.map((list) => list.map((o) => o.difference)), pair }).map((k, i) => offers[i]![k]!.thread);
}

/** What a choice costs, in units of CIEDE2000 summed over colours and pairs. */
export function costOfThreads({ colours, touching }: Palette, threads: readonly ChartThread[]): number {
  let sum = 0;
  colours.forEach((hex, i) => {
    sum += colourDifference(hex, threads[i]!.hex);
    for (let j = 0; j < i; j++) sum += pairCost(hex, colours[j]!, threads[i]!, threads[j]!, touches(touching, i, j));
  });
  return sum;
}

const touches = (pairs: Palette['touching'], i: number, j: number): boolean =>
  pairs.some(([a, b]) => (a === i && b === j) || (a === j && b === i));

function pairCost(a: string, b: string, s: ChartThread, t: ChartThread, touching: boolean): number {
  if (s.code === t.code) return ONE_THREAD;
  const wanted = Math.min(TOLD_APART, colourDifference(a, b));
  const apart = Math.max(0, wanted - colourDifference(s.hex, t.hex));
  if (!touching) return apart;
  const drawn = lightness(a) - lightness(b);
  const sewn = lightness(s.hex) - lightness(t.hex);
  return apart + (Math.abs(drawn) > ALIKE_L && drawn * sewn <= 0 ? ORDER_KEPT : 0);
}
