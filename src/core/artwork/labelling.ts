/** Things that each take one of a few labels, with what each label and each pair of labels costs; nothing costs less than 0. */
export interface LabelProblem {
  /** For each thing what each of its labels costs by itself. */
  own: readonly (readonly number[])[];
  /** What labels `k` of thing `i` and `l` of thing `j` cost together; asked with i > j only. */
  pair(i: number, k: number, j: number, l: number): number;
}

/** Partial choices that are looked at; what is best by then is taken. */
const MOST_LOOKED_AT = 40_000;
const NO_GAIN = 1e-9;

/** What a choice of labels costs. */
export const costOf = (problem: LabelProblem, chosen: readonly number[]): number =>
  chosen.reduce((sum, k, i) => sum + added(problem, i, k, chosen, i), 0);

/** What label `k` of thing `i` adds to those of the things before `upTo`. */
function added({ own, pair }: LabelProblem, i: number, k: number, chosen: readonly number[], upTo: number): number {
  let sum = own[i]![k]!;
  for (let j = 0; j < upTo; j++) if (j !== i) sum += i > j ? pair(i, k, j, chosen[j]!) : pair(j, chosen[j]!, i, k);
  return sum;
}

/**
 * The labels that cost least together: one thing after the other takes what suits the rest (iterated conditional modes,
 * Besag 1986), then all choices that could still be better are gone through (branch and bound). Exact for few things, and for
 * more as far as the budget lasts; never worse than the first. Same problem, same answer.
 */
export function bestLabels(given: LabelProblem): number[] {
  const problem = { own: given.own, pair: askedOnce(given) };
  const settled = settle(problem);
  return branch(problem, settled, costOf(problem, settled));
}

/** What two labels cost together is worked out once: the search asks again and again. */
function askedOnce({ own, pair }: LabelProblem): LabelProblem['pair'] {
  const most = Math.max(0, ...own.map((labels) => labels.length));
  const known = new Map<number, number>();
  return (i, k, j, l) => {
    const key = ((i * own.length + j) * most + k) * most + l;
    const before = known.get(key);
    if (before !== undefined) return before;
    const made = pair(i, k, j, l);
    known.set(key, made);
    return made;
  };
}

function settle(problem: LabelProblem): number[] {
  const chosen: number[] = [];
  problem.own.forEach((labels, i) => chosen.push(leastOf(labels.length, (k) => added(problem, i, k, chosen, i))));
  for (let changed = true; changed;) {
    changed = false;
    chosen.forEach((now, i) => {
      const cost = (k: number): number => added(problem, i, k, chosen, chosen.length);
      const k = leastOf(problem.own[i]!.length, cost);
      if (cost(k) >= cost(now) - NO_GAIN) return;
      chosen[i] = k;
      changed = true;
    });
  }
  return chosen;
}

function branch(problem: LabelProblem, settled: number[], cost: number): number[] {
  const n = problem.own.length;
  let [best, least] = [settled, cost];
  const rest = Array.from({ length: n + 1 }, () => 0);
  for (let i = n - 1; i >= 0; i--) rest[i] = rest[i + 1]! + Math.min(...problem.own[i]!);
  const byCost = problem.own.map((labels) => labels.map((_, k) => k).sort((a, b) => labels[a]! - labels[b]! || a - b));
  const chosen: number[] = [];
  let lookedAt = 0;
  const visit = (i: number, so: number): void => {
    if (i === n) [best, least] = [chosen.slice(), so];
    if (i === n) return;
    for (const k of byCost[i]!) {
      if (lookedAt++ > MOST_LOOKED_AT) return;
      const sum = so + added(problem, i, k, chosen, i);
      if (sum + rest[i + 1]! >= least - NO_GAIN) continue;
      chosen[i] = k;
      visit(i + 1, sum);
    }
  };
  visit(0, 0);
  return best;
}

function leastOf(n: number, cost: (k: number) => number): number {
  let [best, least] = [0, Infinity];
  for (let k = 0; k < n; k++) {
    const c = cost(k);
    if (c < least) [best, least] = [k, c];
  }
  return best;
}
