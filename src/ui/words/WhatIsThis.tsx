'use client';
import Link from 'next/link';
import { Popover } from 'radix-ui';
import { termOf } from '@/core/gallery/glossary';
import { SewnTerm } from './SewnTerm';

/** A small question mark beside a word of the craft: opens what it means, with a sewn picture. */
export function WhatIsThis({ term: key }: { term: string }) {
  const term = termOf(key);
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`What is this? ${term.term}`}
        title={`What is this? ${term.term}`}
        className="inline-grid h-4 w-4 shrink-0 place-items-center rounded-full border border-hairline text-[10px] leading-none text-quiet hover:border-ink hover:bg-tape-soft hover:text-ink"
      >
        ?
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={8}
          sideOffset={6}
          aria-label={term.term}
          data-testid="what-is-this"
          className="z-50 w-[264px] rounded-md border border-edge bg-panel text-sm shadow-lg"
        >
          <SewnTerm term={term} />
          <Link href="/library#words" className="block border-t border-hairline px-3 py-2 underline decoration-dotted underline-offset-2">
            All words of the craft
          </Link>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
