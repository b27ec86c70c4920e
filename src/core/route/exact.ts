import type { Constraints } from './constraints';
import { ownChoices, type Choices } from './choices';
import { fromTheEnd, preferred, stepTo, type EvaluateOptions, type Step } from './startsAndEnds';
import { boundsAbout, boundsTouch } from '../geometry/point';
import { CoverGrid } from './coverGrid';
import type { RouteItem } from './item';

/** So many pieces are ordered exactly; the work doubles with each further one. */
export const EXACT_PIECES = 8;

/** What remains of a job when a piece is sewn next and a set of others after it. */
interface Rest {
  /** For each option of the piece, what it and the rest cost at least, seconds. */
  costs: Float64Array;
  /** For each place where it may end, the piece sewn next. */
  next: Int32Array;
  /** How the needle goes on to each piece that may be next. */
  steps: ReadonlyMap<number, Step>;
}

/** A stretch of an order, with what is sewn before and after it. */
export interface Stretch {
  before: readonly number[];
  /** At most `EXACT_PIECES`. */
  pieces: readonly number[];
  after: readonly number[];
}

/** An order of a stretch and what it, and all after it, cost at least, seconds. */
export interface StretchOrder {
  pieces: number[];
  seconds: number;
}

/** What comes right after a stretch: for each option of that piece, what it and all after it cost at least, seconds. */
interface Rear {
  piece: number;
  choices: Choices;
  costs: Float64Array;
}

/**
 * The best order of a few pieces by machine seconds: dynamic programming over the sets of pieces still to be sewn
 * (Held and Karp 1962). It is exact because what hides a travel depends on which pieces come later, not on their order,
 * and because pieces that overlap keep theirs.
 * @param items at most `EXACT_PIECES`, in an order that the constraints allow
 */
export function optimalOrder(
  items: readonly RouteItem[],
  constraints: Constraints,
  options: EvaluateOptions,
): { order: number[]; seconds: number } {
  const whole: Stretch = { before: [], pieces: items.map((_, i) => i), after: [] };
  const [best] = new SetSearch(new CoverGrid(items), items, whole, null, constraints, options).found();
  return { order: best!.pieces, seconds: best!.seconds + options.pace.trim };
}

/** Pieces that lie farther away than this from a stretch hide none of its ways, in all likelihood, mm. */
const NEAR_MM = 6;

/**
 * The best orders of a stretch, one for each piece that may come first in it, the cheapest first: what comes before decides among
 * them. Exact but for ways that go far round under pieces that do not come near it.
 * @param ground of all items; laid anew
 * @returns with what the stretch and all after it cost as they are
 */
export function optimalStretches(
  ground: CoverGrid,
  items: readonly RouteItem[],
  stretch: Stretch,
  constraints: Constraints,
  options: EvaluateOptions,
): { orders: StretchOrder[]; asIs: number } {
  const { before, pieces, after } = stretch;
  const order = [...before, ...pieces, ...after];
  ground.lay(order);
  const roughly = { ...options, fine: false };
  const { choices, costs, from } = fromTheEnd(ground, items, order, before.length, roughly);
  const first = before.length + pieces.length;
  const rear = after.length > 0 ? { piece: after[0]!, choices: choices[first]!, costs: from[first]! } : null;
  const box = boundsAbout(pieces.map((i) => items[i]!.box));
  const near = (i: number): boolean => boundsTouch(box, items[i]!.box, NEAR_MM);
  const local = { before: before.filter(near), pieces, after: after.filter(near) };
  const reached = rear && near(rear.piece) ? rear : null;
  const away = rear && !reached ? options.pace.trim + Math.min(...rear.costs) : 0;
  const around = new CoverGrid([...local.before, ...pieces, ...local.after].map((i) => items[i]!));
  const orders = new SetSearch(around, items, local, reached, constraints, roughly).found();
  return { orders: orders.map((o) => ({ ...o, seconds: o.seconds + away })), asIs: Math.min(...costs) };
}

