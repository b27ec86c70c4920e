'use client';
import { TextSearch } from 'lucide-react';
import { lazy, Suspense, useMemo, useState } from 'react';
import { SignButton } from '../components/Button';
import { keyCommand } from './keys';
import type { Findable } from './matching';
import type { ShopPlace } from './shopFindables';
import { useKeys } from './useKeys';

// What it finds needs all commands of a job: these pages do without them until somebody looks for something.
const ShopPalette = lazy(() => import('./ShopPalette'));
const NOTHING: readonly Findable[] = [];

/** Finds anything from the Shelf, the Library and the day's work: a button, and the same key as in a job. */
export function ShopFinder({ at, own = NOTHING }: { at: ShopPlace; own?: readonly Findable[] }) {
  const [open, setOpen] = useState(false);
  const keys = useMemo(() => [keyCommand('Find anything', '/', () => setOpen(true))], []);
  useKeys(keys);
  return (
    <>
      <SignButton name="Find anything (/)" className="max-sm:hidden" onClick={() => setOpen(true)}>
        <TextSearch size={17} />
      </SignButton>
      {open && (
        <Suspense>
          <ShopPalette at={at} own={own} onOpenChange={setOpen} />
        </Suspense>
      )}
    </>
  );
}
