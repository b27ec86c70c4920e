import { distance, type Point } from '../geometry/point';
import { choicesOf, LONGEST_SHOWN_MM, ROW_MM, type Choices } from './choices';
import type { CoverGrid, HiddenNear } from './coverGrid';
import type { RouteItem } from './item';
import { dependOn, type Between, type RouteMemory } from './routeMemory';
import { DETOUR, type Pace } from './seconds';
import type { StartEnd } from '../stitches/startEnd';
import { stayWarm } from '../units/warm';

/** An order with the best starts and ends for it. */
export interface Evaluated {
  order: readonly number[];
  ends: (StartEnd & { goesOn: boolean })[];
  /** Machine seconds for everything between pieces: cuts, thread changes, travel. */
  seconds: number;
  trims: number;
  changes: number;
}

export interface EvaluateOptions {
  pace: Pace;
  /** Cleanest gaps: no stitch between columns that could be seen. */
  clean: boolean;
  /** Otherwise one may show so far there, mm. */
  letterGapMm?: number;
  /** Tries the places on rims nearest to each neighbour too: better and slower. */
  fine: boolean;
  /** What it costs to begin or end a piece here, seconds. */
  preference?(item: number, position: number, option: { start: Point; end: Point }): number;
}

/** A visible stitch between letters is worth avoiding, though not a cut, seconds per mm. */
const SHOWN_PER_MM = 0.4;

/**
 * Chooses where each piece starts and ends in the given order, so that machine time between pieces is least: dynamic
 * programming from the last piece to the first over candidate places. Pinned places stay.
 */
export function evaluate(
  ground: CoverGrid,
  items: readonly RouteItem[],
  order: readonly number[],
  options: EvaluateOptions,
  memory: RouteMemory | null = null,
): Evaluated {
  const n = order.length;
  if (n === 0) return { order, ends: [], seconds: 0, trims: 0, changes: 0 };
  ground.lay(order);
  const { choices, steps, costs } = fromTheEnd(ground, items, order, 0, options, memory);
  return trace(items, order, choices, costs, steps, options);
}

/** What is known of the end of an order, from a position on. */
interface FromTheEnd {
  /** By position. */
  choices: Choices[];
  steps: Step[];
  /** For each option of the piece at that position, what it and all after it cost at least, seconds. */
  costs: Float64Array;
  /** The same for the piece at each position from there on. */
  from: Float64Array[];
}

/** Works an order out from its last piece back to a position; the ground must be laid in that order. */
export function fromTheEnd(
  ground: CoverGrid,
  items: readonly RouteItem[],
  order: readonly number[],
  position: number,
  options: EvaluateOptions,
  memory: RouteMemory | null = null,
): FromTheEnd {
  const n = order.length;
  const choices: Choices[] = [];
  const steps: Step[] = [];
  for (let k = position; k < n; k++) choices[k] = choicesOf(items, order, k, options.fine);
  let costs = preferred(choices[n - 1]!, order[n - 1]!, n - 1, options);
  const from: Float64Array[] = [];
  from[n - 1] = costs;
  for (let k = n - 2; k >= position; k--) {
    const [here, target] = [items[order[k]!]!, items[order[k + 1]!]!];
    const between = memory?.between(k, here, target, choices[k]!, choices[k + 1]!);
    const step = stepTo(ground, here, target, choices[k]!, choices[k + 1]!, costs, k + 1, options, between);
    const own = preferred(choices[k]!, order[k]!, k, options);
    const { endOf } = choices[k]!;
    for (let i = 0; i < own.length; i++) own[i] = own[i]! + step.cost[endOf[i]!]!;
    costs = from[k] = own;
    steps[k] = step;
  }
  return { choices, steps, costs, from };
}

/** From each place where a piece may end: what the rest costs at least, with which option of the next piece, and whether by a cut. */
export interface Step {
  cost: Float64Array;
  next: Int32Array;
  cut: Uint8Array;
}

export function stepTo(
  ground: CoverGrid,
  here: RouteItem,
  target: RouteItem,
  from: Choices,
  to: Choices,
  costs: Float64Array,
  k: number,
  options: EvaluateOptions,
  between?: Between,
): Step {
  const { pace } = options;
  const cheapest = cheapestPerStart(to, costs);
  let least = 0;
  for (let i = 1; i < costs.length; i++) if (costs[i]! < costs[least]!) least = i;
  const changes = here.thread !== target.thread;
  const away = costs[least]! + pace.trim + (changes ? pace.change : 0);
  const n = from.ends.length;
  const step: Step = { cost: new Float64Array(n).fill(away), next: new Int32Array(n).fill(least), cut: new Uint8Array(n).fill(1) };
  if (changes || target.approach?.how === 'trim') return step;
  const reach = to.starts.map((_, s) => costs[cheapest[s]!]!);
  if (reach.every((so) => so >= away)) return step;
  const seconds = stayWarm(new LinkSeconds(ground, from, to, k, target, options, between));
  for (let e = 0; e < n; e++) {
    for (let s = 0; s < reach.length; s++) {
      const so = reach[s]!;
      if (so >= step.cost[e]!) continue;
      const sum = so + seconds.of(e, s);
      if (sum >= step.cost[e]!) continue;
      step.cost[e] = sum;
      step.next[e] = cheapest[s]!;
      step.cut[e] = 0;
    }
  }
  return step;
}

