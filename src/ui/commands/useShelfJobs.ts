import { useEffect, useState } from 'react';
import { shelfEntries } from '@/platform/storage/records';
import type { NamedJob } from './findables';

/** Names of the jobs of the shelf, but for one, read when they are first wanted. */
export function useShelfJobs(wanted: boolean, but?: string): readonly NamedJob[] {
  const [others, setOthers] = useState<readonly NamedJob[]>([]);
  useEffect(() => {
    if (!wanted) return;
    let gone = false;
    void shelfEntries()
      .then((all) => all.flatMap((e) => ('head' in e && e.id !== but ? [{ id: e.id, name: e.head.name }] : [])))
      .then((found) => !gone && setOthers(found))
      .catch(() => undefined);
    return () => void (gone = true);
  }, [wanted, but]);
  return others;
}
