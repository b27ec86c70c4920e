import { lengthText } from '@/session/view/unitsStore';
import { useEffect } from 'react';
import { recipeFor } from '@/core/cloth/house';
import type { Sewout } from '@/core/document/sewoutTypes';
import type { ClothFactors, Job } from '@/core/document/types';
import type { Learned } from '@/core/sewouts/learn/learn';
import { isMeasured } from '@/core/sewouts/measured';
import { learnedWords } from '@/core/sewouts/sewoutReport';
import { heldBy } from '@/core/sewouts/together';
import { MARK_WORDS } from '@/core/sewouts/words';
import { requestLearned, useSewouts } from '@/session/sewouts/sewoutStore';
import { Adopting } from './Adopting';

/** What the measurements of this test, and of others on the same cloth over the same stabilizer, tell of how it gives way. */
export function LearnedPanel({ job, sewout }: { job: Job; sewout: Sewout }) {
  const learned = useSewouts((s) => s.learned?.of ?? null);
  const { progress, problem } = useSewouts((s) => s.learning);
  const others = useSewouts((s) => s.others);
  const measured = sewout.marks.filter(isMeasured).length;
  useEffect(() => {
    if (measured > 0) requestLearned(job, sewout);
  }, [job, sewout, measured, others]);
  if (measured === 0)
    return (
      <p className="text-quiet">
        Nothing is measured yet. Every gap, height and width that a ruler tells also teaches the forecast how {heldBy(job, sewout.setup)}{' '}
        gives way: the next job’s first sample comes out nearer.
      </p>
    );
  if (problem) return <p role="alert">{problem}</p>;
  if (progress !== null || !learned)
    return (
      <div role="status">
        <p className="mb-2 text-quiet">
          {progress === null ? 'No measurement lies where the forecast says something.' : 'Fitting the cloth to what was measured …'}
        </p>
        {progress !== null && <progress value={progress} max={1} aria-label="Fitting the cloth" className="w-full" />}
      </div>
    );
  return (
    <div className="grid gap-4" data-testid="learned">
      <div>
        <p className="figures text-[34px] leading-10">× {learned.factors.shortening.toFixed(2)}</p>
        <p className="font-semibold">{learnedWords(learned)}</p>
        <p className="mt-1 text-quiet">
          {heldBy(job, sewout.setup).replace(/^./, (c) => c.toUpperCase())}. It holds for work still in the hoop.
        </p>
      </div>
      <Factors learned={learned} />
      <p>
        The forecast missed what was measured by <span className="figures">{lengthText(learned.errorBeforeMm, 2)}</span>; with this by{' '}
        <span className="figures">{lengthText(learned.errorAfterMm, 2)}</span>.
      </p>
      <Outliers learned={learned} sewout={sewout} />
      <Adopting job={job} learned={learned} name={recipeFor(job.brief).name} />
    </div>
  );
}

const ROWS: readonly { key: keyof ClothFactors; name: string; unit: string; per: number; decimals: number }[] = [
  { key: 'shortening', name: 'Rows shorten', unit: '%', per: 100, decimals: 1 },
  { key: 'push', name: 'Cloth is pushed', unit: '%', per: 100, decimals: 1 },
  { key: 'bite', name: 'Ends bite', unit: 'mm', per: 1, decimals: 2 },
  { key: 'stiffness', name: 'Stiffness', unit: 'N/mm', per: 1, decimals: 1 },
];
/** The scale goes from a third to three times the recipe. */
const END = Math.log(3);
const place = (factor: number): number => 50 + (50 * Math.max(-END, Math.min(END, Math.log(factor)))) / END;

/** Each parameter on a scale about the recipe's value, with the range that holds it in 19 of 20 cases. */
function Factors({ learned: { factors, spreads, prior } }: { learned: Learned }) {
  return (
    <table className="w-full" aria-label="How the cloth gives way">
      <thead>
        <tr className="text-left text-xs text-quiet">
          <th className="font-normal">Against the recipe</th>
          <th className="w-[120px] text-center font-normal">⅓ · 1 · 3</th>
          <th className="text-right font-normal">Value</th>
        </tr>
      </thead>
      <tbody>
        {ROWS.map(({ key, name, unit, per, decimals }) => {
          const [low, high] = [factors[key] * Math.exp(-spreads[key]), factors[key] * Math.exp(spreads[key])];
          return (
            <tr key={key} className="border-t border-hairline">
              <th scope="row" className="py-1.5 text-left font-normal">
                {name}
              </th>
              <td>
                <span
                  className="relative block h-4 border-x border-hairline bg-white"
                  title={`between ${low.toFixed(2)} and ${high.toFixed(2)} times the recipe`}
                >
                  <span className="absolute inset-y-0 left-1/2 w-px bg-quiet" />
                  <span
                    className="absolute top-1.5 h-1 bg-tape"
                    style={{ left: `${place(low)}%`, width: `${place(high) - place(low)}%` }}
                  />
                  <span className="absolute top-0.5 h-3 w-[3px] -translate-x-1/2 bg-ink" style={{ left: `${place(factors[key])}%` }} />
                </span>
              </td>
              <td className="figures text-right whitespace-nowrap">
                {(prior[key] * factors[key] * per).toFixed(decimals)} {unit}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Outliers({ learned: { outliers, unplaced }, sewout }: { learned: Learned; sewout: Sewout }) {
  const measured = sewout.marks.filter(isMeasured);
  const words = (list: Learned['outliers']): string =>
    list
      .map(({ sewout: of, mark }) =>
        of === 0 && measured[mark]
          ? `${MARK_WORDS[measured[mark].kind].toLowerCase()} of ${lengthText(measured[mark].mm, 2)}`
          : 'one of another test',
      )
      .join(', ');
  return (
    <>
      {outliers.length > 0 && <p className="text-warn">Does not go with the rest, and is left out: {words(outliers)}. Measure it again.</p>}
      {unplaced.length > 0 && (
        <p className="text-quiet">No two pieces meet where it was measured: {words(unplaced)}. Say which pieces it is between.</p>
      )}
    </>
  );
}
