'use client';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { said } from '@/session/view/unitsStore';
import { HISTORY_KEYS } from './historyKeys';
import { BENCH_KEY_GROUPS } from './registry';

const CLOTH_HINTS: readonly [string, string][] = [
  ['Zoom where the pointer is', 'Wheel, or two fingers drawn apart'],
  ['Move the cloth', 'Drag it; middle button over a piece'],
  ['Move the cloth across', 'Shift and wheel, or wheel sideways'],
  ['Choose a piece', 'Click its thread'],
  ['Change the order', 'Drag a stretch of the thread line'],
  ['Sew back and forth', 'Drag the yellow playhead'],
];

const GROUPS: readonly { name: string; rows: readonly (readonly [string, string])[] }[] = [
  { name: 'With the pointer', rows: CLOTH_HINTS },
  ...[{ name: 'Everywhere', keys: HISTORY_KEYS }, ...BENCH_KEY_GROUPS].map(({ name, keys }) => ({
    name,
    rows: keys.map((k): [string, string] => [k.name, k.keys]),
  })),
];

/** All keys by task, and what the pointer does. */
export function KeysSheet({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[min(920px,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border border-edge bg-panel p-5 shadow-lg"
        >
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="text-xl font-semibold">Keys and pointer</Dialog.Title>
            <Dialog.Close aria-label="Close" className="grid h-8 w-8 place-items-center rounded-md hover:bg-tape-soft">
              <X size={17} />
            </Dialog.Close>
          </div>
          <div className="columns-2 gap-8 max-sm:columns-1">
            {GROUPS.map(({ name, rows }) => (
              <section key={name} className="mb-4 break-inside-avoid-column" aria-label={name}>
                <h3 className="mb-1 border-b border-hairline font-semibold">{name}</h3>
                <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
                  {rows.map(([what, keys]) => (
                    <div key={what} className="contents">
                      <dt className="leading-tight">{said(what)}</dt>
                      <dd className="figures max-w-[150px] text-right text-quiet">{keys}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
          </div>
          <p className="mt-4 border-t border-hairline pt-3 text-quiet">
            Before a first run on a machine, trace the hoop so that the needle cannot hit the frame, keep fingers away from a moving needle,
            and follow the machine’s manual and your local rules.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
