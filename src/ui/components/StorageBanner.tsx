'use client';
import { useSyncExternalStore, type ReactNode } from 'react';
import { onStorageHealth, storageHealth, type Health } from '@/platform/storage/health';

const WORDS: Readonly<Record<Exclude<Health, 'fine'>, string>> = {
  silent: 'The browser’s storage does not answer. What you make is kept in this page and put away as soon as it answers.',
  absent:
    'This browser does not keep data here (a private window, perhaps). What you make lives only in this page until you save it to a file.',
};

export const useStorageHealth = (): Health => useSyncExternalStore(onStorageHealth, storageHealth, () => 'fine');

/** Says plainly when nothing is kept, with what to do about it beside. */
export function StorageBanner({ children }: { children: ReactNode }) {
  const health = useStorageHealth();
  if (health === 'fine') return null;
  return (
    <div role="alert" data-storage={health} className="flex flex-wrap items-center gap-3 bg-warn px-4 py-2 text-white">
      <span>{WORDS[health]}</span>
      {children}
    </div>
  );
}
