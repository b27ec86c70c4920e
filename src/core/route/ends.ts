import { ofEach } from '../geometry/known';
import { nearestOnLine } from '../geometry/line';
import { distance, type Area, type Point } from '../geometry/point';
import type { StartEnd } from '../pieces/kind';
import type { Ground } from './ground';
import type { RouteItem } from './item';
import { DETOUR, type Pace } from './seconds';

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
  /** Tries the places on rims nearest to each neighbour too: better and slower. */
  fine: boolean;
  /** What it costs to begin or end a piece here, seconds. */
  preference?(item: number, position: number, option: { start: Point; end: Point }): number;
}

interface Option {
  start: Point;
  end: Point;
}

/** A visible stitch between letters is worth avoiding, though not a cut, seconds per mm. */
const SHOWN_PER_MM = 0.4;
/** At most so many places of a rim are added for each neighbour. */
const MEETING_PLACES = 3;
/** Straight links longer than this are cut anyway unless they are hidden, mm. */
const LONGEST_SHOWN_MM = 9;

/**
 * Chooses where each piece starts and ends in the given order, so that machine time between pieces is least: dynamic
 * programming from the last piece to the first over candidate places. Pinned places stay.
 */
export function evaluate(ground: Ground, items: readonly RouteItem[], order: readonly number[], options: EvaluateOptions): Evaluated {
  const n = order.length;
  if (n === 0) return { order, ends: [], seconds: 0, trims: 0, changes: 0 };
  ground.lay(order);
  const choices = order.map((_, k) => choicesOf(items, order, k, options.fine));
  const steps: Step[] = [];
  let costs = preferred(choices[n - 1]!, order[n - 1]!, n - 1, options);
  for (let k = n - 2; k >= 0; k--) {
    ground.reveal(k + 1);
    const step = stepTo(ground, items[order[k]!]!, items[order[k + 1]!]!, choices[k]!, choices[k + 1]!, costs, k + 1, options);
    const own = preferred(choices[k]!, order[k]!, k, options);
    own.forEach((c, i) => (own[i] = c + step.cost[choices[k]!.endOf[i]!]!));
    costs = own;
    steps[k] = step;
  }
  return trace(items, order, choices, costs, steps, options);
}

/** From each place where a piece may end: what the rest costs at least, with which option of the next piece, and whether by a cut. */
export interface Step {
  cost: Float64Array;
  next: Int32Array;
  cut: Uint8Array;
}

