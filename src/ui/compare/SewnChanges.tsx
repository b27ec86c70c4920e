import type { SewnChange } from '@/core/compare/sewn';
import type { Job } from '@/core/document/types';
import { said } from '@/session/view/unitsStore';

const MOST = 8;
const NAMED = 3;

export const namesOf = (job: Job): ReadonlyMap<string, string> => new Map(job.pieces.map((p) => [p.id, p.name]));

/** What is sewn otherwise although nobody touched the piece, as another cloth brings it; pieces that change alike in one line. */
export function SewnChanges({ changes, names }: { changes: readonly SewnChange[]; names: ReadonlyMap<string, string> }) {
  if (changes.length === 0) return null;
  return (
    <section aria-label="How it is sewn now" className="mt-4" data-testid="sewn-changes">
      <h2 className="font-semibold">
        How it is sewn now{' '}
        <span className="figures font-normal text-quiet">{changes.reduce((sum, c) => sum + c.ids.length, 0)} pieces</span>
      </h2>
      <ul>
        {changes.slice(0, MOST).map(({ ids, what }) => (
          <li key={ids.join(' ')} className="border-b border-hairline py-1">
            <span className="block truncate" title={ids.map((id) => names.get(id) ?? id).join(', ')}>
              {ids
                .slice(0, NAMED)
                .map((id) => names.get(id) ?? id)
                .join(', ')}
              {ids.length > NAMED && <span className="text-quiet"> and {ids.length - NAMED} more</span>}
            </span>
            {what.map(({ label, from, to }) => (
              <span key={label} className="flex gap-2 pl-3 text-quiet">
                {label} <span className="figures ml-auto text-right">{said(from)}</span>
                <span aria-label="becomes">→</span>
                <span className="figures text-right font-semibold text-ink">{said(to)}</span>
              </span>
            ))}
          </li>
        ))}
      </ul>
      {changes.length > MOST && (
        <p className="text-quiet">and {changes.slice(MOST).reduce((sum, c) => sum + c.ids.length, 0)} more pieces, each otherwise</p>
      )}
    </section>
  );
}
