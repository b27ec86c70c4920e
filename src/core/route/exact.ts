import type { Constraints } from './constraints';
import { ownChoices, type Choices } from './choices';
import { preferred, stepTo, type EvaluateOptions, type Step } from './startsAndEnds';
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
  const search = new SetSearch(items, constraints, options);
  for (let later = 0; later < 2 ** items.length; later++) search.settle(later);
  return search.best();
}

class SetSearch {
  private readonly ground: CoverGrid;
  private readonly choices: Choices[];
  /** Pieces that must come before each, as bits. */
  private readonly must: number[];
  /** By the set of later pieces and the one before them. */
  private readonly known = new Map<number, Rest>();

  constructor(
    private readonly items: readonly RouteItem[],
    { before }: Constraints,
    private readonly options: EvaluateOptions,
  ) {
    this.ground = new CoverGrid(items);
    this.choices = items.map(ownChoices);
    this.must = before.map((list) => list.reduce((set, j) => set | (1 << j), 0));
  }

  private key(first: number, later: number): number {
    return later * this.items.length + first;
  }

  private members(set: number): number[] {
    return this.items.flatMap((_, i) => (set & (1 << i) ? [i] : []));
  }

  /** Works out every piece that may come right before a set; smaller sets must be settled. */
  settle(later: number): void {
    const after = this.members(later);
    const may = this.items.flatMap((_, i) => ((later & (1 << i)) === 0 && (this.must[i]! & later) === 0 ? [i] : []));
    const next = after.filter((i) => this.known.has(this.key(i, later & ~(1 << i))));
    if (after.length > 0 && next.length === 0) return;
    const k = this.items.length - after.length;
    if (may.some((i) => next.some((j) => this.items[i]!.thread === this.items[j]!.thread))) {
      this.ground.lay([...this.items.keys()].sort((a, b) => Number((later & (1 << a)) !== 0) - Number((later & (1 << b)) !== 0) || a - b));
      this.ground.reveal(k);
    }
    for (const first of may) this.known.set(this.key(first, later), this.rest(first, later, next, k));
  }

  private rest(first: number, later: number, then: readonly number[], k: number): Rest {
    const from = this.choices[first]!;
    const least = new Float64Array(from.ends.length).fill(then.length === 0 ? 0 : Infinity);
    const next = new Int32Array(from.ends.length).fill(-1);
    const steps = new Map<number, Step>();
    for (const t of then) {
      const { costs } = this.known.get(this.key(t, later & ~(1 << t)))!;
      this.ground.lead(this.items[first]!, this.items[t]!);
      const step = stepTo(this.ground, this.items[first]!, this.items[t]!, from, this.choices[t]!, costs, k, this.options);
      steps.set(t, step);
      step.cost.forEach((cost, e) => {
        if (cost < least[e]!) [least[e], next[e]] = [cost, t];
      });
    }
    const costs = preferred(from, first, k - 1, this.options);
    costs.forEach((cost, o) => (costs[o] = cost + least[from.endOf[o]!]!));
    return { costs, next, steps };
  }

  best(): { order: number[]; seconds: number } {
    let later = 2 ** this.items.length - 1;
    let [seconds, at, option] = [Infinity, 0, 0];
    this.items.forEach((_, i) => {
      this.known.get(this.key(i, later & ~(1 << i)))?.costs.forEach((cost, o) => {
        if (cost < seconds) [seconds, at, option] = [cost, i, o];
      });
    });
    const order: number[] = [];
    while (at >= 0) {
      order.push(at);
      later &= ~(1 << at);
      const { next, steps } = this.known.get(this.key(at, later))!;
      const end = this.choices[at]!.endOf[option]!;
      at = next[end]!;
      if (at >= 0) option = steps.get(at)!.next[end]!;
    }
    return { order, seconds: seconds + this.options.pace.trim };
  }
}
