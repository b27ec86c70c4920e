import type { SeenMark } from '../document/sewoutTypes';
import type { RankedCause } from './causes/rank';
import type { Corrected, Accepted } from './corrections/apply';
import type { Learned } from './learn/learn';
import { PARAMETERS } from './learn/factors';

const hundredths = (v: number): number => Math.round(v * 100) / 100;
const known = (v: number | null): number | null => (v === null ? null : hundredths(v));

/** Causes of each mark as plain data: snake_case, probabilities in hundredths. @param marks in the order of the file */
export const causesReport = (marks: readonly Omit<SeenMark, 'id'>[], causes: readonly RankedCause[][]) =>
  causes.flatMap((ranked, i) =>
    ranked.map(({ id, name, physical, probability, pro, con, open, remedies }) => ({
      mark: i,
      kind: marks[i]!.kind,
      cause: id,
      name,
      physical,
      probability: Math.round(1000 * probability) / 1000,
      evidence: [...pro.map((words) => ({ for: true, words })), ...con.map((words) => ({ for: false, words }))],
      not_noted: open,
      corrections: remedies.map((r) => r.label),
    })),
  );

export const correctionsReport = (accepted: readonly (Accepted & { index: number; cause: string })[], made: Corrected) =>
  accepted.map(({ index, cause, remedy }, i) => ({
    mark: index,
    cause,
    label: remedy.label,
    forecast_before_mm: known(made.at[i]!.beforeMm),
    forecast_after_mm: known(made.at[i]!.afterMm),
    expected_after_mm: known(made.at[i]!.expectedMm),
  }));

/** Names and units of parameters as forecasts report them. */
const NAMES = { shortening: 'shortening', push: 'push', bite: 'bite_mm', stiffness: 'stiffness_n_per_mm' } as const;
const exact = (v: number): number => Number(v.toPrecision(4));

/** What was learned: parameters with the value of the recipe, the fitted one, and half of the range that holds it in 19 of 20 cases. */
export const learnedReport = (learned: Learned) => ({
  cloth: learned.cloth,
  parameters: Object.fromEntries(
    PARAMETERS.map((name) => {
      const [prior, by, spread] = [learned.prior[name], learned.factors[name], learned.spreads[name]];
      return [NAMES[name], { prior: exact(prior), value: exact(prior * by), spread: exact(prior * by * spread), factor: exact(by) }];
    }),
  ),
  gaps_used: learned.used,
  sewouts_used: learned.sewouts,
  outliers: learned.outliers.map(({ sewout, mark }) => ({ sewout, mark })),
  not_placed: learned.unplaced.map(({ sewout, mark }) => ({ sewout, mark })),
  error_before_mm: exact(learned.errorBeforeMm),
  error_after_mm: exact(learned.errorAfterMm),
});

/** Words of what was learned: ‘this cloth draws in 1.3 ± 0.1 times what the recipe said (5 measurements, 2 sew-outs)’. */
export function learnedWords({ factors, spreads, used, sewouts }: Learned): string {
  const times = factors.shortening.toFixed(1);
  const give = Math.max(0.1, factors.shortening * spreads.shortening).toFixed(1);
  const many = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;
  return `This cloth draws in ${times} ± ${give} times what the recipe said (${many(used, 'measurement')}, ${many(sewouts, 'sew-out')}).`;
}
