import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import { toast } from '@/session/notice';
import { counted } from '@/core/units/count';
import { isBundle, isPicture } from '@/platform/files';
import { askToPersist } from '@/platform/persist';
import { bringGuide } from '../guide/guideStore';
import { placeHref } from '../places';
import type { CallOptions } from '@/workers/client';
import { askHeavy } from './heavyStore';
import type { TakenIn } from './newJob';

/** A file that is being read. */
export interface Reading {
  name: string;
  progress: number;
  cancel(): void;
}

const shelfWords = ({ put, known, damaged }: { put: number; known: number; damaged: number }): string =>
  [
    `${counted(put, 'job')} put back`,
    ...(known > 0 ? [`${known} already here`] : []),
    ...(damaged > 0 ? [`${counted(damaged, 'damaged one')} left out`] : []),
  ].join(', ') + '.';

/** Where a job is looked at first: a picture by what was read of it, a drawing by its brief. */
const placeAfter = (file: File): 'bench' | 'art' | 'brief' => (isBundle(file) ? 'bench' : isPicture(file) ? 'art' : 'brief');

/** A drawing of too many shapes is asked about instead. @returns null then */
async function takenOrAsked(file: File, options: CallOptions): Promise<TakenIn | null> {
  try {
    // The page does without what reads files until there is one.
    const { takeIn } = await import('./newJob');
    return await takeIn(file, options);
  } catch (error) {
    if (isBundle(file) || isPicture(file) || (error as { code?: string }).code !== 'too-complex') throw error;
    askHeavy(file);
    return null;
  }
}

/** Takes in files that are dropped or chosen, one at a time, and goes to the job that a file becomes. */
export function useIntake(guarded: (work: () => Promise<unknown>) => Promise<void>): { busy: Reading | null; take(files: File[]): void } {
  const router = useRouter();
  const [busy, setBusy] = useState<Reading | null>(null);
  const take = useCallback(
    async (file: File) => {
      const control = new AbortController();
      const show = (progress: number): void => setBusy({ name: file.name, progress, cancel: () => control.abort() });
      show(0);
      let leaving = false;
      await guarded(async () => {
        const taken = await takenOrAsked(file, { signal: control.signal, progress: show });
        if (!taken) return;
        void askToPersist();
        if ('job' in taken && !isBundle(file)) await bringGuide();
        if ('job' in taken) {
          leaving = true;
          router.push(placeHref(taken.job.id, placeAfter(file)));
        } else toast.success(shelfWords(taken.shelf), { duration: 15_000 });
      });
      if (!leaving) setBusy(null);
    },
    [router, guarded],
  );
  return { busy, take: ([file]) => void (file && !busy && take(file)) };
}
