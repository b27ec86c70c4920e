'use client';
import { Lock } from 'lucide-react';

import type { Job } from '@/core/document/types';
import { PIECE_KINDS } from '@/core/document/kinds';
import { usePlan } from '@/session/derived/planStore';
import { CommandButton } from '../../commands/CommandButton';
import { Swatch } from '../../components/Swatch';
import { selectAll, toggleSelected, useView } from '@/session/view/viewStore';
import { TOGGLE_HIDDEN, TOGGLE_OVERLAPS, TOGGLE_PATH } from '../tools/benchKeys';
import { withGroups } from '../tools/pick';
import { useRested } from '../useRested';

/** The sewing order as a list. */
export function PieceList({ job }: { job: Job }) {
  const planned = useRested(usePlan((s) => s.planned?.plan.pieces));
  const showMeetings = useView((s) => s.showMeetings);
  const hidden = useView((s) => s.hidden.length);
  const threads = new Map(job.threads.map((t, i) => [t.id, { ...t, number: i + 1 }]));
  if (job.pieces.length === 0) {
    return (
      <div className="p-5 text-quiet">
        <p className="text-lg font-semibold text-ink">Nothing to sew yet</p>
        <p className="mt-1">Go to Art: it measures the drawing at its finished size and makes the pieces from it.</p>
      </div>
    );
  }
  return (
    <section aria-label="Sewing order">
      <div className="flex items-center gap-2 px-4 pt-4 pb-2">
        <h2 className="flex-1 text-lg font-semibold">Sewing order</h2>
        {hidden > 0 && (
          <CommandButton command={TOGGLE_HIDDEN} name="Show everything">
            Show {hidden} hidden
          </CommandButton>
        )}
        <CommandButton command={TOGGLE_PATH}>Path</CommandButton>
        <CommandButton command={TOGGLE_OVERLAPS} pressed={showMeetings}>
          Overlaps
        </CommandButton>
      </div>
      <ol>
        {job.pieces.map((p, i) => {
          const thread = threads.get(p.thread);
          return (
            <li key={p.id}>
              <button
                type="button"
                onClick={(e) => (e.shiftKey ? toggleSelected(p.id) : selectAll(withGroups([p.id])))}
                className="grid w-full grid-cols-[24px_24px_1fr_auto] items-center gap-2 border-t border-hairline px-4 py-1 text-left hover:bg-tape-soft"
              >
                <span className="figures text-right text-quiet">{i + 1}</span>
                {thread && (
                  <Swatch hex={thread.hex} number={thread.number} title={`Thread ${thread.number}: ${thread.name} (${thread.code})`} />
                )}
                <span className="truncate">
                  {p.name} <span className="text-quiet">{PIECE_KINDS[p.kind].word.toLowerCase()}</span>
                  {p.locked && <Lock size={11} aria-label="locked" className="ml-1 inline" />}
                </span>
                <span className="figures text-right">{planned?.[i]?.stitches.toLocaleString('en') ?? ''}</span>
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
