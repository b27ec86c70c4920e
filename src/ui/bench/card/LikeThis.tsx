'use client';
import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { PIECE_KINDS } from '@/core/document/kinds';
import type { Job, Piece } from '@/core/document/types';
import { selectAll } from '@/session/view/viewStore';
import { MenuPortal } from '../../components/MenuPortal';

type Like = (a: Piece, b: Piece) => boolean;
const thread: Like = (a, b) => a.thread === b.thread;
const kind: Like = (a, b) => a.kind === b.kind;

interface Way {
  name: string;
  keys?: string;
  like: Like;
}

const waysFor = (job: Job, piece: Piece): Way[] => [
  { name: `Of this thread, ${job.threads.find((t) => t.id === piece.thread)?.name ?? ''}`, keys: 'Y', like: thread },
  { name: `Sewn as ${PIECE_KINDS[piece.kind].word.toLowerCase()}`, keys: 'U', like: kind },
  { name: 'Both of these', like: (a, b) => thread(a, b) && kind(a, b) },
];

/** Chooses all that are like a piece; says how many before it does. */
export function LikeThis({ job, piece }: { job: Job; piece: Piece }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="mt-2 flex h-7 items-center gap-1 rounded-md border border-edge bg-panel px-2 hover:bg-tape-soft">
        Choose all like this <ChevronDown size={14} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <MenuPortal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          className="z-30 min-w-[240px] rounded-md border border-edge bg-panel p-1 shadow-lg"
        >
          {waysFor(job, piece).map(({ name, keys, like }) => {
            const ids = [piece.id, ...job.pieces.filter((p) => p.id !== piece.id && like(p, piece)).map((p) => p.id)];
            return (
              <DropdownMenu.Item
                key={name}
                onSelect={() => selectAll(ids)}
                className="flex cursor-pointer items-baseline gap-3 rounded-sm px-2 py-1.5 outline-none data-[highlighted]:bg-tape"
              >
                <span className="figures w-6 text-right font-semibold">{ids.length}</span>
                <span className="flex-1">{name}</span>
                <span className="figures text-quiet">{keys}</span>
              </DropdownMenu.Item>
            );
          })}
        </DropdownMenu.Content>
      </MenuPortal>
    </DropdownMenu.Root>
  );
}
