'use client';
import type { SheetOrder } from '@/core/document/types';
import { counted } from '@/core/units/count';
import { useFloor } from '@/session/derived/floorStore';
import { changeFloor } from '@/session/edit/floorCommands';
import { hoursOf } from '../words';
import { chooseByArrows, onTabWay } from '../../components/arrowKeys';

const WORDS: Record<SheetOrder, { name: string; says: string }> = {
  copy: { name: 'Copy by copy', says: 'Each is finished before the next: outlines meet their fills best.' },
  thread: { name: 'Thread by thread', says: 'All copies in one thread, then the next: fewest stops.' },
};

/** Both orders with what they cost; the better one is said. */
export function OrderChoice() {
  const view = useFloor((s) => s.view);
  if (!view) return null;
  return (
    <section aria-label="Order of copies">
      <h2 className="mb-2 font-semibold">Sewn</h2>
      <div role="radiogroup" aria-label="Order of copies" onKeyDown={chooseByArrows} className="grid gap-2">
        {(['thread', 'copy'] as const).map((order) => {
          const { stops, trims, minutes, longestCopyMinutes } = view.orders[order];
          const on = view.order === order;
          return (
            <button
              key={order}
              type="button"
              role="radio"
              aria-checked={on}
              tabIndex={onTabWay(on)}
              onClick={() => changeFloor(WORDS[order].name, { order: order === view.proposed ? undefined : order })}
              className={`rounded-md border p-3 text-left ${on ? 'border-ink bg-tape' : 'border-edge bg-white hover:bg-tape-soft'}`}
            >
              <span className="flex items-baseline gap-2">
                <span className="font-semibold">{WORDS[order].name}</span>
                {view.proposed === order && <span className="text-xs">proposed: quicker</span>}
                <span className="figures ml-auto text-lg">{hoursOf(minutes * 60)}</span>
              </span>
              <span className="figures block text-xs">
                {counted(stops, 'stop')} · {counted(trims, 'trim')}
              </span>
              <span className={`mt-1 block text-xs ${on ? 'text-ink' : 'text-quiet'}`}>
                {WORDS[order].says} A copy takes {hoursOf(longestCopyMinutes * 60)} from its first stitch to its last.
              </span>
            </button>
          );
        })}
      </div>
    </section>
  );
}