/** Seconds from places where a piece may end to places where the next may begin, each worked out when it is asked for. */
class LinkSeconds {
  private readonly leaving: (HiddenNear | null | undefined)[] = [];
  private readonly arriving: (HiddenNear | null | undefined)[] = [];

  constructor(
    private readonly ground: CoverGrid,
    private readonly from: Choices,
    private readonly to: Choices,
    private readonly k: number,
    private readonly target: RouteItem,
    private readonly options: EvaluateOptions,
    private readonly between: Between | undefined,
  ) {}

  of(e: number, s: number): number {
    const at = e * this.to.starts.length + s;
    const known = this.between?.seconds[at];
    if (known !== undefined && !Number.isNaN(known)) return known;
    const [end, start] = [this.from.ends[e]!, this.to.starts[s]!];
    const leaving = this.leaving[e] === undefined ? (this.leaving[e] = this.near(end)) : this.leaving[e];
    const arriving = this.arriving[s] === undefined ? (this.arriving[s] = this.near(start)) : this.arriving[s];
    const offMm = leaving && arriving && leaving.way === arriving.way ? leaving.awayMm + arriving.awayMm : null;
    const made = linkSeconds(this.ground, end, start, this.k, offMm, this.target, this.options);
    if (this.between) this.between.seconds[at] = made;
    return made;
  }

  private near(p: Point): HiddenNear | null {
    this.ground.reveal(this.k);
    const found = this.ground.hiddenNear(p, this.k);
    if (found && this.between) dependOn(this.between, this.ground.extentOf(found.way));
    return found;
  }
}

/** Of all options that begin in one place only the cheapest matters to what comes before. */
function cheapestPerStart(choices: Choices, costs: Float64Array): Int32Array {
  const best = new Int32Array(choices.starts.length).fill(-1);
  for (let i = 0; i < costs.length; i++) {
    const s = choices.startOf[i]!;
    if (best[s]! < 0 || costs[i]! < costs[best[s]!]!) best[s] = i;
  }
  return best;
}

export function preferred({ options: all }: Choices, item: number, position: number, { preference }: EvaluateOptions): Float64Array {
  const costs = new Float64Array(all.length);
  if (preference) all.forEach((o, i) => (costs[i] = preference(item, position, o)));
  return costs;
}

function linkSeconds(
  ground: CoverGrid,
  from: Point,
  to: Point,
  k: number,
  offMm: number | null,
  target: RouteItem,
  { pace, clean, letterGapMm }: EvaluateOptions,
): number {
  const gap = distance(from, to);
  if (target.approach?.how === 'travel') return gap * pace.mm;
  // Places right on the hidden way are better than those beside it: pieces end where asked only within a row or two.
  if (offMm !== null) return gap * DETOUR * pace.mm + offMm * SHOWN_PER_MM;
  if (gap > LONGEST_SHOWN_MM || !ground.goesStraight(from, to, k, { clean, letterGapMm, slackMm: ROW_MM })) return Infinity;
  return gap * (pace.mm + SHOWN_PER_MM);
}

function trace(
  items: readonly RouteItem[],
  order: readonly number[],
  choices: readonly Choices[],
  costs: Float64Array,
  steps: readonly Step[],
  { pace }: EvaluateOptions,
): Evaluated {
  let at = 0;
  costs.forEach((c, i) => {
    if (c < costs[at]!) at = i;
  });
  const seconds = costs[at]! + pace.trim;
  const ends: Evaluated['ends'] = [];
  let [trims, changes] = [1, 0];
  for (let k = 0; k < order.length; k++) {
    const end = choices[k]!.endOf[at]!;
    const goesOn = k + 1 < order.length && steps[k]!.cut[end] === 0;
    ends.push({ ...choices[k]!.options[at]!, goesOn });
    if (k + 1 === order.length) break;
    trims += steps[k]!.cut[end]!;
    if (items[order[k]!]!.thread !== items[order[k + 1]!]!.thread) changes++;
    at = steps[k]!.next[end]!;
  }
  return { order, ends, seconds, trims, changes };
}
