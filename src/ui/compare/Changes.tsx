import type { PieceChange } from '@/core/compare/changes';
import { settingWord } from './compareWords';

const SIGNS: Record<PieceChange['how'], string> = { added: '+', removed: '−', changed: '~' };
const MOST = 12;

/** What was changed from the left version to the right one, piece by piece. */
export function Changes({ changes }: { changes: readonly PieceChange[] }) {
  return (
    <section aria-label="What changed" className="mt-4" data-testid="compare-changes">
      <h2 className="font-semibold">
        What changed <span className="figures font-normal text-quiet">{changes.length}</span>
      </h2>
      {changes.length === 0 && <p className="text-quiet">No piece was changed by hand.</p>}
      <ul>
        {changes.slice(0, MOST).map(({ id, name, how, what }) => (
          <li key={id} className="flex gap-2 border-b border-hairline py-[3px]">
            <span className="figures w-3 text-quiet" aria-hidden="true">
              {SIGNS[how]}
            </span>
            <span className="min-w-0 truncate">{name}</span>
            <span className="ml-auto text-right text-quiet">{how === 'changed' ? what.map(settingWord).join(', ') : how}</span>
          </li>
        ))}
      </ul>
      {changes.length > MOST && <p className="text-quiet">and {changes.length - MOST} more</p>}
    </section>
  );
}
