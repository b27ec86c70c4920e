import fc from 'fast-check';
import { bestLabels, costOf, type LabelProblem } from './labelling';

const COST = fc.integer({ min: 0, max: 20 });
/** Some things with three labels each, and a cost for every pair of labels. */
const PROBLEM = (most: number) =>
  fc.integer({ min: 1, max: most }).chain((n) =>
    fc.record({
      own: fc.array(fc.array(COST, { minLength: 3, maxLength: 3 }), { minLength: n, maxLength: n }),
      table: fc.array(COST, { minLength: n * n * 9, maxLength: n * n * 9 }),
    }),
  );
const problemOf = ({ own, table }: { own: number[][]; table: number[] }): LabelProblem => ({
  own,
  pair: (i, k, j, l) => {
    if (i <= j) throw new Error(`asked for ${i} and ${j}`);
    return table[((i * own.length + j) * 3 + k) * 3 + l]!;
  },
});
function* choices(n: number, so: number[] = []): Generator<number[]> {
  if (so.length === n) yield so;
  else for (let k = 0; k < 3; k++) yield* choices(n, [...so, k]);
}

describe('the labels that cost least together', () => {
  it('cost what the best of all choices costs', () => {
    fc.assert(
      fc.property(PROBLEM(6), (made) => {
        const problem = problemOf(made);
        let least = Infinity;
        for (const choice of choices(made.own.length)) least = Math.min(least, costOf(problem, choice));
        expect(costOf(problem, bestLabels(problem))).toBe(least);
      }),
      { seed: 95, numRuns: 60 },
    );
  });

  it('of many things leave none that would rather have another label', () => {
    fc.assert(
      fc.property(PROBLEM(40), (made) => {
        const problem = problemOf(made);
        const found = bestLabels(problem);
        const cost = costOf(problem, found);
        found.forEach((_, i) => {
          for (let k = 0; k < 3; k++) expect(costOf(problem, found.with(i, k))).toBeGreaterThanOrEqual(cost - 1e-9);
        });
      }),
      { seed: 96, numRuns: 8 },
    );
  });

  it('of nothing are none', () => {
    expect(bestLabels({ own: [], pair: () => 0 })).toEqual([]);
  });
});
