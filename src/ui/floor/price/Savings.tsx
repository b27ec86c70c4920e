'use client';
import { recipeFor } from '@/core/cloth/house';
import { savings } from '@/core/production/savings';
import { useFloor } from '@/session/derived/floorStore';
import { useJob } from '@/session/job/jobStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { hoursOf } from '../words';
import { useOrder } from './usePrice';

/** What a change of the design would spare over the whole order. */
export function Savings() {
  const view = useFloor((s) => s.view);
  const job = useJob((s) => s.job)!;
  const rates = useLibrary((s) => s.library.rates);
  const order = useOrder();
  if (!view || !order) return null;
  const list = savings({
    ...{ figures: view.figures, order, rates, runs: view.runs.runs, perHoop: view.perHoop },
    stitchesPerMinute: recipeFor(job.brief).speed,
  });
  return (
    <section aria-label="What a change would save">
      <h2 className="mb-2 font-semibold">What a change would save</h2>
      <ul>
        {list.map((s) => (
          <li key={s.what} className="flex items-baseline gap-3 border-b border-hairline py-1.5">
            <span className="flex-1">{s.what}</span>
            <span className="figures w-32 text-right">{hoursOf(s.seconds)}</span>
            <span className="figures w-32 text-right text-quiet">{s.money > 0.004 ? `${rates.currency} ${s.money.toFixed(2)}` : '–'}</span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-xs text-quiet">Machine time over the whole quantity, and what the price would lose with it.</p>
    </section>
  );
}