export function stepTo(
  ground: Ground,
  here: RouteItem,
  target: RouteItem,
  from: Choices,
  to: Choices,
  costs: Float64Array,
  k: number,
  options: EvaluateOptions,
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
  const arrivals = to.starts.map((p) => ground.hiddenNear(p, k));
  from.ends.forEach((end, e) => {
    const leaving = ground.hiddenNear(end, k);
    to.starts.forEach((start, s) => {
      const so = reach[s]!;
      if (so >= step.cost[e]!) return;
      const arriving = arrivals[s]!;
      const offMm = leaving && arriving && leaving.way === arriving.way ? leaving.awayMm + arriving.awayMm : null;
      const sum = so + linkSeconds(ground, end, start, k, offMm, target, options);
      if (sum >= step.cost[e]!) return;
      step.cost[e] = sum;
      step.next[e] = cheapest[s]!;
      step.cut[e] = 0;
    });
  });
  return step;
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
  ground: Ground,
  from: Point,
  to: Point,
  k: number,
  offMm: number | null,
  target: RouteItem,
  { pace, clean }: EvaluateOptions,
): number {
  const gap = distance(from, to);
  if (target.approach?.how === 'travel') return gap * pace.mm;
  // Places right on the hidden way are better than those beside it: pieces end where asked only within a row or two.
  if (offMm !== null) return gap * DETOUR * pace.mm + offMm * SHOWN_PER_MM;
  if (gap > LONGEST_SHOWN_MM || !ground.goesStraight(from, to, k, clean)) return Infinity;
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

/** Pairs of start and end, with the places they share listed once. */
export interface Choices {
  options: readonly Option[];
  starts: readonly Point[];
  ends: readonly Point[];
  startOf: Int32Array;
  endOf: Int32Array;
}

function choicesFrom(options: readonly Option[]): Choices {
  const listed = (places: readonly Point[]): { once: Point[]; of: Int32Array } => {
    const once: Point[] = [];
    const of = new Int32Array(places.length);
    places.forEach((p, i) => {
      const known = once.indexOf(p);
      of[i] = known < 0 ? once.push(p) - 1 : known;
    });
    return { once, of };
  };
  const [starts, ends] = [listed(options.map((o) => o.start)), listed(options.map((o) => o.end))];
  return { options, starts: starts.once, ends: ends.once, startOf: starts.of, endOf: ends.of };
}

const plain = new WeakMap<RouteItem, Choices>();

/** Candidate places of a piece as they are, whatever its neighbours. */
export function ownChoices(item: RouteItem): Choices {
  const known = plain.get(item);
  if (known) return known;
  const base = item.candidates.length > 0 ? item.candidates : [{ start: ORIGIN, end: ORIGIN }];
  const made = choicesFrom(base.map((c) => ({ start: item.pinnedStart ?? c.start, end: item.pinnedEnd ?? c.end })));
  plain.set(item, made);
  return made;
}

/** Candidate places of the piece at a position; when fine, with the places on its rim that lie nearest to its neighbours. */
function choicesOf(items: readonly RouteItem[], order: readonly number[], k: number, fine: boolean): Choices {
  const item = items[order[k]!]!;
  if (!fine || !item.rim) return ownChoices(item);
  const beside = (position: number): RouteItem | null => {
    const other = items[order[position]!];
    return other?.thread === item.thread ? other : null;
  };
  return fineChoices(item)(beside(k - 1) ?? NOBODY)(beside(k + 1) ?? NOBODY);
}

/** Stands for a neighbour that is none, or is sewn in another thread. */
const NOBODY = {} as RouteItem;

/** By a piece with a rim, the one before and the one after: most are those of the plan before. */
const fineChoices = ofEach((item: RouteItem) =>
  ofEach((before: RouteItem) => ofEach((after: RouteItem) => meetingChoices(item, item.rim!, before, after))),
);

function meetingChoices(item: RouteItem, rim: Area, before: RouteItem, after: RouteItem): Choices {
  const own = ownChoices(item);
  const { pinnedStart, pinnedEnd } = item;
  const extraStarts = before === NOBODY ? [] : meeting(rim, ownChoices(before).ends);
  const extraEnds = after === NOBODY ? [] : meeting(rim, ownChoices(after).starts);
  if (extraStarts.length + extraEnds.length === 0) return own;
  const starts = pinnedStart ? [pinnedStart] : [...own.starts, ...extraStarts];
  const ends = pinnedEnd ? [pinnedEnd] : [...own.ends, ...extraEnds];
  const apart = (start: Point, end: Point): boolean => pinnedStart !== null || pinnedEnd !== null || distance(end, start) > 0.5;
  return choicesFrom(starts.flatMap((start) => ends.filter((end) => apart(start, end)).map((end) => ({ start, end }))));
}

const ORIGIN: Point = { x: 0, y: 0 };

/** Places on a rim nearest to any of some other places. */
function meeting(rim: Area, others: readonly Point[]): Point[] {
  const found = others.map((p) => {
    let best = { point: p, distance: Infinity };
    for (const ring of rim) {
      const near = nearestOnLine([...ring, ring[0]!], p);
      if (near.distance < best.distance) best = near;
    }
    return best;
  });
  return found
    .filter((f) => f.distance < LONGEST_SHOWN_MM)
    .sort((a, b) => a.distance - b.distance)
    .slice(0, MEETING_PLACES)
    .map((f) => f.point);
}
