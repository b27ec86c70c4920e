import type { MouseEvent } from 'react';
import { giveUpPictures } from '@/session/derived/sewnPictures';

/** What the Bench is made of, loaded before it is asked for. */
export function bringBench(): void {
  void import('./bench/Bench');
  void import('@/session/derived/planStore');
}

const opensElsewhere = (e: MouseEvent): boolean => e.metaKey || e.ctrlKey || e.shiftKey || e.altKey || e.button !== 0;

/** A job was asked for: it is read and planned while its page is still on the way. */
export function openSoon(id: string, e: MouseEvent): void {
  if (opensElsewhere(e)) return;
  giveUpPictures();
  bringBench();
  void begin(id);
}

async function begin(id: string): Promise<void> {
  const [{ useJob }, { planOpened }] = await Promise.all([import('@/session/job/jobStore'), import('@/session/derived/planStore')]);
  await useJob.getState().load(id);
  const { job, status } = useJob.getState();
  if (job?.id === id && status === 'ready') await planOpened(job);
}
