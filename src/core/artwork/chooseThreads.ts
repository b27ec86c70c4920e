import { converter } from 'culori';
import type { ChartThread } from '../cloth/chart';
import { colourDifference, nearestThreads } from '../cloth/threads';

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
/** Partial choices looked at; what is best by then is taken. */
const MOST_LOOKED_AT = 40_000;

const toLab = converter('lab65');
const lightness = (hex: string): number => toLab(hex)!.l;

/**
 * Chooses a thread of the chart for each colour, all of them together: near to it (CIEDE2000), as far apart from one another
 * as the drawing is, with light and shade in the drawing's order where colours touch.
 * @returns one thread for each colour
 */
export function chooseThreads(palette: Palette): ChartThread[] {
  const search = new ThreadSearch(palette);
  search.improveGreedily();
  search.branch();
  return search.best.map((k, i) => search.offers[i]![k]!.thread);
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

class ThreadSearch {
  readonly offers: { thread: ChartThread; difference: number }[][];
  /** For each colour which of its offers is taken in the best choice so far. */
  best: number[];
  private least = Infinity;
  private lookedAt = 0;
  private readonly pairs = new Map<number, number>();

  constructor(private readonly palette: Palette) {
    this.offers = palette.colours.map((hex) => nearestThreads(hex).slice(0, CONSIDERED));
    this.best = this.offers.map(() => 0);
  }

  private pair(i: number, k: number, j: number, l: number): number {
    const n = this.offers.length;
    const key = ((i * n + j) * CONSIDERED + k) * CONSIDERED + l;
    const known = this.pairs.get(key);
    if (known !== undefined) return known;
    const { colours, touching } = this.palette;
    const made = pairCost(colours[i]!, colours[j]!, this.offers[i]![k]!.thread, this.offers[j]![l]!.thread, touches(touching, i, j));
    this.pairs.set(key, made);
    return made;
  }

  /** What offer `k` for colour `i` adds to those already chosen for the colours before `upTo`. */
  private added(i: number, k: number, chosen: readonly number[], upTo: number): number {
    let sum = this.offers[i]![k]!.difference;
    for (let j = 0; j < upTo; j++) if (j !== i) sum += i > j ? this.pair(i, k, j, chosen[j]!) : this.pair(j, chosen[j]!, i, k);
    return sum;
  }

  private total(chosen: readonly number[]): number {
    return chosen.reduce((sum, k, i) => sum + this.added(i, k, chosen, i), 0);
  }

  /** One colour at a time takes what suits the others best, until none wants to change. */
  improveGreedily(): void {
    const chosen: number[] = [];
    this.offers.forEach((list, i) => chosen.push(leastOf(list.length, (k) => this.added(i, k, chosen, i))));
    for (let changed = true; changed;) {
      changed = false;
      chosen.forEach((now, i) => {
        const cost = (k: number): number => this.added(i, k, chosen, chosen.length);
        const k = leastOf(this.offers[i]!.length, cost);
        if (cost(k) >= cost(now) - 1e-9) return;
        chosen[i] = k;
        changed = true;
      });
    }
    [this.best, this.least] = [chosen, this.total(chosen)];
  }

  /** Every choice that could still be better, as long as the budget lasts. */
  branch(): void {
    const n = this.offers.length;
    const rest = Array.from({ length: n + 1 }, () => 0);
    for (let i = n - 1; i >= 0; i--) rest[i] = rest[i + 1]! + this.offers[i]![0]!.difference;
    const chosen: number[] = [];
    const visit = (i: number, cost: number): void => {
      if (i === n) [this.best, this.least] = [chosen.slice(), cost];
      if (i === n || this.lookedAt > MOST_LOOKED_AT) return;
      for (let k = 0; k < this.offers[i]!.length; k++) {
        this.lookedAt++;
        const sum = cost + this.added(i, k, chosen, i);
        if (sum + rest[i + 1]! >= this.least - 1e-9) continue;
        chosen[i] = k;
        visit(i + 1, sum);
      }
    };
    visit(0, 0);
  }
}

function leastOf(n: number, cost: (k: number) => number): number {
  let [best, least] = [0, Infinity];
  for (let k = 0; k < n; k++) {
    const c = cost(k);
    if (c < least) [best, least] = [k, c];
  }
  return best;
}