class SetSearch {
  private readonly pieces: readonly number[];
  private readonly choices: Choices[];
  /** Pieces of the stretch that must come before each, as bits. */
  private readonly must: number[];
  /** By the set of later pieces and the one before them. */
  private readonly known = new Map<number, Rest>();
  /** The ground's number of an item. */
  private readonly place: (item: number) => number;
  constructor(
    private readonly ground: CoverGrid,
    private readonly items: readonly RouteItem[],
    private readonly stretch: Stretch,
    private readonly rear: Rear | null,
    { before }: Constraints,
    private readonly options: EvaluateOptions,
  ) {
    this.pieces = stretch.pieces;
    this.choices = this.pieces.map((i) => ownChoices(items[i]!));
    const bit = new Map(this.pieces.map((i, b) => [i, 1 << b]));
    this.must = this.pieces.map((i) => before[i]!.reduce((set, j) => set | (bit.get(j) ?? 0), 0));
    const places = new Map([...stretch.before, ...this.pieces, ...stretch.after].map((i, k) => [i, k]));
    this.place = (i) => places.get(i)!;
    for (let later = 0; later < 2 ** this.pieces.length; later++) this.settle(later);
  }

  private item(bit: number): RouteItem {
    return this.items[this.pieces[bit]!]!;
  }

  private key(first: number, later: number): number {
    return later * this.pieces.length + first;
  }

  private members(set: number): number[] {
    return this.pieces.flatMap((_, i) => (set & (1 << i) ? [i] : []));
  }

  /** Works out every piece that may come right before a set; smaller sets must be settled. */
  private settle(later: number): void {
    const after = this.members(later);
    const may = this.members(~later).filter((i) => (this.must[i]! & later) === 0);
    const next = after.filter((i) => this.known.has(this.key(i, later & ~(1 << i))));
    if (after.length > 0 && next.length === 0) return;
    const k = this.stretch.before.length + this.pieces.length - after.length;
    const followers = after.length === 0 && this.rear ? [this.items[this.rear.piece]!] : next.map((j) => this.item(j));
    if (may.some((i) => followers.some((f) => this.item(i).thread === f.thread))) {
      const of = (set: number): number[] => this.members(set).map((i) => this.pieces[i]!);
      this.ground.lay([...this.stretch.before, ...of(~later), ...of(later), ...this.stretch.after].map(this.place));
      this.ground.reveal(k);
    }
    for (const first of may) this.known.set(this.key(first, later), this.rest(first, later, next, k));
  }

  private rest(first: number, later: number, then: readonly number[], k: number): Rest {
    const from = this.choices[first]!;
    const least = new Float64Array(from.ends.length).fill(then.length === 0 && !this.rear ? 0 : Infinity);
    const next = new Int32Array(from.ends.length).fill(-1);
    const steps = new Map<number, Step>();
    const lead = (to: number, target: RouteItem, choices: Choices, costs: Float64Array): void => {
      this.ground.lead(this.item(first), target);
      const step = stepTo(this.ground, this.item(first), target, from, choices, costs, k, this.options);
      steps.set(to, step);
      step.cost.forEach((cost, e) => {
        if (cost < least[e]!) [least[e], next[e]] = [cost, to];
      });
    };
    for (const t of then) lead(t, this.item(t), this.choices[t]!, this.known.get(this.key(t, later & ~(1 << t)))!.costs);
    if (later === 0 && this.rear) lead(-1, this.items[this.rear.piece]!, this.rear.choices, this.rear.costs);
    const costs = preferred(from, this.pieces[first]!, k - 1, this.options);
    costs.forEach((cost, o) => (costs[o] = cost + least[from.endOf[o]!]!));
    return { costs, next, steps };
  }

  found(): StretchOrder[] {
    const all = 2 ** this.pieces.length - 1;
    return this.pieces
      .flatMap((_, first) => {
        const rest = this.known.get(this.key(first, all & ~(1 << first)));
        return rest ? [this.trace(first, rest)] : [];
      })
      .sort((a, b) => a.seconds - b.seconds);
  }

  private trace(first: number, { costs }: Rest): StretchOrder {
    let option = 0;
    for (let o = 1; o < costs.length; o++) if (costs[o]! < costs[option]!) option = o;
    const seconds = costs[option]!;
    const out: number[] = [];
    let later = 2 ** this.pieces.length - 1;
    for (let at = first; at >= 0;) {
      out.push(this.pieces[at]!);
      later &= ~(1 << at);
      const { next, steps } = this.known.get(this.key(at, later))!;
      const end = this.choices[at]!.endOf[option]!;
      at = next[end]!;
      if (at >= 0) option = steps.get(at)!.next[end]!;
    }
    return { pieces: out, seconds };
  }
}
