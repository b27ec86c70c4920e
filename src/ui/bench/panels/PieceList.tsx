'use client';
import { Lock } from 'lucide-react';
import { useState } from 'react';
import type { Job, Piece, Thread } from '@/core/document/types';
import { PIECE_KINDS } from '@/core/document/kinds';
import { movePiece } from '@/session/edit/commands';
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
  const drag = useDraggedRow();
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
        {job.pieces.map((p, i) => (
          <Row key={p.id} piece={p} index={i} thread={threads.get(p.thread)} stitches={planned?.[i]?.stitches} drag={drag} />
        ))}
      </ol>
    </section>
  );
}

interface DraggedRow {
  /** The piece that is dragged, and the row that it would take the place of. */
  id: string | null;
  over: number | null;
  begin(id: string): void;
  enter(index: number): void;
  drop(index: number): void;
  end(): void;
}

/** A row of the list being dragged to another place of the sewing order. */
function useDraggedRow(): DraggedRow {
  const [{ id, over }, set] = useState<{ id: string | null; over: number | null }>({ id: null, over: null });
  const end = (): void => set({ id: null, over: null });
  return {
    ...{ id, over, end },
    begin: (began) => set({ id: began, over: null }),
    enter: (index) => over !== index && set({ id, over: index }),
    drop: (index) => {
      if (id !== null) movePiece(id, index);
      end();
    },
  };
}

interface RowProps {
  piece: Piece;
  index: number;
  thread: (Thread & { number: number }) | undefined;
  stitches: number | undefined;
  drag: DraggedRow;
}

/** One piece in its place of the order: a click chooses it, dragging sews it earlier or later. */
function Row({ piece: p, index, thread, stitches, drag }: RowProps) {
  const aimed = drag.id !== null && drag.id !== p.id && drag.over === index;
  return (
    <li
      draggable
      onDragStart={(e) => {
        e.dataTransfer.effectAllowed = 'move';
        e.dataTransfer.setData('text/plain', p.name);
        drag.begin(p.id);
      }}
      onDragOver={(e) => {
        if (drag.id === null) return;
        e.preventDefault();
        drag.enter(index);
      }}
      onDrop={(e) => {
        e.preventDefault();
        drag.drop(index);
      }}
      onDragEnd={drag.end}
      data-aimed={aimed}
      className={aimed ? 'bg-tape shadow-[inset_0_0_0_2px_#1d282c]' : drag.id === p.id ? 'opacity-50' : ''}
    >
      <button
        type="button"
        title="Drag to sew it earlier or later"
        onClick={(e) => (e.shiftKey ? toggleSelected(p.id) : selectAll(withGroups([p.id])))}
        className="grid w-full grid-cols-[24px_24px_1fr_auto] items-center gap-2 border-t border-hairline px-4 py-1 text-left hover:bg-tape-soft"
      >
        <span className="figures text-right text-quiet">{index + 1}</span>
        {thread && <Swatch hex={thread.hex} number={thread.number} title={`Thread ${thread.number}: ${thread.name} (${thread.code})`} />}
        <span className="truncate">
          {p.name} <span className="text-quiet">{PIECE_KINDS[p.kind].word.toLowerCase()}</span>
          {p.locked && <Lock size={11} aria-label="locked" className="ml-1 inline" />}
        </span>
        <span className="figures text-right">{stitches?.toLocaleString('en') ?? ''}</span>
      </button>
    </li>
  );
}
